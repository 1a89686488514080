package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.check.CameraMove;
import freshsplice.core.camera.check.Clearance;
import freshsplice.core.camera.check.InFrame;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Snapshot;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a shot's camera move is held against: its speed, its clearance, whether things stay in its frame. */
@RestController
@RequestMapping("/api/shots")
class MoveController {
    /**
     * A camera's move over its cut range.
     *
     * @param clearance metres to the nearest thing at each frame
     * @param things    name of that at each frame; empty for none
     * @param closest   frame at which it comes nearest
     * @param enough    metres under which a path is too close
     */
    record MoveView(CameraMove speed, double[] clearance, List<String> things, long closest, double enough) {
    }

    private record ShotOnSet(Shot shot, Camera camera, Stage stage, ProjectRow project) {
    }

    private final Store store;
    private final StageStore stages;
    private final CameraStore cameras;
    private final Snapshot snapshot;

    MoveController(Store store, StageStore stages, CameraStore cameras, Snapshot snapshot) {
        this.store = store;
        this.stages = stages;
        this.cameras = cameras;
        this.snapshot = snapshot;
    }

    @GetMapping("/{id}/move")
    MoveView move(@PathVariable long id) {
        // read in one view of the database, worked out after it
        ShotOnSet read = read(id);
        Clearance clearance = Clearance.of(read.shot, read.camera, read.stage);
        List<String> things = java.util.Arrays.stream(clearance.things())
                .mapToObj(t -> t < 0 ? "" : read.stage.items().get(t).name()).toList();
        return new MoveView(CameraMove.of(read.shot, read.camera, read.stage, read.project.rate), clearance.metres(), things,
                clearance.closest(), Clearance.ENOUGH);
    }

    /** Where chosen things leave the frame. @param part of the frame in which they should stay */
    @GetMapping("/{id}/in-frame")
    List<InFrame.Leaves> inFrame(@PathVariable long id, @RequestParam List<Long> things, @RequestParam(defaultValue = "1") double part) {
        ShotOnSet read = read(id);
        return InFrame.of(read.shot, read.camera, read.stage, things,
                read.project.pictureWidth / (double) read.project.pictureHeight, part);
    }

    private ShotOnSet read(long id) {
        return snapshot.read(() -> {
            ShotRow row = store.get(ShotRow.class, id);
            return new ShotOnSet(MasterStore.shot(row), cameras.camera(row.cameraId), stages.stage(row.sceneId),
                    store.get(ProjectRow.class, row.projectId));
        });
    }
}
