package freshsplice.server.http.changes;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/** Which whole numbers of a record are others in a newer one that is otherwise the same. */
final class MovedFields<R extends Record> {
    /** Ids say which record it is: they are never moved. */
    private static final String IDENTITY = "id";

    private final List<RecordComponent> components;

    private MovedFields(List<RecordComponent> components) {
        this.components = components;
    }

    static <R extends Record> MovedFields<R> of(R example) {
        return new MovedFields<>(List.of(example.getClass().getRecordComponents()));
    }

    /** What has to be added to which fields; empty where they are equal, null where more than whole numbers differ. */
    Map<String, Long> between(R older, R newer) {
        return older == newer || older.equals(newer) ? Map.of() : differences(older, newer);
    }

    private Map<String, Long> differences(R older, R newer) {
        Map<String, Long> moved = Map.of();
        for (RecordComponent component : components) {
            Object before = value(component, older);
            Object after = value(component, newer);
            if (!Objects.equals(before, after)) {
                if (!isMovable(component) || before == null || after == null) {
                    return null;
                }
                moved = moved.isEmpty() ? new TreeMap<>() : moved;
                moved.put(component.getName(), ((Number) after).longValue() - ((Number) before).longValue());
            }
        }
        return moved;
    }

    private static boolean isMovable(RecordComponent component) {
        Class<?> type = component.getType();
        boolean whole = type == long.class || type == int.class || type == Long.class || type == Integer.class;
        return whole && !component.getName().equals(IDENTITY) && !component.getName().endsWith("Id");
    }

    private static Object value(RecordComponent component, Record of) {
        try {
            return component.getAccessor().invoke(of);
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException(component + " cannot be read", e);
        }
    }
}
