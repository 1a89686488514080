package freshsplice.server.demo;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.motion.Easing;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.masters.SeamMoves;
import freshsplice.server.stages.StageEdits;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ShotRow;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What the demo's layout artist did after the renders: two cameras moved, two seams tried elsewhere. */
@Component
class DemoEdits {
    private final MasterStore masters;
    private final SeamMoves seams;
    private final StageEdits stage;
    private final Steps steps;

    DemoEdits(MasterStore masters, SeamMoves seams, StageEdits stage, Steps steps) {
        this.seams = seams;
        this.masters = masters;
        this.stage = stage;
        this.steps = steps;
    }

    void goOn(long projectId, List<ShotRow> shots) {
        steps.make(projectId, "Lower the camera of sh0050", "Layout", () -> {
            stage.keyCamera(shots.get(4).cameraId, shots.get(4).cutIn, Map.of(CameraChannel.Y, 0.7,
                    CameraChannel.LENS, 32.0), Easing.EASED);
            return null;
        });
        steps.make(projectId, "Longer lens on sh0120", "Layout", () -> {
            stage.keyCamera(shots.get(11).cameraId, shots.get(11).cutOut - 1, Map.of(CameraChannel.LENS, 40.0),
                    Easing.EASED);
            return null;
        });
        MasterRow master = masters.of(projectId).orElseThrow();
        seams.move(projectId, master.id, master.recStart + 490, -9, "Layout");
        seams.move(projectId, master.id, master.recStart + 879, 14, "Layout");
    }
}
