package freshsplice.exchange.aaf;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

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

    /** The value of the first comment or attribute whose name says a colour; empty where there is none. */
    static String colour(AafObject marker) {
        for (int pid : new int[] {AafPid.COMPONENT_COMMENTS, AafPid.COMPONENT_ATTRIBUTES}) {
            for (AafObject tag : marker.objects(pid)) {
                String name = String.valueOf(tag.text(AafPid.TAG_NAME)).toLowerCase(Locale.ROOT);
                if ((name.contains("color") || name.contains("colour")) && tag.typed(AafPid.TAG_VALUE) instanceof String s) {
                    return s;
                }
            }
        }
        return "";
    }
}
