package freshsplice.server.demo;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.edit.Reach;
import freshsplice.core.camera.edit.SetValues;
import freshsplice.core.motion.Easing;
import freshsplice.server.masters.MasterEdits;
import freshsplice.server.masters.edit.PlaceEdit;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.stages.CameraEdits;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What the demo's layout artist did after the renders: two cameras moved, two seams tried elsewhere. */
@Component
class DemoEdits {
    private static final Asker LAYOUT = Asker.named("Layout");

    /** Places of the shots whose cameras were moved after they were rendered. */
    static final List<Integer> MOVED_AFTER = List.of(4, 11);

    private final MasterStore masters;
    private final MasterEdits edits;
    private final CameraEdits cameras;
    private final Steps steps;

    DemoEdits(MasterStore masters, MasterEdits edits, CameraEdits cameras, Steps steps) {
        this.edits = edits;
        this.masters = masters;
        this.cameras = cameras;
        this.steps = steps;
    }

    void goOn(long projectId, List<ShotRow> shots) {
        steps.make(projectId, "Lower the camera of sh0050", LAYOUT, () -> {
            cameras.change(shots.get(4).cameraId, camera -> SetValues.at(camera, shots.get(4).cutIn, Map.of(CameraChannel.Y, 0.7,
                    CameraChannel.LENS, 32.0), Reach.HERE, Easing.EASED));
            return null;
        });
        steps.make(projectId, "Longer lens on sh0120", LAYOUT, () -> {
            cameras.change(shots.get(11).cameraId, camera -> SetValues.at(camera, shots.get(11).cutOut - 1,
                    Map.of(CameraChannel.LENS, 40.0), Reach.HERE, Easing.EASED));
            return null;
        });
        MasterRow master = masters.of(projectId).orElseThrow();
        roll(master, 490, -9);
        roll(master, 879, 14);
    }

    /** @param at frames from the master's first */
    private void roll(MasterRow master, long at, long frames) {
        edits.make(master.id, PlaceEdit.Roll.of(master.recStart + at, frames), LAYOUT);
    }
}
