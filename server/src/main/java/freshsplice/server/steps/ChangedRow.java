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
    /** A column's value before and after, as the database has it: a number, a flag, a text, an instant; null where it has none. */
    public record Value(Object before, Object after) {
    }

    /** Frames by which it was only pushed along the record clock; null where it was not, or more was changed. */
    public Long pushedBy() {
        Value in = values.get("rec_in");
        Value out = values.get("rec_out");
        if (added || values.size() != 2 || in == null || out == null) {
            return null;
        }
        long frames = difference(in);
        return difference(out) == frames ? (Long) frames : null;
    }

    private static long difference(Value value) {
        return (Long) value.after() - (Long) value.before();
    }
}
