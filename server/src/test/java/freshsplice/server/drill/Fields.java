package freshsplice.server.drill;

import java.util.Map;
import java.util.TreeMap;

/** The fields of what is asked for: names and values in turn. An edit takes those that are its own. */
final class Fields {
    private Fields() {
    }

    static Map<String, Object> of(Object... namesAndValues) {
        Map<String, Object> fields = new TreeMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            fields.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return fields;
    }
}
