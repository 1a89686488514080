package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.LookedAt;
import freshsplice.core.motion.Easing;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.StageEdits;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.stages.StageStore;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
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

/** Things of the set: put there, placed, keyed, taken out. */
@RestController
@RequestMapping("/api")
class ThingController {
    record AddItem(String name, Shape shape, String colour, double width, double height, double depth, double x,
                   double y, double z, double turn) {
    }

    /** A new thing where a shot's camera looks. @param frame shot frame */
    record AddInView(@NotNull Shape shape, long frame) {
    }

    private static final String NEW_COLOUR = "#9a8f7d";

    private final Store store;
    private final StageStore stages;
    private final StageEdits edits;
    private final Steps steps;

    ThingController(Store store, StageStore stages, StageEdits edits, Steps steps) {
        this.store = store;
        this.stages = stages;
        this.edits = edits;
        this.steps = steps;
    }

    @PostMapping("/scenes/{id}/items")
    long addItem(@PathVariable long id, @Valid @RequestBody AddItem add, Asker who) {
        SceneRow scene = store.get(SceneRow.class, id);
        Geometry looks = new Geometry.Figure(add.shape(), add.colour());
        new Item(0, "", looks, add.width(), add.height(), add.depth(), Map.of());
        String name = add.name() == null || add.name().isBlank() ? looks.word() : add.name().strip();
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

    @PostMapping("/items/{id}/remove")
    void removeItem(@PathVariable long id, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Take " + item.name + " out of the set", who, () -> {
            edits.remove(store.get(ItemRow.class, id));
            return null;
        });
    }

    /** Puts a thing somewhere: keyed at the action frame where it moves, throughout where it stands still. */
    @PostMapping("/items/{id}/place")
    void placeItem(@PathVariable long id, @Valid @RequestBody KeyRequests.SetKeys keys, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Place " + item.name, who, () -> {
            edits.placeItem(id, keys.frame(), itemChannels(keys.values()), KeyRequests.easing(keys.easing()));
            return null;
        });
    }

    @PostMapping("/items/{id}/keys")
    void setItemKeys(@PathVariable long id, @Valid @RequestBody KeyRequests.SetKeys keys, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Key " + item.name + " at action frame " + keys.frame(), who, () -> {
            edits.keyItem(id, keys.frame(), itemChannels(keys.values()), KeyRequests.easing(keys.easing()));
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

    /** All keys of a thing at one action frame go to another. */
    @PostMapping("/items/{id}/keys/move")
    void moveItemKeys(@PathVariable long id, @Valid @RequestBody KeyRequests.MoveKeys move, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Move keys of " + item.name + " from " + move.from() + " to " + move.to(),
                who, () -> KeyRequests.moved(edits.moveItemKeys(id, move.from(), move.to()), move));
    }

    @PostMapping("/items/{id}/keys/remove")
    void removeItemKeys(@PathVariable long id, @RequestParam long frame, Asker who) {
        ItemRow item = store.get(ItemRow.class, id);
        steps.make(projectOf(item), "Remove keys of " + item.name + " at action frame " + frame, who, () -> {
            edits.unkeyItem(id, frame);
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

    private long projectOf(ItemRow item) {
        return store.get(SceneRow.class, item.sceneId).projectId;
    }

    /** To the centimetre: the place is a first one, and is read as a number. */
    private static double round(double metres) {
        return Math.round(metres * 100) / 100.0;
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
