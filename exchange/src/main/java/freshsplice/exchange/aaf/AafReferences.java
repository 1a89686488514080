package freshsplice.exchange.aaf;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What segments hold, and which mobs they show, however deep. */
final class AafReferences {
    private static final int[] HOLDERS = {AafPid.COMPONENTS, AafPid.INPUT_SEGMENTS, AafPid.SELECTED, AafPid.ALTERNATES,
        AafPid.CHOICES, AafPid.SCOPE_SLOTS, AafPid.PULLDOWN_INPUT};
    private static final int MAX_DEPTH = 100;

    private AafReferences() {
    }

    /** The segments directly inside one, of whatever kind it is. */
    static List<AafObject> inside(AafObject segment) {
        List<AafObject> all = new ArrayList<>();
        for (int pid : HOLDERS) {
            if (segment.has(pid)) {
                all.addAll(segment.objects(pid));
            }
        }
        return all;
    }

    static void collect(AafObject segment, Set<String> mobs, int depth) {
        if (segment == null || depth > MAX_DEPTH) {
            return;
        }
        String id = segment.mobId(AafPid.SOURCE_ID);
        if (id != null) {
            mobs.add(id);
        }
        inside(segment).forEach(inner -> collect(inner, mobs, depth + 1));
    }
}
