package freshsplice.server.drill;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** What holds for a whole project: recipes, numbers, the picture. */
final class ProjectOperations {
    private ProjectOperations() {
    }

    static List<Operation> all() {
        return List.of(new Recipes(), new Numbers(), new Picture());
    }

    static final class Recipes implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            Optional<JsonNode> recipe = dice.of(world.looks().get(world.path("/recipes")));
            recipe.ifPresent(r -> {
                Map<String, Object> edit = new HashMap<>(Map.of("kind", dice.of("KEEP_RECIPE", "RENAME_RECIPE", "REMOVE_RECIPE", "MAKE_RECIPE_USUAL"),
                        "name", r.get("name").asString(), "to", "recipe " + dice.below(9), "recipe", r.get("recipe")));
                if (dice.once(2)) {
                    edit.put("name", "recipe " + dice.below(9));
                }
                who.post(world.path("/recipes/edits"), edit);
            });
            return Touched.NOTHING;
        }
    }

    static final class Numbers implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            if (dice.once(2)) {
                who.post(world.path("/numbering"), Map.of("prefix", dice.of("sh", "ga", "x_"), "step", 10, "digits", 4, "firstFrame", 1001, "handles", dice.below(12)));
            } else {
                world.masters().stream().findFirst().ifPresent(master ->
                        who.post(world.path("/renumber?master=" + master + "&prefix=" + dice.of("sh", "rn") + "&step=10"), null));
            }
            return Touched.NOTHING;
        }
    }

    static final class Picture implements Operation {
        @Override
        public Touched play(World world, Person who, Dice dice) {
            who.post(world.path("/picture"), Map.of("width", dice.of(64, 80), "height", dice.of(36, 44), "handles", dice.below(12)));
            return Touched.ALL_PICTURES;
        }
    }
}
