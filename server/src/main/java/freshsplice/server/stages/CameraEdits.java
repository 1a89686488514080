package freshsplice.server.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.shot.Moment;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.edit.CameraEdit;
import freshsplice.server.stages.edit.ValueEdit;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Edits of cameras, each as one step. All that changes a camera comes through here, so that a locked one is held at one door. */
@Service
public class CameraEdits {
    private final Store store;
    private final CameraStore cameras;
    private final StageStore stages;
    private final Steps steps;

    CameraEdits(Store store, CameraStore cameras, StageStore stages, Steps steps) {
        this.store = store;
        this.cameras = cameras;
        this.stages = stages;
        this.steps = steps;
    }

    /**
     * Edits the camera that films a shot, on that shot's clock.
     *
     * @throws freshsplice.core.refusal.Refusal if it cannot be done, or the camera is locked
     */
    public void ofShot(long shotId, CameraEdit edit, Asker who) {
        ShotRow asked = store.get(ShotRow.class, shotId);
        steps.make(asked.projectId, edit.words() + " " + store.get(CameraRow.class, asked.cameraId).name, who, () -> {
            // the shot may have been given another camera meanwhile
            ShotRow shot = store.get(ShotRow.class, shotId);
            edit(store.get(CameraRow.class, shot.cameraId), shot.actionOffset, edit);
            return null;
        });
    }

    /** Edits a camera by itself: its frames are the scene's action frames then. */
    public void ofCamera(long cameraId, CameraEdit edit, Asker who) {
        CameraRow asked = store.get(CameraRow.class, cameraId);
        steps.make(store.get(SceneRow.class, asked.sceneId).projectId, edit.words() + " " + asked.name, who, () -> {
            edit(store.get(CameraRow.class, cameraId), 0, edit);
            return null;
        });
    }

    private void edit(CameraRow row, long actionOffset, CameraEdit edit) {
        cameras.write(row, after(row, actionOffset, edit));
    }

    private Camera after(CameraRow row, long actionOffset, CameraEdit edit) {
        Camera camera = cameras.camera(row.id);
        if (camera.locked() && !edit.passesLock()) {
            throw locked(camera);
        }
        return edit.on(camera, new CameraSurroundings(store, cameras, stages, row, frame ->
                new Moment(Rational.of(frame), Rational.of(frame + actionOffset))));
    }

    /**
     * The camera of a shot as values would make it, without making it so.
     *
     * @throws freshsplice.core.refusal.Refusal as the edit itself would
     */
    @Transactional(readOnly = true)
    public Camera tried(long shotId, ValueEdit edit) {
        ShotRow shot = store.get(ShotRow.class, shotId);
        return after(store.get(CameraRow.class, shot.cameraId), shot.actionOffset, edit);
    }

    static Refused locked(Camera camera) {
        return new Refused("\"" + camera.name() + "\" is locked because it is finished: unlock it first");
    }

    /** Changes a camera by one of the core's edits, inside a step. */
    public void change(long cameraId, UnaryOperator<Camera> edit) {
        CameraRow row = store.get(CameraRow.class, cameraId);
        Camera camera = cameras.camera(cameraId);
        if (camera.locked()) {
            throw locked(camera);
        }
        cameras.write(row, edit.apply(camera));
    }
}
