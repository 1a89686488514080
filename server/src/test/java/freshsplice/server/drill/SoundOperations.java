package freshsplice.server.drill;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** Sound laid, moved, levelled and taken away. */
final class SoundOperations {
    private SoundOperations() {
    }

    static List<Operation> all() {
        return List.of(new Lay(), new Change(), new Track());
    }

    static final class Lay implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<JsonNode> files = world.media("sound");
            world.anyMaster(dice).filter(m -> !files.isEmpty()).ifPresent(master -> {
                Map<String, Object> laid = new HashMap<>(Map.of("mediaId", dice.of(files).get("mediaId").asLong(),
                        "at", master.get("masterStart").asLong() + dice.below(120)));
                dice.of(master.get("sound")).filter(s -> dice.once(2)).ifPresent(s -> laid.put("track", s.get("track").asString()));
                who.post("/api/masters/" + master.get("id").asLong() + "/sounds", laid);
            });
            return Touched.SOUND;
        }
    }

    static final class Change implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            Optional<JsonNode> sound = world.anyMaster(dice).flatMap(m -> dice.of(m.get("sound")));
            sound.ifPresent(s -> {
                String path = "/api/sounds/" + s.get("id").asLong();
                switch (dice.below(6)) {
                    case 0 -> who.post(path, Map.of("offset", dice.between(-20, 20)));
                    case 1 -> who.post(path, Map.of(dice.of("head", "tail"), dice.between(-9, 9)));
                    case 2 -> who.post(path, Map.of("level", dice.near(-6, 12)));
                    case 3 -> who.post(path, Map.of(dice.of("fadeIn", "fadeOut"), dice.below(12)));
                    case 4 -> who.post(path + "/split?at=" + dice.between(s.get("in").asLong(), s.get("out").asLong()), null);
                    default -> who.post(path + "/remove", null);
                }
            });
            return Touched.SOUND;
        }
    }

    static final class Track implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            world.anyMaster(dice).ifPresent(master -> dice.of(master.get("sound")).ifPresent(s ->
                    who.post("/api/masters/" + master.get("id").asLong() + "/sound-tracks", Map.of("name", s.get("track").asString(),
                            dice.of("muted", "solo"), dice.once(2), "level", dice.near(0, 9)))));
            return Touched.SOUND;
        }
    }
}
