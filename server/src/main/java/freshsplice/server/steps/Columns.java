package freshsplice.server.steps;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Locale;

/** Names and values as their columns have them. */
public final class Columns {
    private Columns() {
    }

    /** {@code cutIn} and {@code CutIn} are {@code cut_in}. */
    static String of(String property) {
        String name = property.replaceAll("(?<=[a-z0-9])(?=[A-Z])", "_").toLowerCase(Locale.ROOT);
        return name.equals("stop") ? "t_stop" : name;
    }

    /** A value as text that the database takes back. */
    public static String text(Object value) {
        if (value == null) {
            return null;
        }
        if (value instanceof Boolean flag) {
            return flag ? "1" : "0";
        }
        if (value instanceof Instant instant) {
            return Timestamp.from(instant).toString();
        }
        return value.toString();
    }
}
