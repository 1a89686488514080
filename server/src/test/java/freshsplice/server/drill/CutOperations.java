package freshsplice.server.drill;

import freshsplice.server.Material;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** The edit room sends newer cuts, ours go back and come again; both are received and applied in whole or part. */
final class CutOperations {
    private static final List<String> FORMATS = List.of("edl", "xmeml", "aaf", "otio");
    private static final Map<String, String> EXTENSIONS = Map.of("edl", "edl", "xmeml", "xml", "aaf", "aaf", "otio", "otio");

    private CutOperations() {
    }

    static List<Operation> all() {
        return List.of(new NewerCut(), new OwnListAgain(), new Receive(), new Receive(), new Apply(), new Apply(), new AsInCut(), new HandBack(), new SayOfSources());
    }

    /** The list of before with clips trimmed, slipped, swapped, left out and put in. */
    static final class NewerCut implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<Material.Clip> clips = new ArrayList<>(world.cut());
            for (int i = 1 + dice.below(3); i > 0; i--) {
                int at = dice.below(clips.size());
                Material.Clip clip = clips.get(at);
                switch (dice.below(6)) {
                    case 0 -> clips.set(at, new Material.Clip(clip.name(), clip.from(), Math.max(2, clip.length() + dice.between(-8, 8))));
                    case 1 -> clips.set(at, new Material.Clip(clip.name(), clip.from() + dice.between(-5, 5), clip.length()));
                    case 2 -> Collections.swap(clips, at, dice.below(clips.size()));
                    case 3 -> {
                        if (clips.size() > 2) {
                            clips.remove(at);
                        }
                    }
                    case 4 -> clips.add(at, new Material.Clip("late " + dice.below(999), 200_000 + dice.below(5000), 10 + dice.below(20)));
                    default -> clips.set(at, new Material.Clip(clip.name() + " b", clip.from(), clip.length()));
                }
            }
            String format = dice.of(FORMATS);
            String name = "cut " + dice.below(9999) + "." + EXTENSIONS.get(format);
            byte[] list = DrilledList.of(world.title(), clips, format, dice);
            if (who.upload(world.path("/files"), Map.of(name, list)).isPresent()) {
                world.cut().clear();
                world.cut().addAll(clips);
            }
            return Touched.NOTHING;
        }
    }

    /** The master's own list, in any format, dropped in as the edit room would send it back. */
    static final class OwnListAgain implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            Optional<JsonNode> master = world.anyMaster(dice);
            if (master.isEmpty() || master.get().get("clips").isEmpty()) {
                return Touched.NOTHING;
            }
            String format = dice.of(FORMATS);
            byte[] list = who.file(world.path("/hand-back/" + format + "?master=" + master.get().get("id").asLong() + "&gap=" + dice.once(2)
                    + "&shortReels=" + (format.equals("edl") && dice.once(2))));
            if (list.length > 0) {
                who.upload(world.path("/files"), Map.of("back " + dice.below(9999) + "." + EXTENSIONS.get(format), list));
            }
            return Touched.NOTHING;
        }
    }

    private static List<Long> cuts(World world, String state) {
        return World.list(world.project().get("cuts")).stream().filter(c -> c.get("state").asString().equals(state)).map(c -> c.get("id").asLong()).toList();
    }

    static final class Receive implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<Long> waiting = cuts(world, "LOOKED_AT");
            if (waiting.isEmpty()) {
                return Touched.NOTHING;
            }
            long cut = dice.of(waiting);
            if (dice.once(4)) {
                who.post("/api/cuts/" + cut + "/rate?rate=" + dice.of("24", "25", "24000/1001"), null);
            }
            who.post("/api/cuts/" + cut + "/receive", null);
            // the first of a project has the shots made
            return Touched.ALL;
        }
    }

    static final class Apply implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<Long> received = cuts(world, "RECEIVED");
            List<Long> masters = world.masters();
            if (received.isEmpty() || masters.isEmpty()) {
                return Touched.NOTHING;
            }
            String cut = "/api/cuts/" + dice.of(received) + "/turnover";
            String held = "?master=" + dice.of(masters);
            List<Map<String, String>> chosen = new ArrayList<>();
            boolean all = dice.once(2);
            who.ask(cut + held).map(list -> list.get("changes")).ifPresent(changes -> changes.forEach(c -> {
                if (!c.path("pushed").asBoolean() && (all || dice.once(2))) {
                    chosen.add(Map.of("id", c.get("id").asString(), "words", c.get("words").asString()));
                }
            }));
            if (!chosen.isEmpty()) {
                who.post(cut + "/apply" + held, Map.of("changes", chosen));
            }
            return Touched.SOUND;
        }
    }

    /** Says of sources that came under other names whether they are one, some or all at once. */
    static final class SayOfSources implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<Long> received = cuts(world, "RECEIVED");
            if (received.isEmpty() || world.masters().isEmpty()) {
                return Touched.NOTHING;
            }
            String cut = "/api/cuts/" + dice.of(received) + "/turnover";
            List<Map<String, String>> pairs = new ArrayList<>();
            who.ask(cut).map(list -> list.get("sources")).ifPresent(sources -> sources.forEach(s -> {
                if (dice.once(2)) {
                    pairs.add(Map.of("older", s.get("older").asString(), "newer", s.get("newer").asString()));
                }
            }));
            if (!pairs.isEmpty()) {
                who.post(cut + "/sources", Map.of("pairs", pairs, "same", dice.once(2)));
            }
            return Touched.NOTHING;
        }
    }

    static final class AsInCut implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<Long> received = cuts(world, "RECEIVED");
            world.anyMaster(dice).filter(m -> !received.isEmpty()).ifPresent(master -> {
                Map<String, Object> body = new HashMap<>(Map.of("clips", List.of()));
                dice.of(master.get("clips")).filter(s -> dice.once(2)).ifPresent(s -> body.put("clips", List.of(s.get("id").asLong())));
                who.post("/api/cuts/" + dice.of(received) + "/as-in-cut?master=" + master.get("id").asLong(), body);
            });
            return Touched.SOUND;
        }
    }

    static final class HandBack implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            world.anyMaster(dice).filter(m -> !m.get("clips").isEmpty()).ifPresent(master -> FORMATS.forEach(format ->
                    who.file(world.path("/hand-back/" + format + "?master=" + master.get("id").asLong()))));
            return Touched.NOTHING;
        }
    }
}
