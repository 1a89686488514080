package freshsplice.exchange.aaf;

import java.util.ArrayList;
import java.util.List;

/** Comments and attributes: names with a value of any type. */
final class AafComments {
    private AafComments() {
    }

    /** The comments of a component or mob as lines, {@code name: value}. */
    static List<String> of(AafObject object) {
        List<String> lines = new ArrayList<>();
        int pid = object.has(AafPid.MOB_ID) ? AafPid.MOB_COMMENTS : AafPid.COMPONENT_COMMENTS;
        for (AafObject tag : object.objects(pid)) {
            Object value = tag.typed(AafPid.TAG_VALUE);
            if (value != null && tag.text(AafPid.TAG_NAME) != null) {
                lines.add(tag.text(AafPid.TAG_NAME) + ": " + value);
            }
        }
        return lines;
    }
}
