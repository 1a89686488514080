package freshsplice.exchange.aaf;

import java.util.Set;

/** Which mobs a segment shows, however deep. */
final class AafReferences {
    private static final int[] HOLDERS = {AafPid.COMPONENTS, AafPid.INPUT_SEGMENTS, AafPid.SELECTED, AafPid.ALTERNATES,
        AafPid.CHOICES, AafPid.SCOPE_SLOTS, AafPid.PULLDOWN_INPUT};
    private static final int MAX_DEPTH = 100;

    private AafReferences() {
    }

    static void collect(AafObject segment, Set<String> mobs, int depth) {
        if (segment == null || depth > MAX_DEPTH) {
            return;
        }
        String id = segment.mobId(AafPid.SOURCE_ID);
        if (id != null) {
            mobs.add(id);
        }
        for (int pid : HOLDERS) {
            if (segment.has(pid)) {
                for (AafObject inner : segment.objects(pid)) {
                    collect(inner, mobs, depth + 1);
                }
            }
        }
    }
}
