package freshsplice.server.drill;

import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Renders asked for in several qualities, rates and ranges, stopped, paused and gone on with. */
final class RenderOperations {
    private RenderOperations() {
    }

    static List<Operation> all() {
        return List.of(new Ask(), new Ask(), new Handle(), new Wait());
    }

    static final class Ask implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<Long> shots = List.copyOf(world.shots());
            List<JsonNode> recipes = World.list(world.looks().get(world.path("/recipes")));
            if (shots.isEmpty() || recipes.isEmpty()) {
                return Touched.NOTHING;
            }
            long shot = dice.of(shots);
            JsonNode stage = world.stage(shot);
            long first = stage.get("first").asLong();
            var recipe = dice.of(recipes).get("recipe").deepCopy().asObject();
            recipe.get("look").asObject().put("width", 64).put("height", 36);
            recipe.put("rate", dice.of(null, null, "25", "48"));
            Map<String, Object> ask = Fields.of("shotIds", dice.once(3) ? List.of(shot, dice.of(shots)) : List.of(shot), "master", dice.once(6),
                    "masterId", dice.of(world.masters()), "width", 64, "height", 36, "burnIn", dice.once(2), "blur", false,
                    "extent", dice.of("CLIPS", "MISSING", "RANGE", "ACTION", "STILL"), "grade", dice.of("TRIAL", "DRAFT", "FINAL"), "every", dice.once(4) ? 2 : 1,
                    "handles", dice.below(3));
            ask.put("in", first + dice.below(5));
            ask.put("out", first + 6 + dice.below(6));
            ask.put("recipe", recipe);
            ask.put("joined", dice.once(2));
            who.post(world.path("/renders/forecast"), ask);
            who.post(world.path("/renders"), ask);
            return Touched.NOTHING;
        }
    }

    static final class Handle implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            dice.of(world.looks().get(world.path("/renders"))).ifPresent(render ->
                    who.post("/api/renders/" + render.get("id").asLong() + dice.of("/stop", "/pause", "/go-on", "/go-on", "/any-driver"), null));
            return Touched.NOTHING;
        }
    }

    /** Until what is under way is drawn, for a while. */
    static final class Wait implements Operation {
        private static final long MOST_MILLIS = 4000;

        @Override
        public Touched play(World world, Person who, Dice dice) {
            long end = System.currentTimeMillis() + MOST_MILLIS;
            while (System.currentTimeMillis() < end && World.list(world.looks().get(world.path("/renders"))).stream()
                    .anyMatch(r -> List.of("WAITING", "DRAWING").contains(r.get("state").asString()))) {
                World.pause(100);
            }
            return Touched.NOTHING;
        }
    }
}
