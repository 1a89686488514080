package freshsplice.server.demo;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.edit.Reach;
import freshsplice.core.camera.edit.SetValues;
import freshsplice.core.motion.Easing;
import freshsplice.demo.LowWater;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.CameraEdits;
import freshsplice.server.stages.SetEdits;
import freshsplice.server.stages.edit.KeepEdit;
import freshsplice.server.stages.edit.LayerEdit;
import freshsplice.server.stages.edit.SetEdit;
import freshsplice.server.stages.edit.TieEdit;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Camera work beyond keys at two ends: a ride with a jolt, a focus that stays on its subject, drift, locks, viewpoints. */
@Component
class DemoCameras {
    private static final Asker LAYOUT = Asker.named("Layout");
    private static final String RIDER = "postwoman riding";
    /** Places of shots: the ride, the long lens, the high view, and those that are finished. */
    private static final int RIDE = 7;
    private static final int LONG = 8;
    private static final int HIGH = 3;
    private static final List<Integer> FINISHED = List.of(0, 1);

    private final Store store;
    private final CameraEdits cameras;
    private final SetEdits set;
    private final Steps steps;

    DemoCameras(Store store, CameraEdits cameras, SetEdits set, Steps steps) {
        this.store = store;
        this.cameras = cameras;
        this.set = set;
        this.steps = steps;
    }

    void work(long projectId, List<ShotRow> shots) {
        SceneRow scene = store.where(SceneRow.class, "projectId", projectId).get(0);
        long rider = store.where(ItemRow.class, "sceneId", scene.id).stream().filter(i -> i.name.equals(RIDER)).findFirst().orElseThrow().id;
        ride(projectId, shots.get(RIDE), rider);
        cameras.ofShot(shots.get(LONG).id, new TieEdit.FocusOn(shots.get(LONG).cutIn, rider, 0, 1.2, 0), LAYOUT);
        cameras.ofShot(shots.get(HIGH).id, new LayerEdit.Add("sea wind", "DRIFT 60 12", Map.of("x", 0.05, "y", 0.04, "pan", 0.25, "roll",
                0.3), shots.get(HIGH).cutIn, shots.get(HIGH).cutOut - shots.get(HIGH).cutIn), LAYOUT);
        FINISHED.forEach(i -> cameras.ofShot(shots.get(i).id, new KeepEdit.Lock(true), LAYOUT));
        keep(scene.id, "the whole causeway", new double[] {-6, 14, 40}, new double[] {60, 0, 0}, 28);
        keep(scene.id, "from the tide pole", new double[] {38, 1.4, 6.5}, new double[] {70, 1, 0}, 35);
        keep(scene.id, "over the wall", new double[] {96, 2.6, 7}, new double[] {80, 0.8, 0}, 50);
        keep(scene.id, "at the lighthouse", new double[] {120, 3, 16}, new double[] {156, 8, -18}, 40);
    }

    /** The camera rides along: it is set where it begins, mounted there, and jolted by the stones of the road. */
    private void ride(long projectId, ShotRow shot, long rider) {
        LowWater.Shot drawn = LowWater.shots().get(RIDE);
        Map<CameraChannel, Double> begin = DemoProject.pose(drawn.from(), drawn.aim(), drawn.lens());
        steps.make(projectId, "Begin the ride of " + shot.code, LAYOUT, () -> {
            cameras.change(shot.cameraId, camera -> SetValues.at(camera, shot.cutIn, begin, Reach.WHOLE, Easing.EASED));
            return null;
        });
        cameras.ofShot(shot.id, new TieEdit.Mount(shot.cutIn, rider, true), LAYOUT);
        cameras.ofShot(shot.id, new LayerEdit.Add("road stone", "JOLT 7 0.12", Map.of("y", 0.03, "tilt", 0.9, "roll", 0.5),
                shot.cutIn + 30, 36L), LAYOUT);
    }

    private void keep(long sceneId, String name, double[] from, double[] aim, double lens) {
        double[] turned = LowWater.look(from, aim);
        CameraPose.Place place = new CameraPose.Place(from[0], from[1], from[2], turned[0], turned[1], 0);
        set.make(sceneId, new SetEdit.KeepViewpoint(null, name, place.matrix().toDoubles(), lens, 12.0), LAYOUT);
    }
}
