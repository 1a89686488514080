package freshsplice.server.http.masters;

import freshsplice.core.camera.Camera;
import freshsplice.core.changes.PlacesInCut;
import freshsplice.core.conform.Seams;
import freshsplice.core.delivery.Cover;
import freshsplice.core.delivery.FinishedRender;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderPlace;
import freshsplice.core.delivery.RenderStand;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.delivery.ShotStands;
import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.master.SeenPiece;
import freshsplice.core.time.FrameRange;
import freshsplice.server.renders.FinishedRenders;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.shown.ShownRows;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts the three lanes of a master together for the window. */
@Service
public class SequenceService {
    private final Store store;
    private final MasterStore masters;
    private final MasterLayouts laidOuts;
    private final SectionViews sectionViews;
    private final FinishedRenders finished;
    private final ShownRows shown;

    SequenceService(Store store, MasterStore masters, MasterLayouts laidOuts, SectionViews sectionViews, FinishedRenders finished,
                    ShownRows shown) {
        this.masters = masters;
        this.store = store;
        this.laidOuts = laidOuts;
        this.sectionViews = sectionViews;
        this.finished = finished;
        this.shown = shown;
    }

    @Transactional(readOnly = true)
    public SequenceView view(MasterRow asked) {
        // as this transaction sees it: what was asked about may have been read before a step that it now sees
        MasterRow row = store.get(MasterRow.class, asked.id);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        MasterLayout laid = laidOuts.of(row, project);
        Master master = laid.master();
        Map<Long, Camera> cameras = shown.cameras(project.id, project.seq);
        List<SeenPiece> pieces = new ArrayList<>(SeenPiece.ofLive(laid.seen()));
        laid.lanes().forEach(lane -> pieces.addAll(SeenPiece.ofLive(lane)));
        ShotRenders finishedRenders = finished.of(project.id, Grade::counts, master, pieces, laid.shots(), cameras);
        List<Section> sections = laid.sections();
        List<SequenceView.Render> renders = renders(sections, finishedRenders);
        List<Seams.Seam> seams = seams(sections, laid.inCut(), renders);
        List<SequenceView.ShotState> states = states(laid, finishedRenders, cameras);
        return new SequenceView(row.id, "", project.id, project.seq, row.name, project.rate.toString(),
                project.rate.fps().toDouble(), project.dropFrame, laid.whole().in(), laid.whole().out(), master.start(), master.end(),
                laid.cut(), lane(master.main()), sectionViews.of(laid, 0, cameras), upper(laid, cameras), laid.liveAbove(),
                seams.stream().map(s -> new SequenceView.Seam(s.left(), s.right(), s.shots(), s.cut(), s.render(),
                        s.cutBend(), s.renderBend(), laid.slips().get(s.shots()))).toList(), renders, gaps(sections, finishedRenders), states,
                laid.inCut().differences().stream().map(d -> new SequenceView.Difference(d.record().in(), d.record().out(),
                        d.name(), d.kind().words())).toList(), laid.sounds(), laid.soundLanes(), laid.marks(),
                counts(laid, seams, states));
    }

    /** How each shot of the master stands, in order of its lanes. */
    private static List<SequenceView.ShotState> states(MasterLayout laid, ShotRenders renders, Map<Long, Camera> cameras) {
        List<SequenceView.ShotState> states = new ArrayList<>();
        ShotStands.of(laid.lanes(), laid.seen(), renders).forEach((id, stands) -> {
            ShotRow shot = laid.shots().get(id);
            FinishedRender shown = renders.shownFor(stands.first());
            RenderStand stand = stands.stand();
            boolean staged = SectionViews.isStaged(cameras.get(shot.cameraId));
            states.add(new SequenceView.ShotState(id, shot.code, stands.first().section().record().in(),
                    shot.cutIn, shot.cutOut, stands.frames(), staged,
                    shown == null ? null : shown.id(), shown == null ? 0 : shown.name().version(),
                    stand == null ? List.of() : stand.changed(), stand == null ? 0 : stand.covered(),
                    stand == null ? "" : stand.words(), ShotStands.asksForARender(staged, stand)));
        });
        return states;
    }

    private static SequenceView.Lane lane(Lane lane) {
        return new SequenceView.Lane(lane.id(), lane.name(), lane.enabled(), lane.locked());
    }

    private List<SequenceView.Upper> upper(MasterLayout laid, Map<Long, Camera> cameras) {
        List<SequenceView.Upper> upper = new ArrayList<>();
        for (int lane = 1; lane < laid.master().lanes().size(); lane++) {
            upper.add(new SequenceView.Upper(lane(laid.master().lanes().get(lane)), sectionViews.of(laid, lane, cameras)));
        }
        return upper;
    }

    private static List<Seams.Seam> seams(List<Section> sections, PlacesInCut inCut, List<SequenceView.Render> renders) {
        Map<Integer, FrameRange> rendered = renders.stream().collect(Collectors.toMap(SequenceView.Render::section,
                r -> FrameRange.of(r.in(), r.out()), FrameRange::spanWith));
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

    private static List<SequenceView.Render> renders(List<Section> sections, ShotRenders renders) {
        List<SequenceView.Render> views = new ArrayList<>();
        List<SeenPiece> pieces = SeenPiece.of(sections);
        for (int i = 0; i < pieces.size(); i++) {
            SeenPiece piece = pieces.get(i);
            RenderStand stand = RenderStand.of(piece, renders);
            for (RenderPlace place : RenderPlace.of(piece, renders)) {
                FinishedRender render = place.render();
                views.add(new SequenceView.Render(i, render.id(), render.name().toString(), render.name().version(), render.grade(),
                        place.shown().in(), place.shown().out(), place.whole().in(), render.range().frames(), stand.changed(),
                        stand.words()));
            }
        }
        return views;
    }

    private static List<SequenceView.Gap> gaps(List<Section> sections, ShotRenders renders) {
        List<SequenceView.Gap> gaps = new ArrayList<>();
        List<SeenPiece> pieces = SeenPiece.of(sections);
        for (int i = 0; i < pieces.size(); i++) {
            Cover cover = renders.cover(pieces.get(i));
            int section = i;
            if (!cover.parts().isEmpty()) {
                cover.missing().forEach(gap -> gaps.add(new SequenceView.Gap(section, gap.in(), gap.out())));
            }
        }
        return gaps;
    }

    private static SequenceView.Counts counts(MasterLayout laid, List<Seams.Seam> seams, List<SequenceView.ShotState> shots) {
        return new SequenceView.Counts(shots.size(), (int) seams.stream().filter(Seams.Seam::isBent).count(),
                (int) shots.stream().filter(s -> !s.stand().isEmpty()).count(),
                (int) shots.stream().filter(SequenceView.ShotState::staged).count(),
                (int) shots.stream().filter(s -> s.renderId() != null).count(),
                (int) shots.stream().filter(SequenceView.ShotState::toRender).count(), laid.missingBoards(), laid.black());
    }
}
