package freshsplice.server.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.MotionLayer;
import freshsplice.core.camera.Viewpoint;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRate;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CameraLayerRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.MotionLayerRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.Store;
import freshsplice.server.rows.ViewpointRow;
import freshsplice.server.stages.edit.OnSet;
import freshsplice.server.stores.stages.CameraRows;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.function.LongFunction;
import java.util.stream.Collectors;

/** What edits of one camera find around it, read when they ask. */
final class CameraSurroundings implements OnSet {
    private final Store store;
    private final CameraStore cameras;
    private final StageStore stages;
    private final CameraRow row;
    private final LongFunction<Moment> clock;

    CameraSurroundings(Store store, CameraStore cameras, StageStore stages, CameraRow row, LongFunction<Moment> clock) {
        this.store = store;
        this.cameras = cameras;
        this.stages = stages;
        this.row = row;
        this.clock = clock;
    }

    @Override
    public Stage stage() {
        return stages.stage(row.sceneId);
    }

    @Override
    public Moment moment(long frame) {
        return clock.apply(frame);
    }

    @Override
    public FrameRate rate() {
        return store.get(ProjectRow.class, store.get(SceneRow.class, row.sceneId).projectId).rate;
    }

    @Override
    public Viewpoint viewpoint(long id) {
        ViewpointRow kept = store.get(ViewpointRow.class, id);
        if (kept.sceneId != row.sceneId) {
            throw new Refused("\"" + kept.name + "\" is a viewpoint of another scene");
        }
        return Viewpoints.viewpoint(kept);
    }

    @Override
    public MotionLayer layer(long id) {
        MotionLayerRow layer = store.get(MotionLayerRow.class, id);
        if (layer.sceneId != row.sceneId) {
            throw new Refused("\"" + layer.name + "\" is a motion layer of another scene");
        }
        return CameraRows.layer(layer);
    }

    @Override
    public MotionLayer newLayer(MotionLayer wanted) {
        MotionLayerRow layer = new MotionLayerRow();
        layer.sceneId = row.sceneId;
        CameraRows.fill(layer, wanted);
        return CameraRows.layer(store.add(layer));
    }

    @Override
    public void reshape(MotionLayer layer) {
        cameras.some(store.where(CameraLayerRow.class, "layerId", layer.id()).stream().map(u -> u.cameraId).collect(Collectors.toSet()))
                .values().stream().filter(Camera::locked).findFirst().ifPresent(other -> {
                    throw new Refused("\"" + layer.name() + "\" is shared with \"" + other.name()
                            + "\", which is locked: unlock that first, or lay a layer of its own over this one");
                });
        CameraRows.fill(store.get(MotionLayerRow.class, layer.id()), layer);
    }
}
