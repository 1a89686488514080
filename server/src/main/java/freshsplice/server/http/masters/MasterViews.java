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
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.master.Track;
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

/** Puts the three tracks of a master together for the window. */
@Service
public class MasterViews {
    private final Store store;
    private final MasterStore masters;
    private final MasterLayouts laidOuts;
    private final ClipViews clipViews;
    private final FinishedRenders finished;
    private final ShownRows shown;

    MasterViews(Store store, MasterStore masters, MasterLayouts laidOuts, ClipViews clipViews, FinishedRenders finished,
                    ShownRows shown) {
        this.masters = masters;
        this.store = store;
        this.laidOuts = laidOuts;
        this.clipViews = clipViews;
        this.finished = finished;
        this.shown = shown;
    }

    @Transactional(readOnly = true)
    public MasterView view(MasterRow asked) {
        // as this transaction sees it: what was asked about may have been read before a step that it now sees
        MasterRow row = store.get(MasterRow.class, asked.id);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        MasterLayout laid = laidOuts.of(row, project);
        Master master = laid.master();
        Map<Long, Camera> cameras = shown.cameras(project.id, project.seq);
        List<SeenClip> seen = new ArrayList<>(SeenClip.ofLive(laid.seen()));
        laid.tracks().forEach(track -> seen.addAll(SeenClip.ofLive(track)));
        ShotRenders finishedRenders = finished.of(project.id, Grade::counts, master, seen, laid.shots(), cameras);
        List<Clip> clips = laid.clips();
        List<MasterView.Render> renders = renders(clips, finishedRenders);
        List<Seams.Seam> seams = seams(clips, laid.inCut(), renders);
        List<MasterView.ShotState> states = states(laid, finishedRenders, cameras);
        return new MasterView(row.id, "", project.id, project.seq, row.name, project.rate.toString(),
                project.rate.fps().toDouble(), project.dropFrame, laid.whole().in(), laid.whole().out(), master.start(), master.end(),
                laid.cut(), track(master.main()), clipViews.of(laid, 0, cameras), upper(laid, cameras), laid.liveAbove(),
                seams.stream().map(s -> new MasterView.Seam(s.left(), s.right(), s.shots(), s.cut(), s.render(),
                        s.cutOffset(), s.renderOffset(), laid.slips().get(s.shots()))).toList(), renders, gaps(clips, finishedRenders), states,
                laid.inCut().differences().stream().map(d -> new MasterView.Difference(d.record().in(), d.record().out(),
                        d.name(), d.kind().words())).toList(), laid.sounds(), laid.soundTracks(), laid.markers(),
                counts(laid, seams, states));
    }

    /** How each shot of the master stands, in order of its tracks. */
    private static List<MasterView.ShotState> states(MasterLayout laid, ShotRenders renders, Map<Long, Camera> cameras) {
        List<MasterView.ShotState> states = new ArrayList<>();
        ShotStands.of(laid.tracks(), laid.seen(), renders).forEach((id, stands) -> {
            ShotRow shot = laid.shots().get(id);
            FinishedRender shown = renders.shownFor(stands.first());
            RenderStand stand = stands.stand();
            boolean staged = ClipViews.isStaged(cameras.get(shot.cameraId));
            states.add(new MasterView.ShotState(id, shot.code, stands.first().clip().record().in(),
                    shot.cutIn, shot.cutOut, stands.frames(), staged,
                    shown == null ? null : shown.id(), shown == null ? 0 : shown.name().version(),
                    stand == null ? List.of() : stand.changed(), stand == null ? 0 : stand.covered(),
                    stand == null ? "" : stand.words(), ShotStands.asksForARender(staged, stand)));
        });
        return states;
    }

    private static MasterView.Track track(Track track) {
        return new MasterView.Track(track.id(), track.name(), track.enabled(), track.locked());
    }

    private List<MasterView.Upper> upper(MasterLayout laid, Map<Long, Camera> cameras) {
        List<MasterView.Upper> upper = new ArrayList<>();
        for (int track = 1; track < laid.master().tracks().size(); track++) {
            upper.add(new MasterView.Upper(track(laid.master().tracks().get(track)), clipViews.of(laid, track, cameras)));
        }
        return upper;
    }

    private static List<Seams.Seam> seams(List<Clip> clips, PlacesInCut inCut, List<MasterView.Render> renders) {
        Map<Integer, FrameRange> rendered = renders.stream().collect(Collectors.toMap(MasterView.Render::clip,
                r -> FrameRange.of(r.in(), r.out()), FrameRange::spanWith));
        List<Seams.Triple> triples = new ArrayList<>();
        for (int i = 0; i < clips.size(); i++) {
            boolean runsOn = i + 1 < clips.size() && clips.get(i).runsOnIn(clips.get(i + 1));
            triples.add(new Seams.Triple(clips.get(i).record(), inCut.of(i), rendered.get(i), runsOn));
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

    private static List<MasterView.Render> renders(List<Clip> clips, ShotRenders renders) {
        List<MasterView.Render> views = new ArrayList<>();
        List<SeenClip> seen = SeenClip.of(clips);
        for (int i = 0; i < seen.size(); i++) {
            SeenClip clip = seen.get(i);
            RenderStand stand = RenderStand.of(clip, renders);
            for (RenderPlace place : RenderPlace.of(clip, renders)) {
                FinishedRender render = place.render();
                views.add(new MasterView.Render(i, render.id(), render.name().toString(), render.name().version(), render.grade(),
                        place.shown().in(), place.shown().out(), place.whole().in(), render.range().frames(), stand.changed(),
                        stand.words()));
            }
        }
        return views;
    }

    private static List<MasterView.Gap> gaps(List<Clip> clips, ShotRenders renders) {
        List<MasterView.Gap> gaps = new ArrayList<>();
        List<SeenClip> seen = SeenClip.of(clips);
        for (int i = 0; i < seen.size(); i++) {
            Cover cover = renders.cover(seen.get(i));
            int clip = i;
            if (!cover.parts().isEmpty()) {
                cover.missing().forEach(gap -> gaps.add(new MasterView.Gap(clip, gap.in(), gap.out())));
            }
        }
        return gaps;
    }

    private static MasterView.Counts counts(MasterLayout laid, List<Seams.Seam> seams, List<MasterView.ShotState> shots) {
        return new MasterView.Counts(shots.size(), (int) seams.stream().filter(Seams.Seam::isOffset).count(),
                (int) shots.stream().filter(s -> !s.stand().isEmpty()).count(),
                (int) shots.stream().filter(MasterView.ShotState::staged).count(),
                (int) shots.stream().filter(s -> s.renderId() != null).count(),
                (int) shots.stream().filter(MasterView.ShotState::toRender).count(), laid.missingBoards(), laid.black());
    }
}
