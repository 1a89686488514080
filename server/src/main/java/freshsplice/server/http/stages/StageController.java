package freshsplice.server.http.stages;

import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import freshsplice.render.Gltf;
import freshsplice.render.Shading;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Snapshot;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.http.MediaType;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The set as it is looked at: its shading, its things, and what of it a shot's camera films. */
@RestController
@RequestMapping("/api")
class StageController {
    /** Both parts of each shading program, without version lines. */
    record Program(String vertex, String fragment) {
    }

    record Looks(String digest) {
    }

    private static final long MOST_FRAMES = 20_000;

    private final Store store;
    private final StageStore stages;
    private final CameraStore cameras;
    private final StageViews views;
    private final Snapshot snapshot;

    StageController(Store store, StageStore stages, CameraStore cameras, StageViews views, Snapshot snapshot) {
        this.views = views;
        this.store = store;
        this.stages = stages;
        this.cameras = cameras;
        this.snapshot = snapshot;
    }

    @GetMapping("/shading")
    Map<String, Program> shading() {
        Map<String, Program> programs = new TreeMap<>();
        Shading.PROGRAMS.forEach(p -> programs.put(p, new Program(Shading.vertex(p), Shading.fragment(p))));
        return programs;
    }

    /** The meshes of a scene's items as binary glTF, one node an item, named by its id. */
    @GetMapping(value = "/scenes/{id}/meshes.glb", produces = "model/gltf-binary")
    @Transactional(readOnly = true)
    public byte[] meshes(@PathVariable long id) {
        Stage stage = stages.stage(id);
        DrawnSet set = DrawnSet.of(stage);
        Gltf gltf = new Gltf();
        for (int i = 0; i < set.meshes().size(); i++) {
            gltf.add(String.valueOf(stage.items().get(i).id()), set.meshes().get(i));
        }
        return gltf.bytes();
    }

    /** What tells the meshes of a scene from what they were: they are asked for again when it is another. */
    @GetMapping("/scenes/{id}/looks")
    @Transactional(readOnly = true)
    public Looks looks(@PathVariable long id) {
        StringBuilder looks = new StringBuilder();
        stages.stage(id).items().forEach(item -> looks.append(item.id()).append(item.geometry().parts()));
        return new Looks(Fingerprint.digest(looks.toString()));
    }

    @GetMapping("/shots/{id}/stage")
    @Transactional(readOnly = true)
    public StageView stage(@PathVariable long id) {
        return views.of(id);
    }

    /**
     * Movement baked frame by frame, little endian, whole numbers and floats of 32 bits each: frames, items, and how many of
     * those move; the indexes of those that move; for each frame its shot frame and its action frame; then floats: the places of
     * what stands (16 for every item, zeros for what moves); and for each frame lens, focus, T-stop and the circle of a point without end away (as a share of the width), view (16), projection (16), and the places of
     * what moves (16 each).
     */
    @GetMapping(value = "/shots/{id}/bake", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(type = "string", format = "binary")))
    public void bake(@PathVariable long id, @RequestParam(required = false) String from,
                     @RequestParam(defaultValue = "1") String speed, @RequestParam(required = false) Long frames,
                     @RequestParam(defaultValue = "") String retimeKeys, HttpServletResponse response) throws IOException {
        // read in one view of the database, worked out after it and sent as it is worked out
        Bake bake = snapshot.read(() -> bake(id, from, speed, frames, retimeKeys));
        response.setContentType(MediaType.APPLICATION_OCTET_STREAM_VALUE);
        response.setContentLengthLong(BakeBytes.length(bake));
        BakeBytes.write(bake, response.getOutputStream());
    }

    private Bake bake(long id, String from, String speed, Long frames, String retimeKeys) {
        ShotRow row = store.get(ShotRow.class, id);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Shot shot = MasterStore.shot(row);
        long count = frames == null ? shot.frames().length() : frames;
        if (count < 1 || count > MOST_FRAMES) {
            throw new Refused("Movement is baked for 1 to " + MOST_FRAMES + " frames at once, not " + count);
        }
        RenderRange range = new RenderRange(from == null ? Rational.of(shot.frames().in()) : Rational.parse(from),
                Rational.parse(speed), count, RetimeKey.parse(retimeKeys));
        return Bake.of(shot, cameras.camera(row.cameraId), stages.stage(row.sceneId), range,
                project.pictureWidth / (double) project.pictureHeight);
    }
}
