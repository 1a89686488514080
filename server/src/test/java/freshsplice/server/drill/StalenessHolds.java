package freshsplice.server.drill;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/**
 * Which renders are stale, and all else that a window is told, is the same when the server has forgotten what it worked out before; and
 * no shot that nobody touched has renders that become stale by its camera or its set, or current again.
 */
final class StalenessHolds implements Watch.Check {
    private static final int SEEN = 6;

    private final ForgetfulServer server = new ForgetfulServer();
    private final Map<Long, Set<String>> known = new HashMap<>();

    @Override
    public int every() {
        return SEEN;
    }

    @Override
    public void look(World world, Touched touched) {
        Finding.unlessEqual("what is told is what is worked out from nothing", () -> {
            Map<String, JsonNode> told = told(world);
            server.forget();
            return States.difference(told, told(world));
        });
        world.looks().get(world.path("/renders")).forEach(render -> look(render, touched));
    }

    private static Map<String, JsonNode> told(World world) {
        Map<String, JsonNode> told = States.of(world);
        for (long master : world.masters()) {
            for (JsonNode render : world.looks().get(world.path("/renders?master=" + master))) {
                if (render.get("state").asString().equals("DONE")) {
                    told.put("stale render " + render.get("id").asLong() + " under master " + master, render.get("stale"));
                }
            }
        }
        return told;
    }

    private void look(JsonNode render, Touched touched) {
        if (!render.get("state").asString().equals("DONE") || render.path("shotId").asLong(0) == 0) {
            return;
        }
        long id = render.get("id").asLong();
        Set<String> now = World.list(render.get("stale")).stream().map(JsonNode::asString).filter(p -> p.equals("camera") || p.equals("set"))
                .collect(Collectors.toCollection(TreeSet::new));
        Set<String> before = known.put(id, now);
        if (before != null && !before.equals(now) && !touched.touches(render.get("shotId").asLong())) {
            throw new Finding("renders of what nobody touched stay as they are", render.get("name").asString() + " was stale by " + before + ", is by " + now);
        }
    }
}
