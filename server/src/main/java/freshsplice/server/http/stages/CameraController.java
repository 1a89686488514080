package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.FocusRuler;
import freshsplice.core.motion.Easing;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.StageEdits;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.StageStore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A shot's camera: its keys, where it films from, its stop and back. */
@RestController
@RequestMapping("/api/shots")
class CameraController {
    /** @param placed the scout view's place in the world, 16 numbers, columns first; @param lens mm */
    record FilmFrom(long frame, double[] placed, double lens) {
    }

    /** Null leaves a value as it is. */
    record ChangeCamera(@Schema(nullable = true) Double stop, @Schema(nullable = true) Double backWidth, @Schema(nullable = true) Double backHeight) {
    }

    private final Store store;
    private final StageStore stages;
    private final StageEdits edits;
    private final Steps steps;
    private final ShotCameras cameras;

    CameraController(Store store, StageStore stages, StageEdits edits, Steps steps, ShotCameras cameras) {
        this.store = store;
        this.stages = stages;
        this.edits = edits;
        this.steps = steps;
        this.cameras = cameras;
    }

    /** Films a shot with another camera of its scene; without one, with a new one that begins as a copy of this. */
    @PostMapping("/{id}/film-with")
    void filmWith(@PathVariable long id, @RequestParam(required = false) Long camera, Asker who) {
        cameras.filmWith(id, camera, who);
    }

    @GetMapping("/{id}/focus")
    @Transactional(readOnly = true)
    public FocusRuler focus(@PathVariable long id, @RequestParam long frame) {
        ShotRow row = store.get(ShotRow.class, id);
        Rational position = Rational.of(frame);
        return FocusRuler.of(stages.camera(row.cameraId), stages.stage(row.sceneId), position,
                MasterStore.shot(row).actionAt(position));
    }

    @PostMapping("/{id}/keys")
    void setKeys(@PathVariable long id, @Valid @RequestBody KeyRequests.SetKeys keys, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Key " + String.join(", ", keys.values().keySet()) + " of " + row.code + " at "
                + keys.frame(), who, () -> {
            edits.keyCamera(cameraOf(id), keys.frame(), cameraChannels(keys.values()), KeyRequests.easing(keys.easing()));
            return null;
        });
    }

    /** Keys everything of the camera as it is at a frame. */
    @PostMapping("/{id}/keys/here")
    void keyHere(@PathVariable long id, @RequestParam long frame, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Key the camera of " + row.code + " at " + frame, who, () -> {
            long camera = cameraOf(id);
            edits.keyCamera(camera, frame, values(stages.camera(camera), frame), Easing.EASED);
            return null;
        });
    }

    /** What the camera is at a frame: the numbers beside its picture. */
    @GetMapping("/{id}/camera")
    @Transactional(readOnly = true)
    public Map<String, Double> camera(@PathVariable long id, @RequestParam long frame) {
        Map<String, Double> words = new TreeMap<>();
        values(stages.camera(store.get(ShotRow.class, id).cameraId), frame).forEach((c, v) -> words.put(c.word(), v));
        return words;
    }

    private static Map<CameraChannel, Double> values(Camera camera, long frame) {
        Map<CameraChannel, Double> values = new EnumMap<>(CameraChannel.class);
        for (CameraChannel channel : CameraChannel.values()) {
            values.put(channel, camera.value(channel, Rational.of(frame)));
        }
        return values;
    }

    @PostMapping("/{id}/keys/remove")
    void removeKeys(@PathVariable long id, @Valid @RequestBody KeyRequests.RemoveKeys remove, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Remove keys of " + row.code + " at " + remove.frame(), who, () -> {
            edits.unkeyCamera(cameraOf(id), remove.frame(), remove.channels().stream()
                    .map(CameraController::cameraChannel).toList());
            return null;
        });
    }

    /** All keys of a shot's camera at one frame go to another. */
    @PostMapping("/{id}/keys/move")
    void moveKeys(@PathVariable long id, @Valid @RequestBody KeyRequests.MoveKeys move, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Move keys of " + row.code + " from " + move.from() + " to " + move.to(), who,
                () -> KeyRequests.moved(edits.moveCameraKeys(cameraOf(id), move.from(), move.to()), move));
    }

    /** Puts the shot's camera where the scout view is. */
    @PostMapping("/{id}/film-from")
    void filmFrom(@PathVariable long id, @Valid @RequestBody FilmFrom from, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Film " + row.code + " from the scout view", who, () -> {
            ShotRow shot = store.get(ShotRow.class, id);
            Camera camera = stages.camera(shot.cameraId);
            CameraPose pose = CameraPose.of(from.placed(), from.lens(),
                    camera.value(CameraChannel.FOCUS, Rational.of(from.frame())));
            // the first place of a camera holds for the whole shot, so it is keyed at the shot's first frame
            long frame = camera.isStaged() ? from.frame() : shot.cutIn;
            edits.keyCamera(shot.cameraId, frame, new EnumMap<>(Map.of(CameraChannel.X, pose.x(), CameraChannel.Y, pose.y(),
                    CameraChannel.Z, pose.z(), CameraChannel.PAN, pose.pan(), CameraChannel.TILT, pose.tilt(),
                    CameraChannel.ROLL, pose.roll(), CameraChannel.LENS, pose.lens())), Easing.EASED);
            return null;
        });
    }

    @PostMapping("/{id}/camera")
    void changeCamera(@PathVariable long id, @Valid @RequestBody ChangeCamera change, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Change the camera of " + row.code, who, () -> {
            CameraRow camera = store.get(CameraRow.class, cameraOf(id));
            camera.stop = change.stop() == null ? camera.stop : change.stop();
            camera.backWidth = change.backWidth() == null ? camera.backWidth : change.backWidth();
            camera.backHeight = change.backHeight() == null ? camera.backHeight : change.backHeight();
            new Camera(camera.name, new FilmBack(camera.backWidth, camera.backHeight), camera.stop, Map.of());
            return null;
        });
    }

    /** The camera that a shot has once its step holds the project: somebody may have given it another one meanwhile. */
    private long cameraOf(long shotId) {
        return store.get(ShotRow.class, shotId).cameraId;
    }

    private static Map<CameraChannel, Double> cameraChannels(Map<String, Double> values) {
        return values.entrySet().stream().collect(Collectors.toMap(e -> cameraChannel(e.getKey()), Map.Entry::getValue));
    }

    private static CameraChannel cameraChannel(String name) {
        try {
            return CameraChannel.valueOf(name.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new Refused("A camera has no \"" + name + "\" to key");
        }
    }
}
