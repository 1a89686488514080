package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.FocusRuler;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.camera.edit.KeepSize;
import freshsplice.core.shot.Moment;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.CameraEdits;
import freshsplice.server.stages.edit.CameraEdit;
import freshsplice.server.stages.edit.ValueEdit;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import jakarta.validation.Valid;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Cameras: their edits, and what they are at a frame. */
@RestController
@RequestMapping("/api")
class CameraController {
    /**
     * What a camera is at a frame.
     *
     * @param keyed set or keyed values, by channel name: the numbers that are typed
     * @param pose  where it is in the world with all that it is tied to and shaken by, by channel name
     * @param placed the same place, 16 numbers, columns first
     */
    record Now(Map<String, Double> keyed, Map<String, Double> pose, double[] placed) {
    }

    /** @param metres the subject's new distance; @param placed where the camera would be, 16 numbers, columns first */
    record SameSize(double metres, double lens, double[] placed) {
    }

    private final Store store;
    private final StageStore stages;
    private final CameraStore cameras;
    private final CameraEdits edits;
    private final ShotCameras shotCameras;

    CameraController(Store store, StageStore stages, CameraStore cameras, CameraEdits edits, ShotCameras shotCameras) {
        this.store = store;
        this.stages = stages;
        this.cameras = cameras;
        this.edits = edits;
        this.shotCameras = shotCameras;
    }

    /** Edits the camera that films a shot; frames are that shot's. */
    @PostMapping("/shots/{id}/camera/edits")
    void editShotCamera(@PathVariable long id, @Valid @RequestBody CameraEdit edit, Asker who) {
        edits.ofShot(id, edit, who);
    }

    /** Edits a camera by itself; frames are the action's. */
    @PostMapping("/cameras/{id}/edits")
    void editCamera(@PathVariable long id, @Valid @RequestBody CameraEdit edit, Asker who) {
        edits.ofCamera(id, edit, who);
    }

    /** Films a shot with another camera of its scene; without one, with a new one that begins as a copy of this. */
    @PostMapping("/shots/{id}/film-with")
    void filmWith(@PathVariable long id, @RequestParam(required = false) Long camera, Asker who) {
        shotCameras.filmWith(id, camera, who);
    }

    /** The film backs that productions usually have. */
    @GetMapping("/film-backs")
    List<FilmBack.Preset> filmBacks() {
        return FilmBack.COMMON;
    }

    @GetMapping("/shots/{id}/focus")
    @Transactional(readOnly = true)
    public FocusRuler focus(@PathVariable long id, @RequestParam long frame) {
        ShotRow row = store.get(ShotRow.class, id);
        return FocusRuler.of(cameras.camera(row.cameraId), stages.stage(row.sceneId), MasterStore.shot(row).momentAt(Rational.of(frame)));
    }

    @GetMapping("/shots/{id}/camera")
    @Transactional(readOnly = true)
    public Now camera(@PathVariable long id, @RequestParam long frame) {
        ShotRow row = store.get(ShotRow.class, id);
        return now(row, cameras.camera(row.cameraId), frame);
    }

    /** What a shot's camera would be at a frame with other values, before they are taken. */
    @PostMapping("/shots/{id}/camera/try")
    @Transactional(readOnly = true)
    public Now tryCamera(@PathVariable long id, @RequestParam long frame, @Valid @RequestBody CameraEdit edit) {
        if (!(edit instanceof ValueEdit values)) {
            throw new Refused("Values are tried, nothing else");
        }
        return now(store.get(ShotRow.class, id), edits.tried(id, values), frame);
    }

    private Now now(ShotRow row, Camera camera, long frame) {
        Map<String, Double> keyed = new TreeMap<>();
        for (CameraChannel channel : CameraChannel.values()) {
            keyed.put(channel.word(), camera.keyed(channel, Rational.of(frame)));
        }
        CameraPose pose = PoseStack.of(camera, stages.stage(row.sceneId)).at(MasterStore.shot(row).momentAt(Rational.of(frame)));
        Map<String, Double> stands = new TreeMap<>();
        pose.place().values().forEach((channel, value) -> stands.put(channel.word(), value));
        stands.put(CameraChannel.LENS.word(), pose.lens());
        stands.put(CameraChannel.FOCUS.word(), pose.focus());
        stands.put(CameraChannel.STOP.word(), pose.stop());
        return new Now(keyed, stands, pose.placed().toDoubles());
    }

    /**
     * What another lens, or another distance, with the subject kept at its size would be, before it is taken.
     *
     * @param metres   the subject's distance now
     * @param distance the wanted one, for the lens that goes with it; without a lens
     */
    @GetMapping("/shots/{id}/keep-size")
    @Transactional(readOnly = true)
    public SameSize keepSize(@PathVariable long id, @RequestParam long frame, @RequestParam double metres,
                             @RequestParam(required = false) Double lens, @RequestParam(required = false) Double distance) {
        ShotRow row = store.get(ShotRow.class, id);
        Moment moment = MasterStore.shot(row).momentAt(Rational.of(frame));
        PoseStack stack = PoseStack.of(cameras.camera(row.cameraId), stages.stage(row.sceneId));
        if ((lens == null) == (distance == null)) {
            throw new Refused("Say a lens or a distance, not both");
        }
        KeepSize.Change change = lens != null ? KeepSize.forLens(stack, moment, metres, lens)
                : KeepSize.forDistance(stack, moment, metres, distance);
        return new SameSize(change.metres(), change.lens(), change.placed().toDoubles());
    }
}
