package freshsplice.server.drill;

import freshsplice.server.ChangedMaster;
import java.util.HashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** What a window puts together from the changes that it hears of is what it would be told if it asked anew. */
final class FeedIsWhole implements Watch.Check {
    private final Map<Long, JsonNode> windows = new HashMap<>();

    @Override
    public void look(World world, Touched touched) {
        for (long id : world.masters()) {
            Finding.unlessEqual("what changed adds up to what is", () -> {
                JsonNode known = windows.get(id);
                JsonNode change = world.looks().get("/api/masters/" + id + "/changes" + (known == null ? "" : "?since=" + known.get("stamp").asString()));
                JsonNode heard = known == null ? change.get("whole") : ChangedMaster.of(known, change);
                windows.put(id, heard);
                String difference = States.difference(heard, world.master(id));
                return difference.isEmpty() ? "" : "master " + id + ": " + difference;
            });
        }
    }
}
