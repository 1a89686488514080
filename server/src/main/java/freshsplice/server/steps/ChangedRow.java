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
record ChangedRow(String table, long id, boolean added, Map<String, Value> values) {
    /** A column's value before and after, as text; null where it has none. */
    record Value(String before, String after) {
    }
}
