package freshsplice.server.http.masters;

import freshsplice.core.camera.Camera;
import freshsplice.core.changes.PlacesInCut;
import freshsplice.core.conform.CutPiece;
import freshsplice.core.conform.Seams;
import freshsplice.core.cut.Cut;
import freshsplice.core.delivery.RenderStand;
import freshsplice.core.delivery.ShotStands;
import freshsplice.core.master.ActionSlips;
import freshsplice.core.master.Lane;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.server.cuts.Comparing;
import freshsplice.server.masters.Marks;
import freshsplice.server.renders.NewestRenders;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.SoundLaneRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.LaidSound;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.shown.ShownRows;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts the three lanes of a master together for the window. */
@Service
public class SequenceService {
    private final Store store;
    private final MasterStore masters;
    private final CutStore cuts;
    private final Comparing comparing;
    private final CutViews cutViews;
    private final SectionViews sectionViews;
    private final LaidSound sounds;
    private final Marks marks;
    private final NewestRenders newestRenders;
    private final ShownRows shown;
    private final CutsUnder cutsUnder;

    SequenceService(Store store, MasterStore masters, CutStore cuts, Comparing comparing, CutViews cutViews,
                    SectionViews sectionViews, LaidSound sounds, Marks marks, NewestRenders newestRenders, ShownRows shown,
                    CutsUnder cutsUnder) {
        this.cutsUnder = cutsUnder;
        this.store = store;
        this.masters = masters;
        this.cuts = cuts;
        this.comparing = comparing;
        this.cutViews = cutViews;
        this.sectionViews = sectionViews;
        this.sounds = sounds;
        this.marks = marks;
        this.newestRenders = newestRenders;
        this.shown = shown;
    }

    @Transactional(readOnly = true)
    public SequenceView view(MasterRow row) {
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Master master = masters.read(row);
        LongFunction<Master> nested = masters.nested();
        LivePieces live = new LivePieces(nested);
        Map<Long, ShotRow> shots = shown.shots(project.id, project.seq);
        List<LivePieces.Live> pieces = live.ofLane(master, 0);
        List<Section> sections = pieces.stream().map(LivePieces.Live::section).toList();
        Map<Long, Camera> cameras = shown.cameras(project.id, row.sceneId, project.seq);
        Map<Long, NewestRenders.Newest> newest = newestRenders.of(row, master, shots, cameras);
        List<SequenceView.Render> renders = renders(sections, newest);
        CutRow cutRow = row.cutId == null ? null : store.get(CutRow.class, row.cutId);
        Cut cut = cutRow == null ? null : cuts.picked(cutRow);
        List<CutPiece> cutPieces = cut == null ? List.of() : cuts.pieces(cutRow);
        PlacesInCut inCut = PlacesInCut.of(sections,
                cut == null ? null : comparing.turnover(row, master, shots, cutPieces, cut));
        List<Seams.Seam> seams = seams(sections, inCut, renders);
        Map<Long, String> slips = ActionSlips.of(sections, MasterStore.shots(shots)).stream()
                .collect(Collectors.toMap(ActionSlips.Slip::at, ActionSlips.Slip::words));
        SectionViews.Maker maker = sectionViews.maker(project.id, shots, shown.boards(project.id, project.seq), cameras, nested);
        List<SequenceView.Section> views = maker.views(pieces);
        List<LivePieces.Live> seen = live.of(master);
        List<List<LivePieces.Live>> above = new ArrayList<>();
        for (int lane = 1; lane < master.lanes().size(); lane++) {
            above.add(live.ofLane(master, lane));
        }
        List<List<LivePieces.Live>> lanes = new ArrayList<>(List.of(pieces));
        lanes.addAll(above);
        List<SequenceView.ShotState> states = states(lanes, seen, shots, newest, maker);
        FrameRange whole = FrameRange.of(cut == null ? master.start() : Math.min(master.start(), cut.record().in()),
                Math.max(master.end(), cut == null ? master.start() + 1 : cut.record().out()));
        return new SequenceView(row.id, "", project.id, project.seq, row.name, project.rate.toString(),
                project.rate.fps().toDouble(), project.dropFrame, whole.in(), whole.out(), master.start(), master.end(),
                cut == null ? cutsUnder.shown(row)
                        : new SequenceView.Cut(cutRow.id, cutRow.version, cutRow.name, cutViews.stamp(cutRow, cutPieces)),
                lane(master.main()), views, upper(master, above, maker), liveAbove(seen, above),
                seams.stream().map(s -> new SequenceView.Seam(s.left(), s.right(), s.shots(), s.cut(), s.render(),
                        s.cutBend(), s.renderBend(), slips.get(s.shots()))).toList(), renders, states,
                inCut.differences().stream().map(d -> new SequenceView.Difference(d.record().in(), d.record().out(),
                        d.name(), d.kind().words())).toList(), sounds(row.id),
                soundLanes(row.id), marks(row.id, master),
                counts(black(master, seen), seams, states, maker.missingBoards(lanes)));
    }

    private List<SequenceView.Sound> sounds(long masterId) {
        Map<String, SoundLaneRow> lanes = sounds.laneRows(masterId);
        return sounds.rows(masterId).stream().map(s -> new SequenceView.Sound(s.id, s.lane, s.name, s.mediaId, s.recIn, s.recOut,
                s.fromSeconds.toDouble(), s.level, s.fadeIn, s.fadeOut, LaidSound.gain(s, lanes), s.channel)).toList();
    }

    private List<SequenceView.SoundLane> soundLanes(long masterId) {
        return sounds.laneRows(masterId).values().stream()
                .map(l -> new SequenceView.SoundLane(l.name, l.muted, l.solo, l.level)).toList();
    }

    private List<SequenceView.Mark> marks(long masterId, Master master) {
        return marks.standing(masterId, master).stream().map(m -> new SequenceView.Mark(m.row().id, m.record().in(),
                m.record().out(), m.row().words, m.row().who, m.row().sectionId)).toList();
    }

    /** How each shot of the master stands, in order of its lanes. */
    private static List<SequenceView.ShotState> states(List<List<LivePieces.Live>> lanes, List<LivePieces.Live> seen, Map<Long, ShotRow> shots,
                                                       Map<Long, NewestRenders.Newest> newest, SectionViews.Maker maker) {
        List<SequenceView.ShotState> states = new ArrayList<>();
        ShotStands.of(lanes, seen, id -> newest.containsKey(id) ? newest.get(id).stands() : null).forEach((id, shot) -> {
            RenderRow render = newest.containsKey(id) ? newest.get(id).row() : null;
            RenderStand stand = shot.stand();
            boolean staged = maker.isStaged(id);
            states.add(new SequenceView.ShotState(id, maker.code(id), shot.first().record().in(),
                    shots.get(id).cutIn, shots.get(id).cutOut, shot.frames(), staged,
                    render == null ? null : render.id, render == null ? 0 : render.version,
                    stand == null ? List.of() : stand.changed(), stand == null ? 0 : stand.covered(),
                    stand == null ? "" : stand.words(), ShotStands.asksForARender(staged, stand)));
        });
        return states;
    }

    private static SequenceView.Lane lane(Lane lane) {
        return new SequenceView.Lane(lane.id(), lane.name(), lane.enabled(), lane.locked());
    }

    private static List<SequenceView.Upper> upper(Master master, List<List<LivePieces.Live>> above,
                                                  SectionViews.Maker maker) {
        List<SequenceView.Upper> upper = new ArrayList<>();
        for (int i = 0; i < above.size(); i++) {
            upper.add(new SequenceView.Upper(lane(master.lanes().get(i + 1)), maker.views(above.get(i))));
        }
        return upper;
    }

    /** Where a lane above the main one is live, and with which of its pieces. */
    private static List<SequenceView.Live> liveAbove(List<LivePieces.Live> live, List<List<LivePieces.Live>> above) {
        List<SequenceView.Live> views = new ArrayList<>();
        int[] next = new int[above.size()];
        for (LivePieces.Live piece : live) {
            if (piece.lane() == 0) {
                continue;
            }
            List<LivePieces.Live> lane = above.get(piece.lane() - 1);
            int index = next[piece.lane() - 1];
            while (index + 1 < lane.size() && lane.get(index).section().record().out() <= piece.section().record().in()) {
                index++;
            }
            next[piece.lane() - 1] = index;
            views.add(new SequenceView.Live(piece.section().record().in(), piece.section().record().out(),
                    piece.lane() - 1, index));
        }
        return views;
    }

    private static List<Seams.Seam> seams(List<Section> sections, PlacesInCut inCut, List<SequenceView.Render> renders) {
        Map<Integer, FrameRange> rendered = renders.stream().collect(Collectors.toMap(SequenceView.Render::section,
                r -> FrameRange.of(r.in(), r.out())));
        List<Seams.Triple> triples = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            boolean runsOn = i + 1 < sections.size() && sections.get(i).runsOnIn(sections.get(i + 1));
            triples.add(new Seams.Triple(sections.get(i).record(), inCut.of(i), rendered.get(i), runsOn));
        }
        return Seams.of(triples);
    }

    /**
     * The renders that cannot stand in a master as they are: the shot's code, and why.
     *
     * @param masterId null for the project's first
     */
    @Transactional(readOnly = true)
    public Map<String, String> outOfDate(long projectId, Long masterId) {
        Map<String, String> out = new LinkedHashMap<>();
        masters.asked(projectId, masterId).map(this::view)
                .ifPresent(view -> view.shots().stream().filter(s -> !s.stand().isEmpty())
                        .forEach(s -> out.put(s.code(), s.stand())));
        return out;
    }

    private static List<SequenceView.Render> renders(List<Section> sections, Map<Long, NewestRenders.Newest> newest) {
        List<SequenceView.Render> views = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            NewestRenders.Newest known = newest.get(section.shotId());
            if (known == null) {
                continue;
            }
            RenderRow render = known.row();
            FrameRange place = known.range().on(section);
            place = place == null ? FrameRange.ofLength(section.record().in(), render.frames) : place;
            // the frames under passages belong to the render, the seam to the cut between them
            FrameRange seen = section.seen(i + 1 < sections.size() ? sections.get(i + 1) : null);
            FrameRange shown = FrameRange.of(place.in() + (section.record().in() - seen.in()),
                    Math.max(place.in() + (section.record().in() - seen.in()),
                            place.out() - (seen.out() - section.record().out())));
            RenderStand stand = RenderStand.of(section, seen, known.range(), known.changed());
            views.add(new SequenceView.Render(i, render.id, render.name, render.version, shown.in(), shown.out(),
                    place.in(), render.frames, stand.changed(), stand.words()));
        }
        return views;
    }

    /** Frames at which nothing is seen, or black that was put there. */
    private static long black(Master master, List<LivePieces.Live> seen) {
        long shown = seen.stream().filter(l -> !(l.section().content() instanceof Section.Content.Black))
                .mapToLong(l -> l.section().record().length()).sum();
        return Math.max(0, master.end() - master.start() - shown);
    }

    private static SequenceView.Counts counts(long black, List<Seams.Seam> seams, List<SequenceView.ShotState> shots,
                                              int missingBoards) {
        return new SequenceView.Counts(shots.size(), (int) seams.stream().filter(Seams.Seam::isBent).count(),
                (int) shots.stream().filter(s -> !s.stand().isEmpty()).count(),
                (int) shots.stream().filter(SequenceView.ShotState::staged).count(),
                (int) shots.stream().filter(s -> s.renderId() != null).count(),
                (int) shots.stream().filter(SequenceView.ShotState::toRender).count(), missingBoards, black);
    }
}
