package freshsplice.server.drill;

import java.util.HashMap;
import java.util.Map;
import java.util.zip.CRC32;
import tools.jackson.databind.JsonNode;

/** A shot that no step touched is drawn as it was. */
final class PicturesStay implements Watch.Check {
    private static final int SEEN = 6;

    /** @param frame of the shot that is looked at, always the same */
    private record Known(long frame, long sum) {
    }

    private final Map<Long, Known> known = new HashMap<>();

    @Override
    public int every() {
        return SEEN;
    }

    @Override
    public void look(World world, Touched touched) {
        for (long shot : world.shots()) {
            Known before = known.get(shot);
            JsonNode stage = world.stage(shot);
            long frame = before == null ? stage.get("first").asLong() : before.frame();
            CRC32 sum = new CRC32();
            sum.update(world.looks().bytes("/api/shots/" + shot + "/picture?frame=" + frame));
            known.put(shot, new Known(frame, sum.getValue()));
            if (before != null && before.sum() != sum.getValue() && !touched.touches(shot)) {
                throw new Finding("pictures stay as they are", stage.get("code").asString() + " is drawn otherwise at " + frame + ", and nobody touched it");
            }
        }
    }
}
