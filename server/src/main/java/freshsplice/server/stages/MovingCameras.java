package freshsplice.server.stages;

import freshsplice.core.camera.Aim;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.LayerUse;
import freshsplice.core.camera.MotionLayer;
import freshsplice.core.camera.Mount;
import freshsplice.core.camera.edit.Mounting;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.MotionLayerRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.stages.CameraRows;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Cameras that go into another scene with their shots. Runs inside a step. */
@Component
public class MovingCameras {
    private final Store store;
    private final CameraStore cameras;
    private final StageStore stages;

    MovingCameras(Store store, CameraStore cameras, StageStore stages) {
        this.store = store;
        this.cameras = cameras;
        this.stages = stages;
    }

    /**
     * The camera of a shot in another scene: itself where all that it films goes along, else a copy. Things stay behind, so what it
     * was tied to is let go, and it stays as it is at the shot's first frame; layers go along as its own.
     *
     * @param moving ids of all shots that go
     * @return the camera's id there
     * @throws freshsplice.core.refusal.Refusal if it is locked and would be let go of something
     */
    public long into(ShotRow shot, long sceneId, Set<Long> moving) {
        CameraRow row = store.get(CameraRow.class, shot.cameraId);
        if (row.sceneId == sceneId) {
            return row.id;
        }
        Camera camera = cameras.camera(row.id);
        Camera there = ownLayers(untied(camera, stages.stage(row.sceneId), shot), sceneId);
        if (camera.locked() && !there.channels().equals(camera.channels())) {
            throw CameraEdits.locked(camera);
        }
        boolean alone = store.where(ShotRow.class, "cameraId", row.id).stream().allMatch(s -> moving.contains(s.id));
        if (!alone) {
            return cameras.add(sceneId, there).id;
        }
        row.sceneId = sceneId;
        cameras.write(row, there);
        return row.id;
    }

    private static Camera untied(Camera camera, Stage stage, ShotRow shot) {
        Moment first = new Moment(Rational.of(shot.cutIn), Rational.of(shot.cutIn + shot.actionOffset));
        Camera free = camera;
        List<Long> things = Stream.concat(Stream.of(camera.aim(), camera.focusOn()).filter(Objects::nonNull).map(Aim::itemId),
                camera.mounts().stream().map(Mount::itemId).filter(Objects::nonNull)).distinct().toList();
        for (long thing : things) {
            free = Mounting.without(free, stage, first, thing);
        }
        return free.mounted(List.of());
    }

    private Camera ownLayers(Camera camera, long sceneId) {
        return camera.layered(camera.layers().stream().map(use -> {
            MotionLayerRow row = new MotionLayerRow();
            row.sceneId = sceneId;
            CameraRows.fill(row, use.layer());
            MotionLayer own = CameraRows.layer(store.add(row));
            return new LayerUse(0, own, use.from(), use.frames(), use.strength(), use.on());
        }).toList());
    }
}
