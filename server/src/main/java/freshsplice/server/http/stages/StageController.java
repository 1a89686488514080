package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.FocusRuler;
import freshsplice.core.camera.LookedAt;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Bend;
import freshsplice.core.motion.Easing;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Colour;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.time.Rational;
import freshsplice.render.Shading;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.StageEdits;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.StageStore;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The set of a shot, its camera and their keys. */
@RestController
@RequestMapping("/api")
class StageController {
    /** Keys at one frame. @param values by channel name, lower case */
    record SetKeys(long frame, Map<String, Double> values, @Schema(nullable = true, allowableValues = {"STRAIGHT", "EASED", "STEPPED"}) String easing) {
    }

    record RemoveKeys(long frame, List<String> channels) {
    }

    record MoveKeys(long from, long to) {
    }

    /** @param placed the scout view's place in the world, 16 numbers, columns first; @param lens mm */
    record FilmFrom(long frame, double[] placed, double lens) {
    }

    /** Null leaves a value as it is. */
    record ChangeCamera(@Schema(nullable = true) Double stop, @Schema(nullable = true) Double backWidth, @Schema(nullable = true) Double backHeight) {
    }

    record AddItem(String name, Shape shape, String colour, double width, double height, double depth, double x,
                   double y, double z, double turn) {
    }

    /** A new thing where a shot's camera looks. @param frame shot frame */
    record AddInView(@NotNull Shape shape, long frame) {
    }

    /** Both parts of each shading program, without version lines. */
    record Program(String vertex, String fragment) {
    }

    private static final long MOST_FRAMES = 20_000;
    private static final String NEW_COLOUR = "#9a8f7d";

    private final Store store;
    private final StageStore stages;
    private final StageEdits edits;
    private final Steps steps;
    private final ShotCameras cameras;
    private final TransactionTemplate transactions;

    StageController(Store store, StageStore stages, StageEdits edits, Steps steps,
                    ShotCameras cameras, TransactionTemplate transactions) {
        this.transactions = transactions;
        this.store = store;
        this.stages = stages;
        this.edits = edits;
        this.steps = steps;
        this.cameras = cameras;
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
        return GltfWriter.write(stages.stage(id));
    }

    @GetMapping("/shots/{id}/stage")
    @Transactional(readOnly = true)
    public StageView stage(@PathVariable long id) {
        ShotRow row = store.get(ShotRow.class, id);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Shot shot = MasterStore.shot(row);
        Camera camera = stages.camera(row.cameraId);
        Map<String, Double> plain = new TreeMap<>();
        for (CameraChannel channel : CameraChannel.values()) {
            plain.put(channel.word(), channel.plain());
        }
        return new StageView(id, row.code, row.sceneId, camera.name(), row.cutIn, row.cutOut - 1, shot.frames().in(),
                shot.frames().last(), row.actionOffset, camera.back().widthMm(), camera.back().heightMm(),
                camera.tStop(), project.pictureWidth, project.pictureHeight, KeyViews.of(camera), plain,
                stages.stage(row.sceneId).items().stream().map(KeyViews::of).toList(), row.cameraId,
                cameras.choices(row.sceneId));
    }

    /** Films a shot with another camera of its scene; without one, with a new one that begins as a copy of this. */
    @PostMapping("/shots/{id}/film-with")
    void filmWith(@PathVariable long id, @RequestParam(required = false) Long camera, Asker who) {
        cameras.filmWith(id, camera, who);
    }

    /**
     * Movement baked frame by frame, little endian, whole numbers and floats of 32 bits each: frames, items, and how many of
     * those move; the indexes of those that move; for each frame its shot frame and its action frame; then floats: the places of
     * what stands (16 for every item, zeros for what moves); and for each frame lens and focus, view (16), projection (16), and the places of
     * what moves (16 each).
     */
    @GetMapping(value = "/shots/{id}/bake", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(type = "string", format = "binary")))
    public void bake(@PathVariable long id, @RequestParam(required = false) String from,
                     @RequestParam(defaultValue = "1") String speed, @RequestParam(required = false) Long frames,
                     @RequestParam(defaultValue = "") String bends, HttpServletResponse response) throws IOException {
        // read in one view of the database, worked out after it and sent as it is worked out
        Bake bake = transactions.execute(status -> bake(id, from, speed, frames, bends));
        response.setContentType(MediaType.APPLICATION_OCTET_STREAM_VALUE);
        response.setContentLengthLong(BakeBytes.length(bake));
        BakeBytes.write(bake, response.getOutputStream());
    }

    private Bake bake(long id, String from, String speed, Long frames, String bends) {
        ShotRow row = store.get(ShotRow.class, id);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Shot shot = MasterStore.shot(row);
        long count = frames == null ? shot.frames().length() : frames;
        if (count < 1 || count > MOST_FRAMES) {
            throw new Refused("Movement is baked for 1 to " + MOST_FRAMES + " frames at once, not " + count);
        }
        RenderRange range = new RenderRange(from == null ? Rational.of(shot.frames().in()) : Rational.parse(from),
                Rational.parse(speed), count, Bend.parse(bends));
        return Bake.of(shot, stages.camera(row.cameraId), stages.stage(row.sceneId), range,
                project.pictureWidth / (double) project.pictureHeight);
    }

    @GetMapping("/shots/{id}/focus")
    @Transactional(readOnly = true)
    public FocusRuler focus(@PathVariable long id, @RequestParam long frame) {
        ShotRow row = store.get(ShotRow.class, id);
        Rational position = Rational.of(frame);
        return FocusRuler.of(stages.camera(row.cameraId), stages.stage(row.sceneId), position,
                MasterStore.shot(row).actionAt(position));
    }

    @PostMapping("/shots/{id}/keys")
    void setKeys(@PathVariable long id, @Valid @RequestBody SetKeys keys, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Key " + String.join(", ", keys.values().keySet()) + " of " + row.code + " at "
                + keys.frame(), who, () -> {
            edits.keyCamera(cameraOf(id), keys.frame(), cameraChannels(keys.values()), easing(keys.easing()));
            return null;
        });
    }

    /** Keys everything of the camera as it is at a frame. */
    @PostMapping("/shots/{id}/keys/here")
    void keyHere(@PathVariable long id, @RequestParam long frame, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Key the camera of " + row.code + " at " + frame, who, () -> {
            long camera = cameraOf(id);
            edits.keyCamera(camera, frame, values(stages.camera(camera), frame), Easing.EASED);
            return null;
        });
    }

    /** The camera that a shot has once its step holds the project: somebody may have given it another one meanwhile. */
    private long cameraOf(long shotId) {
        return store.get(ShotRow.class, shotId).cameraId;
    }

    /** What the camera is at a frame: the numbers beside its picture. */
    @GetMapping("/shots/{id}/camera")
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

    @PostMapping("/shots/{id}/keys/remove")
    void removeKeys(@PathVariable long id, @Valid @RequestBody RemoveKeys remove, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Remove keys of " + row.code + " at " + remove.frame(), who, () -> {
            edits.unkeyCamera(cameraOf(id), remove.frame(), remove.channels().stream()
                    .map(StageController::cameraChannel).toList());
            return null;
        });
    }

    /** Puts the shot's camera where the scout view is. */
    @PostMapping("/shots/{id}/film-from")
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

    @PostMapping("/shots/{id}/camera")
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

    @PostMapping("/items/{id}/keys")
    void setItemKeys(@PathVariable long id, @Valid @RequestBody SetKeys keys, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Key " + item.name + " at action frame " + keys.frame(), who, () -> {
            edits.keyItem(id, keys.frame(), itemChannels(keys.values()), easing(keys.easing()));
            return null;
        });
    }

    /** Puts a thing somewhere: keyed at the action frame where it moves, throughout where it stands still. */
    @PostMapping("/items/{id}/place")
    void placeItem(@PathVariable long id, @Valid @RequestBody SetKeys keys, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Place " + item.name, who, () -> {
            edits.placeItem(id, keys.frame(), itemChannels(keys.values()), easing(keys.easing()));
            return null;
        });
    }

    /** Keys everything of a thing as it is at an action frame. */
    @PostMapping("/items/{id}/keys/here")
    void keyItemHere(@PathVariable long id, @RequestParam long frame, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Key " + item.name + " at action frame " + frame, who, () -> {
            edits.keyItem(id, frame, values(stages.item(id), frame), Easing.EASED);
            return null;
        });
    }

    /** What a thing is at an action frame. */
    @GetMapping("/items/{id}/values")
    @Transactional(readOnly = true)
    public Map<String, Double> item(@PathVariable long id, @RequestParam long frame) {
        Map<String, Double> words = new TreeMap<>();
        values(stages.item(id), frame).forEach((c, v) -> words.put(c.word(), v));
        return words;
    }

    private static Map<ItemChannel, Double> values(Item item, long frame) {
        Map<ItemChannel, Double> values = new EnumMap<>(ItemChannel.class);
        for (ItemChannel channel : ItemChannel.values()) {
            if (channel != ItemChannel.SHOWN) {
                values.put(channel, item.value(channel, Rational.of(frame)));
            }
        }
        return values;
    }

    /** All keys of a shot's camera at one frame go to another. */
    @PostMapping("/shots/{id}/keys/move")
    void moveKeys(@PathVariable long id, @Valid @RequestBody MoveKeys move, Asker who) {
        ShotRow row = store.get(ShotRow.class, id);
        steps.make(row.projectId, "Move keys of " + row.code + " from " + move.from() + " to " + move.to(), who,
                () -> moved(edits.moveCameraKeys(cameraOf(id), move.from(), move.to()), move));
    }

    /** All keys of a thing at one action frame go to another. */
    @PostMapping("/items/{id}/keys/move")
    void moveItemKeys(@PathVariable long id, @Valid @RequestBody MoveKeys move, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Move keys of " + item.name + " from " + move.from() + " to " + move.to(),
                who, () -> moved(edits.moveItemKeys(id, move.from(), move.to()), move));
    }

    private static Object moved(boolean any, MoveKeys move) {
        if (!any) {
            throw new Refused("There is no key at frame " + move.from() + " any more");
        }
        return null;
    }

    @PostMapping("/items/{id}/keys/remove")
    void removeItemKeys(@PathVariable long id, @RequestParam long frame, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Remove keys of " + item.name + " at action frame " + frame, who, () -> {
            edits.unkeyItem(id, frame);
            return null;
        });
    }

    @PostMapping("/scenes/{id}/items")
    long addItem(@PathVariable long id, @Valid @RequestBody AddItem add, Asker who) {
        SceneRow scene = store.get(SceneRow.class, id);
        Colour.of(add.colour());
        new Item(0, "", add.shape(), add.colour(), add.width(), add.height(), add.depth(), Map.of());
        String name = add.name() == null || add.name().isBlank() ? add.shape().word() : add.name().strip();
        return steps.make(scene.projectId, "Put " + name + " in the set", who, () -> {
            ItemRow row = new ItemRow();
            row.sceneId = id;
            row.place = stages.items(id).size();
            row.name = name.substring(0, Math.min(200, name.length()));
            row.shape = add.shape();
            row.colour = add.colour();
            row.width = add.width();
            row.height = add.height();
            row.depth = add.depth();
            return edits.addItem(row, add.x(), add.y(), add.z(), add.turn()).id;
        });
    }

    /** Puts a thing on the ground where a shot's camera looks. */
    @PostMapping("/shots/{id}/items")
    long addItemInView(@PathVariable long id, @Valid @RequestBody AddInView add, Asker who) {
        ShotRow shot = store.get(ShotRow.class, id);
        Camera camera = stages.camera(shot.cameraId);
        Rational frame = Rational.of(add.frame());
        double[] place = LookedAt.onGround(camera.at(frame).placed(), camera.value(CameraChannel.FOCUS, frame));
        return addItem(shot.sceneId, new AddItem("", add.shape(), NEW_COLOUR, 1, 1, 1, round(place[0]), 0, round(place[2]), 0),
                who);
    }

    /** To the centimetre: the place is a first one, and is read as a number. */
    private static double round(double metres) {
        return Math.round(metres * 100) / 100.0;
    }

    @PostMapping("/items/{id}/remove")
    void removeItem(@PathVariable long id, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Take " + item.name + " out of the set", who, () -> {
            edits.remove(store.get(ItemRow.class, id));
            return null;
        });
    }

    private long projectOf(ItemRow item) {
        return store.get(SceneRow.class, item.sceneId).projectId;
    }

    private static Easing easing(String given) {
        return given == null ? Easing.EASED : Easing.parse(given);
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

    private static Map<ItemChannel, Double> itemChannels(Map<String, Double> values) {
        return values.entrySet().stream().collect(Collectors.toMap(e -> {
            try {
                return ItemChannel.valueOf(e.getKey().toUpperCase(Locale.ROOT));
            } catch (IllegalArgumentException wrong) {
                throw new Refused("An item has no \"" + e.getKey() + "\" to key");
            }
        }, Map.Entry::getValue));
    }
}
