package freshsplice.server.drill;

import java.util.List;
import tools.jackson.databind.JsonNode;

/** Undo and redo, each their own and across each other. */
final class TimeOperations {
    private TimeOperations() {
    }

    static List<Operation> all() {
        return List.of(new Undo(), new Undo(), new Redo(), new GoTo());
    }

    static final class Undo implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            who.post(world.path("/undo"), null);
            return Touched.ALL;
        }
    }

    static final class Redo implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            who.post(world.path("/redo"), null);
            return Touched.ALL;
        }
    }

    static final class GoTo implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            List<JsonNode> steps = World.list(world.looks().get(world.path("/history")));
            if (!steps.isEmpty()) {
                // not before the cut was received: nothing would be left to work on
                List<JsonNode> near = steps.subList(0, Math.min(6, Math.max(1, steps.size() - 2)));
                who.post(world.path("/history/" + dice.of(near).get("seq").asLong()), null);
            }
            return Touched.ALL;
        }
    }
}
