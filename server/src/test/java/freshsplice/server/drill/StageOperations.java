package freshsplice.server.drill;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;

/** Cameras worked on, things of the set, shots and scenes. */
final class StageOperations {
    private static final List<String> CHANNELS = List.of("x", "y", "z", "pan", "tilt", "roll", "lens", "focus", "stop");

    private StageOperations() {
    }

    static List<Operation> all() {
        return List.of(new EditCamera(), new EditCamera(), new EditSet(), new EditShot(), new FilmWith(), new Scenes());
    }

    private static double[] placed(Dice dice) {
        double[] placed = {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, dice.near(0, 6), dice.near(2, 1.5), dice.near(4, 6), 1};
        return placed;
    }

    private static long frame(JsonNode stage, Dice dice) {
        return dice.between(stage.get("first").asLong(), stage.get("last").asLong());
    }

    private static List<Map<String, Object>> keys(JsonNode stage, Dice dice) {
        List<Map<String, Object>> all = new ArrayList<>();
        stage.get("channels").properties().forEach(channel -> channel.getValue().forEach(key ->
                all.add(Map.of("channel", channel.getKey(), "frame", key.get("frame").asLong()))));
        return all.isEmpty() ? List.of(Map.of("frame", frame(stage, dice))) : dice.once(3) ? all : List.of(dice.of(all));
    }

    private static Long item(JsonNode stage, Dice dice) {
        return dice.of(stage.get("items")).map(i -> i.get("id").asLong()).orElse(null);
    }

    static Map<String, Object> cameraEdit(JsonNode stage, Dice dice) {
        long frame = frame(stage, dice);
        Map<String, Object> edit = new TreeMap<>(Map.of("frame", frame, "placed", placed(dice), "reach", dice.of("HERE", "ALL_KEYS", "WHOLE"),
                "keepAim", dice.once(2), "by", dice.between(-9, 9), "throughout", dice.once(2), "x", 0, "y", dice.near(1, 1), "z", 0, "lag", dice.below(4)));
        edit.put("item", item(stage, dice));
        edit.put("keys", keys(stage, dice));
        String kind = dice.of("SET", "SET", "FILM_FROM", "KEY", "KEY", "REMOVE_KEYS", "MOVE_KEYS", "SCALE_KEYS", "EASE_KEYS", "AIM", "FOCUS_ON",
                "MOUNT", "FREE", "LOCK", "BACK", "LAYER_ADD", "LAYER_SHARE", "LAYER_CHANGE", "LAYER_RESHAPE", "LAYER_REMOVE", "MOVE_THROUGH",
                "RENAME", "KEEP_SIZE", "CLEAR");
        edit.put("kind", kind);
        Optional<JsonNode> layer = dice.of(stage.get("layers"));
        layer.ifPresent(l -> edit.put("use", l.get("use").asLong()));
        switch (kind) {
            case "SET" -> edit.put("values", Map.of(dice.of(CHANNELS), dice.near(20, 18)));
            case "LOCK" -> edit.put("locked", dice.once(3));
            case "BACK" -> edit.putAll(Map.of("width", dice.near(25, 9), "height", dice.near(15, 4)));
            case "SCALE_KEYS" -> edit.putAll(Map.of("pivot", frame, "factor", dice.of("3/2", "1/2", "2")));
            case "EASE_KEYS" -> edit.put("leaving", dice.of("EASED", "STRAIGHT", "THROUGH", "STEPPED", "SPRING 12 0.3"));
            case "LAYER_ADD" -> edit.putAll(Map.of("name", "jolt", "sway", "JOLT 6 0.15", "amounts", Map.of("y", 0.1), "from", frame, "frames", 12));
            case "LAYER_SHARE" -> {
                dice.of(stage.get("sceneLayers")).ifPresent(l -> edit.put("layer", l.get("layer").asLong()));
                edit.putAll(Map.of("from", frame, "frames", 12));
            }
            case "LAYER_CHANGE" -> edit.putAll(Map.of("from", frame, "strength", dice.near(1, 1)));
            case "LAYER_RESHAPE" -> edit.put("amounts", Map.of("tilt", dice.near(0, 2)));
            case "MOVE_THROUGH" -> edit.putAll(Map.of("from", stage.get("first").asLong(), "stops", World.list(stage.get("viewpoints")).stream()
                    .map(v -> Map.of("viewpoint", v.get("id").asLong(), "frames", 10, "halt", false)).toList()));
            case "RENAME" -> edit.put("name", "cam " + dice.below(99));
            case "KEEP_SIZE" -> edit.putAll(Map.of("metres", dice.near(6, 3), "lens", dice.near(50, 20)));
            default -> { }
        }
        return edit;
    }

    /** Shots that are filmed by a camera, or by one that shares a layer with it: all of those of its scene, where it has a layer. */
    private static Touched filmedBy(World world, JsonNode stage) {
        boolean shares = !stage.get("sceneLayers").isEmpty() || !stage.get("layers").isEmpty();
        Set<Long> shots = new HashSet<>();
        for (long shot : world.shots()) {
            JsonNode other = world.stage(shot);
            if (other.get("cameraId").equals(stage.get("cameraId")) || shares && other.get("sceneId").equals(stage.get("sceneId"))) {
                shots.add(shot);
            }
        }
        return Touched.shots(shots);
    }

    private static Touched inScene(World world, JsonNode stage) {
        Set<Long> shots = new HashSet<>();
        world.shots().stream().filter(shot -> world.stage(shot).get("sceneId").equals(stage.get("sceneId"))).forEach(shots::add);
        return Touched.shots(shots);
    }

    static final class EditCamera implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            return world.anyStage(dice).map(stage -> {
                who.post("/api/shots/" + stage.get("shotId").asLong() + "/camera/edits", cameraEdit(stage, dice));
                return filmedBy(world, stage);
            }).orElse(Touched.NOTHING);
        }
    }

    static final class EditSet implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            return world.anyStage(dice).map(stage -> {
                who.post("/api/scenes/" + stage.get("sceneId").asLong() + "/edits", setEdit(stage, dice));
                return inScene(world, stage);
            }).orElse(Touched.NOTHING);
        }

        private static Map<String, Object> setEdit(JsonNode stage, Dice dice) {
            String kind = dice.of("ADD", "ADD", "PLACE", "MOVE", "MOVE", "KEY", "REMOVE_KEYS", "MOVE_KEYS", "LOOK", "GROUP", "HIDE", "LOCK", "DUPLICATE",
                    "REMOVE", "ADD_CAMERA", "COPY_CAMERA", "SET_CAMERAS", "REMOVE_CAMERA", "KEEP_VIEWPOINT", "REMOVE_VIEWPOINT", "RENAME_VIEWPOINT");
            long frame = dice.between(0, 120);
            Map<String, Object> edit = Fields.of("kind", kind, "frame", frame, "from", frame, "to", frame + dice.between(-5, 5),
                    "x", dice.near(0, 4), "y", 0, "z", dice.near(-4, 4), "turn", dice.near(0, 90), "placed", placed(dice), "lens", dice.near(35, 15), "focus", 4);
            Long item = item(stage, dice);
            edit.put("items", item == null ? List.of() : List.of(item));
            edit.put("name", dice.once(2) ? null : "thing " + dice.below(99));
            edit.put("shape", dice.of("BLOCK", "TIDE_POLE", "GATE", "BICYCLE", "PERSON"));
            edit.put("hidden", dice.once(2));
            edit.put("locked", dice.once(3));
            edit.put("colour", String.format("#%06x", dice.below(0x1000000)));
            if (item != null) {
                edit.put("places", List.of(Map.of("id", item, "values", Map.of("x", dice.near(0, 5)))));
            }
            dice.of(stage.get("viewpoints")).ifPresent(v -> edit.put("viewpoint", v.get("id").asLong()));
            dice.of(stage.get("cameras")).map(c -> c.get("id").asLong()).ifPresent(c -> {
                edit.put("camera", c);
                edit.put("cameras", List.of(c));
                edit.put("values", Map.of("lens", dice.near(40, 20)));
            });
            return edit;
        }
    }

    static final class EditShot implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            return world.anyStage(dice).map(stage -> {
                long shot = stage.get("shotId").asLong();
                Map<String, Object> edit = dice.once(2) ? Map.of("kind", "PLACE_ON_ACTION", "action", dice.between(0, 150))
                        : Map.of("kind", "FIT_BOARD", "filled", dice.once(2), "scale", dice.near(1, 0.5), "right", 0.1, "up", 0, "cropLeft", 0, "cropRight",
                                0.1, "cropTop", 0, "cropBottom", 0, "all", dice.once(2));
                who.post("/api/shots/" + shot + "/edits", edit);
                // what a camera rides on stands elsewhere at another action frame
                return Touched.shots(Set.of(shot));
            }).orElse(Touched.NOTHING);
        }
    }

    static final class FilmWith implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            return world.anyStage(dice).map(stage -> {
                String camera = dice.once(3) ? "" : dice.of(stage.get("cameras")).map(c -> "?camera=" + c.get("id").asLong()).orElse("");
                who.post("/api/shots/" + stage.get("shotId").asLong() + "/film-with" + camera, null);
                return Touched.shots(Set.of(stage.get("shotId").asLong()));
            }).orElse(Touched.NOTHING);
        }
    }

    static final class Scenes implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<JsonNode> scenes = World.list(world.looks().get(world.path("/scenes")));
            return world.anyStage(dice).map(stage -> {
                Map<String, Object> edit = new HashMap<>(Map.of("kind", dice.of("MOVE_SHOTS", "ADD", "RENAME", "REMOVE"), "shots",
                        List.of(stage.get("shotId").asLong()), "code", "s" + dice.below(99), "name", "scene " + dice.below(99)));
                edit.put("scene", dice.once(3) ? null : dice.of(scenes).get("id").asLong());
                who.post(world.path("/scenes/edits"), edit);
                return Touched.ALL_PICTURES;
            }).orElse(Touched.NOTHING);
        }
    }
}
