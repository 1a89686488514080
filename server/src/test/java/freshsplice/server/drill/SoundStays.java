package freshsplice.server.drill;

import java.util.HashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Laid sound that no step touched is as it was. */
final class SoundStays implements Watch.Check {
    private final Map<Long, JsonNode> known = new HashMap<>();

    @Override
    public void look(World world, Touched touched) {
        for (long id : world.masters()) {
            JsonNode sound = world.master(id).get("sound");
            JsonNode before = known.put(id, sound);
            String difference = before == null || touched.sound() ? "" : States.difference(before, sound);
            if (!difference.isEmpty()) {
                throw new Finding("sound stays as it is", "master " + id + ": " + difference);
            }
        }
    }
}
