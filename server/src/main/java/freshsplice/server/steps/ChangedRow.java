package freshsplice.server.steps;

import java.util.Map;

/**
 * What a step did to one row.
 *
 * @param table  its table
 * @param id     its id
 * @param added  the row is new; undoing takes its life
 * @param values changed columns
 */
public record ChangedRow(String table, long id, boolean added, Map<String, Value> values) {
    /** A column's value before and after, as text; null where it has none. */
    public record Value(String before, String after) {
    }

    /** Frames by which it was only pushed along the record clock; null where it was not, or more was changed. */
    public Long pushedBy() {
        Value in = values.get("rec_in");
        Value out = values.get("rec_out");
        if (added || values.size() != 2 || in == null || out == null) {
            return null;
        }
        long frames = Long.parseLong(in.after()) - Long.parseLong(in.before());
        return Long.parseLong(out.after()) - Long.parseLong(out.before()) == frames ? (Long) frames : null;
    }
}
