package freshsplice.server.masters;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.CutPiece;
import freshsplice.core.conform.Seams;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.ActionSlips;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.cuts.Comparing;
import freshsplice.server.cuts.store.CutStore;
import freshsplice.server.renders.Staleness;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.Sources;
import freshsplice.server.stages.StageStore;
import freshsplice.server.store.BoardRow;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.MediaRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.RenderRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.SoundRow;
import freshsplice.server.store.Store;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
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
    private final Sources sources;
    private final StageStore stages;
    private final Staleness staleness;

    SequenceService(Store store, MasterStore masters, CutStore cuts, Comparing comparing, Sources sources,
                    StageStore stages, Staleness staleness) {
        this.store = store;
        this.masters = masters;
        this.cuts = cuts;
        this.comparing = comparing;
        this.sources = sources;
        this.stages = stages;
        this.staleness = staleness;
    }

    @Transactional(readOnly = true)
    public SequenceView view(MasterRow row) {
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Master master = masters.read(row);
        CutRow cutRow = store.get(CutRow.class, row.cutId);
        Cut cut = cuts.picked(cutRow);
        List<CutPiece> pieces = cuts.pieces(cutRow, cut);
        Map<Long, ShotRow> shots = masters.shotRows(project.id);
        List<Section> sections = master.main().sections();
        Map<Integer, FrameRange> inCut = placesInCut(comparing.turnover(row, master, shots, pieces, cut));
        Map<Long, RenderRow> newest = newestRenders(project.id);
        List<SequenceView.Render> renders = renders(row, sections, newest, shots);
        Map<Integer, FrameRange> rendered = renders.stream().collect(Collectors.toMap(SequenceView.Render::section,
                r -> FrameRange.of(r.in(), r.out())));
        List<Seams.Triple> triples = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            triples.add(new Seams.Triple(sections.get(i).record(), inCut.get(i), rendered.get(i)));
        }
        List<Seams.Seam> seams = Seams.of(triples);
        Map<Long, String> slips = ActionSlips.of(sections, MasterStore.shots(shots)).stream()
                .collect(Collectors.toMap(ActionSlips.Slip::at, ActionSlips.Slip::words));
        List<SequenceView.Section> views = sectionViews(sections, shots, row.sceneId);
        SequenceView.Counts counts = counts(sections, master, seams, renders, views);
        return new SequenceView(row.id, project.id, project.seq, row.name, project.rate.toString(),
                project.rate.fps().toDouble(), project.dropFrame, Math.min(master.start(), cut.record().in()),
                Math.max(master.end(), cut.record().out()),
                new SequenceView.Cut(cutRow.id, cutRow.version, cutRow.name, pieceViews(project.id, cut, pieces)), views,
                seams.stream().map(s -> new SequenceView.Seam(s.left(), s.right(), s.shots(), s.cut(), s.render(),
                        s.cutBend(), s.renderBend(), slips.get(s.shots()))).toList(), renders, sound(row.id), counts);
    }

    /** The renders that cannot stand in the master as they are: the shot's code, and why. */
    @Transactional(readOnly = true)
    public Map<String, String> outOfDate(long projectId) {
        Map<String, String> out = new LinkedHashMap<>();
        masters.of(projectId).map(this::view).ifPresent(view -> view.renders().stream()
                .filter(r -> !r.outOfDate().isEmpty())
                .forEach(r -> out.putIfAbsent(view.sections().get(r.section()).code(), r.outOfDate())));
        return out;
    }

    /** Where each section lies in the cut, seam to seam. */
    private static Map<Integer, FrameRange> placesInCut(Turnover turnover) {
        Map<Integer, FrameRange> places = new HashMap<>();
        List<Integer> pairs = turnover.changes().pairs();
        for (int n = 0; n < pairs.size(); n++) {
            if (pairs.get(n) >= 0) {
                places.put(pairs.get(n), turnover.newPiece(n).edge());
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

    private List<SequenceView.Render> renders(MasterRow row, List<Section> sections, Map<Long, RenderRow> newest,
                                              Map<Long, ShotRow> shots) {
        List<SequenceView.Render> views = new ArrayList<>();
        Map<Long, List<String>> stale = staleness.of(List.copyOf(newest.values()), row.sceneId, shots);
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            RenderRow render = newest.get(section.shotId());
            if (render == null) {
                continue;
            }
            RenderRange range = new RenderRange(render.fromPosition, render.speed, render.frames);
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
                    changed, RenderRange.missing(place, seen)));
        }
        return views;
    }

    private List<SequenceView.Section> sectionViews(List<Section> sections, Map<Long, ShotRow> shots, long sceneId) {
        Map<Long, Camera> cameras = stages.cameras(sceneId);
        Map<Long, BoardRow> boards = store.whereIn(BoardRow.class, "shotId", List.copyOf(shots.keySet())).stream()
                .collect(Collectors.toMap(b -> b.shotId, Function.identity(), (a, b) -> b));
        List<SequenceView.Section> views = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            FrameRange seen = section.seen(i + 1 < sections.size() ? sections.get(i + 1) : null);
            ShotRow shot = shots.get(section.shotId());
            Camera camera = cameras.get(shot.cameraId);
            BoardRow board = boards.get(shot.id);
            Rational from = section.from();
            views.add(new SequenceView.Section(section.id(), shot.id, shot.code, section.record().in(),
                    section.record().out(), seen.in(), seen.out(), from.floor(),
                    section.at(section.record().last()).floor(), shotFrames(section),
                    section.at(seen.in()).toString(),
                    headWeights(section), section.speed().toString(), camera.isStaged(),
                    camera.name(), camera.value(CameraChannel.LENS, from), camera.tStop(),
                    camera.value(CameraChannel.FOCUS, from), board == null ? "" : board.sourceName,
                    board == null ? null : board.mediaId, shot.handles, section.enabled(),
                    tailWeights(section),
                    MasterStore.shot(shot).actionAt(from).floor()));
        }
        return views;
    }

    private static List<Long> shotFrames(Section section) {
        return section.speed().equals(Rational.ONE) ? List.of()
                : LongStream.range(section.record().in(), section.record().out())
                .mapToObj(r -> section.at(r).floor()).toList();
    }

    private static List<Double> tailWeights(Section section) {
        return section.tail() == null ? List.of() : LongStream.range(0, section.tail().before())
                .mapToObj(k -> 1 - FrameChain.share(k, section.tail().length())).toList();
    }

    private static List<Double> headWeights(Section section) {
        return section.head() == null ? List.of() : LongStream.range(0, section.head().length())
                .mapToObj(k -> FrameChain.share(k, section.head().length())).toList();
    }

    private List<SequenceView.Piece> pieceViews(long projectId, Cut cut, List<CutPiece> pieces) {
        Finders finders = sources.finders(projectId, Sources.all(cut));
        return pieces.stream().map(p -> {
            Long id = finders.idOf(Lane.Kind.PICTURE, Sources.wanted(p, cut.rate()));
            MediaRow file = id == null ? null : store.get(MediaRow.class, id);
            return new SequenceView.Piece(p.edge().in(), p.edge().out(), p.name(), id,
                    file == null || file.kind == MediaRow.Kind.PICTURE ? List.of() : mediaFrames(p, file));
        }).toList();
    }

    /** The movie's own frame at each record frame; counted from the piece where its timecode is not the source's. */
    private static List<Long> mediaFrames(CutPiece piece, MediaRow file) {
        long first = piece.time().frameAt(piece.edge().in());
        Long told = piece.source() == null ? null : piece.source().start();
        boolean byTimecode = first >= file.startFrame && first < file.startFrame + file.frames;
        long base = byTimecode ? file.startFrame : told != null ? told : first;
        return LongStream.range(piece.edge().in(), piece.edge().out())
                .map(r -> Math.max(0, Math.min(file.frames - 1, piece.time().frameAt(r) - base))).boxed().toList();
    }

    private List<SequenceView.Sound> sound(long masterId) {
        return store.where(SoundRow.class, "masterId", masterId).stream().map(s -> new SequenceView.Sound(s.lane,
                s.name, s.mediaId, s.recIn, s.recOut, s.fromSeconds.toDouble())).toList();
    }

    private static SequenceView.Counts counts(List<Section> sections, Master master, List<Seams.Seam> seams,
                                              List<SequenceView.Render> renders, List<SequenceView.Section> views) {
        long shown = sections.stream().mapToLong(s -> s.record().length()).sum();
        return new SequenceView.Counts((int) views.stream().map(SequenceView.Section::shotId).distinct().count(),
                (int) seams.stream().filter(Seams.Seam::isBent).count(),
                (int) renders.stream().filter(r -> !r.stale().isEmpty()).count(),
                (int) views.stream().filter(SequenceView.Section::staged).count(), renders.size(),
                (int) views.stream().filter(v -> v.mediaId() == null).count(),
                Math.max(0, master.end() - master.start() - shown));
    }
}
