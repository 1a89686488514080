package freshsplice.server.masters;

import freshsplice.core.camera.Camera;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.CutPiece;
import freshsplice.core.conform.Seams;
import freshsplice.core.cut.Cut;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.ActionSlips;
import freshsplice.core.master.Lane;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.server.cuts.Comparing;
import freshsplice.server.cuts.store.CutStore;
import freshsplice.server.renders.Staleness;
import freshsplice.server.stages.StageStore;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.RenderRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.NotThere;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
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
    private final Staleness staleness;
    private final StageStore stages;

    SequenceService(Store store, MasterStore masters, CutStore cuts, Comparing comparing, CutViews cutViews,
                    SectionViews sectionViews, LaidSound sounds, Marks marks, Staleness staleness, StageStore stages) {
        this.store = store;
        this.masters = masters;
        this.cuts = cuts;
        this.comparing = comparing;
        this.cutViews = cutViews;
        this.sectionViews = sectionViews;
        this.sounds = sounds;
        this.marks = marks;
        this.staleness = staleness;
        this.stages = stages;
    }

    @Transactional(readOnly = true)
    public SequenceView view(MasterRow row) {
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Master master = masters.read(row);
        LongFunction<Master> nested = masters.nested();
        LivePieces live = new LivePieces(nested);
        Map<Long, ShotRow> shots = masters.shotRows(project.id);
        List<LivePieces.Live> pieces = live.ofLane(master, 0);
        List<Section> sections = pieces.stream().map(LivePieces.Live::section).toList();
        Map<Long, Camera> cameras = stages.cameras(row.sceneId);
        Map<Long, RenderRow> newest = newestRenders(project.id);
        List<SequenceView.Render> renders = renders(sections, newest,
                staleness.of(List.copyOf(newest.values()), row.sceneId, shots, cameras, master, project.rate));
        CutRow cutRow = row.cutId == null ? null : store.get(CutRow.class, row.cutId);
        Cut cut = cutRow == null ? null : cuts.picked(cutRow);
        List<CutPiece> cutPieces = cut == null ? List.of() : cuts.pieces(cutRow);
        Map<Integer, FrameRange> inCut = cut == null ? Map.of()
                : placesInCut(comparing.turnover(row, master, shots, cutPieces, cut), pieces);
        List<Seams.Seam> seams = seams(sections, inCut, renders);
        Map<Long, String> slips = ActionSlips.of(sections, MasterStore.shots(shots)).stream()
                .collect(Collectors.toMap(ActionSlips.Slip::at, ActionSlips.Slip::words));
        Function<List<LivePieces.Live>, List<SequenceView.Section>> maker = sectionViews.maker(project.id, shots,
                cameras, nested);
        List<SequenceView.Section> views = maker.apply(pieces);
        List<LivePieces.Live> seen = live.of(master);
        List<List<LivePieces.Live>> above = new ArrayList<>();
        for (int lane = 1; lane < master.lanes().size(); lane++) {
            above.add(live.ofLane(master, lane));
        }
        FrameRange whole = FrameRange.of(cut == null ? master.start() : Math.min(master.start(), cut.record().in()),
                Math.max(master.end(), cut == null ? master.start() + 1 : cut.record().out()));
        return new SequenceView(row.id, project.id, project.seq, row.name, project.rate.toString(),
                project.rate.fps().toDouble(), project.dropFrame, whole.in(), whole.out(),
                cut == null ? new SequenceView.Cut(0, 0, "", "")
                        : new SequenceView.Cut(cutRow.id, cutRow.version, cutRow.name, cutViews.stamp(cutRow, cutPieces)),
                lane(master.main()), views, upper(master, above, maker), liveAbove(seen, above),
                seams.stream().map(s -> new SequenceView.Seam(s.left(), s.right(), s.shots(), s.cut(), s.render(),
                        s.cutBend(), s.renderBend(), slips.get(s.shots()))).toList(), renders, sounds.views(row.id),
                sounds.lanes(row.id), marks.views(row.id, master), counts(black(master, seen), seams, renders, views));
    }

    private static SequenceView.Lane lane(Lane lane) {
        return new SequenceView.Lane(lane.id(), lane.name(), lane.enabled(), lane.locked());
    }

    private static List<SequenceView.Upper> upper(Master master, List<List<LivePieces.Live>> above,
                                                  Function<List<LivePieces.Live>, List<SequenceView.Section>> maker) {
        List<SequenceView.Upper> upper = new ArrayList<>();
        for (int i = 0; i < above.size(); i++) {
            upper.add(new SequenceView.Upper(lane(master.lanes().get(i + 1)), maker.apply(above.get(i))));
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

    private static List<Seams.Seam> seams(List<Section> sections, Map<Integer, FrameRange> inCut,
                                          List<SequenceView.Render> renders) {
        Map<Integer, FrameRange> rendered = renders.stream().collect(Collectors.toMap(SequenceView.Render::section,
                r -> FrameRange.of(r.in(), r.out())));
        List<Seams.Triple> triples = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            triples.add(new Seams.Triple(sections.get(i).record(), inCut.get(i), rendered.get(i)));
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
        (masterId == null ? masters.of(projectId) : Optional.of(store.get(MasterRow.class, masterId))).map(this::view).ifPresent(view -> view.renders().stream()
                .filter(r -> !r.outOfDate().isEmpty())
                .forEach(r -> out.putIfAbsent(view.sections().get(r.section()).code(), r.outOfDate())));
        return out;
    }

    /** Where each piece of the main lane lies in the cut, seam to seam, by its index among all pieces of the lane. */
    private static Map<Integer, FrameRange> placesInCut(Turnover turnover, List<LivePieces.Live> pieces) {
        Map<Integer, FrameRange> places = new HashMap<>();
        List<Integer> ofShots = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i).section().shotId() != 0) {
                ofShots.add(i);
            }
        }
        List<Integer> pairs = turnover.changes().pairs();
        for (int n = 0; n < pairs.size(); n++) {
            if (pairs.get(n) >= 0) {
                places.put(ofShots.get(pairs.get(n)), turnover.newPiece(n).edge());
            }
        }
        return places;
    }

    /** The newest finished render of each shot. */
    public Map<Long, RenderRow> newestRenders(long projectId) {
        Map<Long, RenderRow> newest = new HashMap<>();
        for (RenderRow render : store.where(RenderRow.class, "projectId", projectId)) {
            if (render.shotId != null && render.state == RenderRow.State.DONE) {
                newest.merge(render.shotId, render, (a, b) -> a.version > b.version ? a : b);
            }
        }
        return newest;
    }

    private static List<SequenceView.Render> renders(List<Section> sections, Map<Long, RenderRow> newest,
                                                     Map<Long, List<String>> stale) {
        List<SequenceView.Render> views = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            RenderRow render = newest.get(section.shotId());
            if (render == null) {
                continue;
            }
            RenderRange range = range(render);
            FrameRange place = range.on(section);
            List<String> changed = new ArrayList<>(stale.getOrDefault(render.id, List.of()));
            if (place == null) {
                changed.add("speed");
                place = FrameRange.ofLength(section.record().in(), render.frames);
            }
            // the frames under passages belong to the render, the seam to the cut between them
            FrameRange seen = section.seen(i + 1 < sections.size() ? sections.get(i + 1) : null);
            FrameRange shown = FrameRange.of(place.in() + (section.record().in() - seen.in()),
                    Math.max(place.in() + (section.record().in() - seen.in()),
                            place.out() - (seen.out() - section.record().out())));
            views.add(new SequenceView.Render(i, render.id, render.name, render.version, shown.in(), shown.out(),
                    place.in(), render.frames, changed, RenderRange.missing(place, seen)));
        }
        return views;
    }

    /** What of its shot a render shows. */
    public static RenderRange range(RenderRow render) {
        return new RenderRange(render.fromPosition, render.speed, render.frames, render.bends.keys());
    }

    /** Frames at which nothing is seen, or black that was put there. */
    private static long black(Master master, List<LivePieces.Live> seen) {
        long shown = seen.stream().filter(l -> !(l.section().content() instanceof Section.Content.Black))
                .mapToLong(l -> l.section().record().length()).sum();
        return Math.max(0, master.end() - master.start() - shown);
    }

    private static SequenceView.Counts counts(long black, List<Seams.Seam> seams,
                                              List<SequenceView.Render> renders, List<SequenceView.Section> views) {
        return new SequenceView.Counts((int) views.stream().map(SequenceView.Section::shotId).filter(id -> id != 0)
                .distinct().count(),
                (int) seams.stream().filter(Seams.Seam::isBent).count(),
                (int) renders.stream().filter(r -> !r.stale().isEmpty()).count(),
                (int) views.stream().filter(SequenceView.Section::staged).count(), renders.size(),
                (int) views.stream().filter(v -> v.mediaId() == null && !v.boardName().isEmpty()).count(),
                black);
    }
}
