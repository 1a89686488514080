package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.render.MovieSound;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.media.MediaStore;
import freshsplice.server.stages.StageStore;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.MediaRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.RenderRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.SoundRow;
import freshsplice.server.store.Store;
import java.util.HashMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads all that a render is drawn from, in one transaction. */
@Component
class DrawingReader {
    private final Store store;
    private final MasterStore masters;
    private final StageStore stages;
    private final MediaStore media;
    private final Staleness staleness;

    DrawingReader(Store store, MasterStore masters, StageStore stages, MediaStore media, Staleness staleness) {
        this.store = store;
        this.masters = masters;
        this.stages = stages;
        this.media = media;
        this.staleness = staleness;
    }

    @Transactional(readOnly = true)
    public Drawing read(long renderId) {
        RenderRow render = store.get(RenderRow.class, renderId);
        ProjectRow project = store.get(ProjectRow.class, render.projectId);
        MasterRow masterRow = masters.of(project.id).orElseThrow();
        Master master = masters.read(masterRow);
        Map<Long, ShotRow> rows = masters.shotRows(project.id);
        Map<Long, Shot> shots = MasterStore.shots(rows);
        Stage stage = stages.stage(masterRow.sceneId);
        Map<Long, Camera> byId = stages.cameras(masterRow.sceneId);
        Map<Long, Camera> cameras = new HashMap<>();
        rows.forEach((id, row) -> cameras.put(id, byId.get(row.cameraId)));
        if (render.shotId == null) {
            Fingerprint edit = new Fingerprint(Map.of("edit", Fingerprint.digest(master.lanes().toString()),
                    "cameras", Fingerprint.digest(cameras.toString()), "set", Fingerprint.digest(stage.toString())));
            return new Drawing(render.name, render.width, render.height, render.burnIn, project.rate,
                    project.dropFrame, null, null, master, shots, cameras, stage, render.frames, master.start(),
                    sound(masterRow.id, FrameRange.ofLength(master.start(), render.frames), project.rate), edit);
        }
        Shot shot = shots.get(render.shotId);
        RenderRange range = new RenderRange(render.fromPosition, render.speed, render.frames);
        return new Drawing(render.name, render.width, render.height, render.burnIn, project.rate, project.dropFrame,
                range, shot, null, shots, cameras, stage, render.frames, range.startTimecode(),
                shotSound(masterRow.id, master, shot, range, project.rate),
                staleness.now(shot, cameras.get(shot.id()), stage, range));
    }

    /** The sound under a shot where the master shows it as the render does. */
    private List<MovieSound> shotSound(long masterId, Master master, Shot shot, RenderRange range, FrameRate rate) {
        for (Section section : master.main().sections()) {
            FrameRange place = section.shotId() == shot.id() ? range.on(section) : null;
            if (place != null) {
                return sound(masterId, place, rate);
            }
        }
        return List.of();
    }

    private List<MovieSound> sound(long masterId, FrameRange movie, FrameRate rate) {
        List<MovieSound> pieces = new ArrayList<>();
        for (SoundRow sound : store.where(SoundRow.class, "masterId", masterId)) {
            long in = Math.max(sound.recIn, movie.in());
            long out = Math.min(sound.recOut, movie.out());
            if (sound.mediaId != null && in < out) {
                pieces.add(new MovieSound(media.file(store.get(MediaRow.class, sound.mediaId)),
                        sound.fromSeconds.plus(rate.seconds(in - sound.recIn)).toDouble(),
                        rate.seconds(out - in).toDouble(), rate.seconds(in - movie.in()).toDouble()));
            }
        }
        return pieces;
    }
}
