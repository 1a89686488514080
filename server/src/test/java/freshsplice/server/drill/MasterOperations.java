package freshsplice.server.drill;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;

/** Edits of masters, on every track. */
final class MasterOperations {
    private static final List<String> OF_CLIPS = List.of("HEAD", "TAIL", "SLIP", "SLIDE", "SPLIT", "JOIN", "LIFT", "EXTRACT", "DUPLICATE",
            "SWAP", "MOVE", "SWITCH", "REPLACE", "CUT_TO", "FORK", "COPY_UP", "LAY_DOWN", "NEST", "OPEN", "FILL", "FILL_GAP", "SPEED",
            "REVERSE", "HOLD", "KEY", "MOVE_KEY", "EASE_KEY", "REMOVE_KEY", "DISSOLVE", "FADE_OUT");
    private static final List<String> OF_PLACES = List.of("ROLL", "PUT", "PASTE", "CLEAR", "NEW_SHOT");
    private static final List<String> OF_TRACKS = List.of("TRACK_ADD", "TRACK_REMOVE", "TRACK_RENAME", "TRACK_SWITCH", "TRACK_LOCK", "TRACK_ORDER");

    private MasterOperations() {
    }

    static List<Operation> all() {
        return List.of(new EditClips(), new EditPlace(), new EditTrack(), new MoveSeam(), new Marker(), new Masters());
    }

    /** What many edits need, of a clip and a place in it. */
    private static Map<String, Object> usual(JsonNode master, JsonNode clip, Dice dice) {
        long length = clip.get("out").asLong() - clip.get("in").asLong();
        Map<String, Object> edit = new TreeMap<>(Map.of("frames", dice.between(-9, 9), "at", clip.get("in").asLong() + dice.below((int) Math.max(1, length)),
                "ripple", dice.once(2), "speed", dice.of("1/2", "2", "-1", "3/4", "24000/24024", "150 %", "0"),
                "easing", dice.of("STRAIGHT", "EASED", "STEPPED"), "curve", dice.of("EVEN", "EASED", "LATE", "EARLY"),
                "along", dice.of("ALL_TRACKS", "OWN_TRACK"), "soundStays", dice.once(2), "text", "N" + dice.below(1000)));
        if (!master.get("upper").isEmpty() && dice.once(2)) {
            edit.put("track", dice.of(master.get("upper")).orElseThrow().get("track").get("id").asLong());
        }
        return edit;
    }

    private static Touched ask(Person who, JsonNode master, Map<String, Object> edit, String kind) {
        edit.put("kind", kind);
        who.post("/api/masters/" + master.get("id").asLong() + "/edits", edit);
        // sound goes along with its picture
        return Touched.SOUND;
    }

    private static Map<String, Object> clip(World world, Dice dice) {
        String shows = dice.of("SHOT", "SHOT", "BLACK", "SLATE", "MASTER", "RENDER");
        Map<String, Object> clip = new HashMap<>(Map.of("shows", shows, "text", "words " + dice.below(100)));
        if (dice.once(2)) {
            clip.put("frames", dice.between(1, 40));
        }
        List<Long> ids = switch (shows) {
            case "SHOT" -> List.copyOf(world.shots());
            case "MASTER" -> world.masters();
            case "RENDER" -> World.list(world.looks().get(world.path("/renders"))).stream().filter(r -> r.get("state").asString().equals("DONE"))
                    .map(r -> r.get("id").asLong()).toList();
            default -> List.of();
        };
        if (!ids.isEmpty()) {
            clip.put("id", dice.of(ids));
        }
        return clip;
    }

    static final class EditClips implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            Optional<JsonNode> master = world.anyMaster(dice);
            List<JsonNode> clips = master.map(World::clips).orElse(List.of());
            if (clips.isEmpty()) {
                return Touched.NOTHING;
            }
            JsonNode clip = dice.of(clips);
            Map<String, Object> edit = usual(master.get(), clip, dice);
            edit.put("clips", dice.once(4) ? List.of(clip.get("id").asLong(), dice.of(clips).get("id").asLong())
                    : List.of(clip.get("id").asLong()));
            edit.put("clip", clip(world, dice));
            List<Long> shots = List.copyOf(world.shots());
            edit.put("shotId", shots.isEmpty() ? 0 : dice.of(shots));
            return ask(who, master.get(), edit, dice.of(OF_CLIPS));
        }
    }

    static final class EditPlace implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            Optional<JsonNode> master = world.anyMaster(dice);
            List<JsonNode> clips = master.map(World::clips).orElse(List.of());
            if (clips.isEmpty()) {
                return Touched.NOTHING;
            }
            String kind = dice.of(OF_PLACES);
            Map<String, Object> edit = usual(master.get(), dice.of(clips), dice);
            edit.put("clips", kind.equals("PASTE") ? List.of(dice.of(clips).get("id").asLong()) : List.of());
            edit.put("clip", clip(world, dice));
            if (kind.equals("CLEAR") || kind.equals("NEW_SHOT")) {
                edit.put("frames", dice.between(1, 30));
            }
            return ask(who, master.get(), edit, kind);
        }
    }

    static final class EditTrack implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            return world.anyMaster(dice).map(master -> {
                Map<String, Object> edit = new TreeMap<>(Map.of("clips", List.of(), "frames", dice.of(-1, 1), "text", "track " + dice.below(9)));
                edit.put("track", dice.of(master.get("upper")).map(u -> u.get("track")).orElse(master.get("main")).get("id").asLong());
                return ask(who, master, edit, dice.of(OF_TRACKS));
            }).orElse(Touched.NOTHING);
        }
    }

    static final class MoveSeam implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            Optional<JsonNode> master = world.anyMaster(dice);
            master.flatMap(m -> dice.of(m.get("seams"))).ifPresent(seam -> who.post("/api/masters/" + master.get().get("id").asLong() + "/seam",
                    Map.of("at", seam.get("at").asLong(), "frames", dice.between(-6, 6))));
            return Touched.SOUND;
        }
    }

    static final class Marker implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            world.anyMaster(dice).ifPresent(master -> {
                Optional<JsonNode> marker = dice.of(master.get("markers"));
                if (marker.isEmpty() || dice.once(2)) {
                    Map<String, Object> made = new HashMap<>(Map.of("at", master.get("masterStart").asLong() + dice.below(90), "frames", 1 + dice.below(9),
                            "words", "marker " + dice.below(99)));
                    dice.of(master.get("clips")).filter(s -> dice.once(2)).ifPresent(s -> made.put("clip", s.get("id").asLong()));
                    who.post("/api/masters/" + master.get("id").asLong() + "/markers", made);
                } else if (dice.once(2)) {
                    who.post("/api/markers/" + marker.get().get("id").asLong(), Map.of("words", "changed " + dice.below(99)));
                } else {
                    who.post("/api/markers/" + marker.get().get("id").asLong() + "/remove", null);
                }
            });
            return Touched.NOTHING;
        }
    }

    /** Masters begun, named, held against another cut, removed. */
    static final class Masters implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            Optional<JsonNode> master = world.anyMaster(dice);
            String path = "/api/masters/" + master.map(m -> m.get("id").asLong()).orElse(0L);
            switch (dice.below(master.isEmpty() ? 1 : 5)) {
                case 0 -> who.post(world.path("/masters"), Map.of("name", "reel " + dice.below(99), "shots", dice.below(3), "frames", 20));
                case 1, 2 -> who.post(path + "/name", Map.of("name", "called " + dice.below(99)));
                case 3 -> {
                    List<Long> cuts = World.list(world.project().get("cuts")).stream().filter(c -> c.get("state").asString().equals("RECEIVED"))
                            .map(c -> c.get("id").asLong()).toList();
                    who.post(path + "/hold" + (cuts.isEmpty() || dice.once(3) ? "" : "?cut=" + dice.of(cuts)), null);
                }
                default -> {
                    // the one that all is about is seldom thrown away
                    if (dice.once(3) && world.masters().size() > 1) {
                        who.post(path + "/remove", null);
                        return Touched.SOUND;
                    }
                }
            }
            return Touched.NOTHING;
        }
    }
}
