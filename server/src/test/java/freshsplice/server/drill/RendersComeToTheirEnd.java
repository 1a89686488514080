package freshsplice.server.drill;

import tools.jackson.databind.JsonNode;

/** Nothing in a week is a reason for a render to fail. */
final class RendersComeToTheirEnd implements Watch.Check {
    @Override
    public void look(World world, Touched touched) {
        for (JsonNode render : world.looks().get(world.path("/renders"))) {
            if (render.get("state").asString().equals("FAILED")) {
                throw new Finding("renders come to their end", render.get("name").asString() + " failed: " + render.get("error").asString());
            }
        }
    }
}
