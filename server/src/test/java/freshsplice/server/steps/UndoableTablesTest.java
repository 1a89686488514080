package freshsplice.server.steps;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.motion.Easing;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.server.TestServer;
import freshsplice.server.WholeServer;
import freshsplice.server.rows.OutsideSteps;
import freshsplice.server.rows.RetimeKeys;
import freshsplice.server.rows.Row;
import freshsplice.server.rows.Undoable;
import jakarta.persistence.EntityManager;
import jakarta.persistence.metamodel.EntityType;
import java.lang.reflect.Field;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** Every table that steps take back goes back and forth whole, whichever is added. */
@ExtendWith(TestServer.class)
@WholeServer
class UndoableTablesTest {
    private static final long ADDING = -1;
    private static final long CHANGING = -2;

    private final EntityManager entities = TestServer.bean(EntityManager.class);
    private final JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
    private final StepListener listener = TestServer.bean(StepListener.class);
    private final StepJournal journal = TestServer.bean(StepJournal.class);

    private List<Class<?>> rows() {
        return entities.getMetamodel().getEntities().stream().<Class<?>>map(EntityType::getJavaType).toList();
    }

    @Test
    @DisplayName("every table says whether undo takes it back, or why not")
    void sayWhich() {
        assertThat(rows()).isNotEmpty().allSatisfy(row -> assertThat(Undoable.class.isAssignableFrom(row)
                != row.isAnnotationPresent(OutsideSteps.class)).as("one of the two").isTrue());
    }

    @Test
    @DisplayName("every table that steps take back belongs to a room that windows are told of")
    void rooms() {
        assertThat(rows().stream().filter(Undoable.class::isAssignableFrom)).allSatisfy(row ->
                assertThat(Room.of(table(row))).isNotNull());
    }

    @TestFactory
    Stream<DynamicTest> backAndForth() {
        return rows().stream().filter(Undoable.class::isAssignableFrom)
                .map(row -> DynamicTest.dynamicTest(row.getSimpleName(), () -> goesBackAndForth(row)));
    }

    private void goesBackAndForth(Class<?> type) {
        TestServer.bean(TransactionTemplate.class).executeWithoutResult(transaction -> {
            transaction.setRollbackOnly();
            // the rows stand alone: what they point at and mean is not the question
            jdbc.execute("set foreign_key_checks = 0, check_constraint_checks = 0");
            try {
                walk(type);
            } finally {
                jdbc.execute("set foreign_key_checks = 1, check_constraint_checks = 1");
            }
        });
    }

    private void walk(Class<?> type) {
        Row row = filled(make(type), false);
        noted(ADDING, () -> entities.persist(row));
        Map<String, Object> first = stored(row);
        noted(CHANGING, () -> filled(row, true));
        Map<String, Object> second = stored(row);
        assertThat(first.keySet()).as("no value is the same after").allSatisfy(column -> assertThat(
                column.equals("id") || isOutside(type, column) || !first.get(column).equals(second.get(column))).as(column).isTrue());

        journal.turn(CHANGING, true, new TouchLog.Rows());
        assertThat(stored(row)).isEqualTo(first);
        journal.turn(CHANGING, false, new TouchLog.Rows());
        assertThat(stored(row)).isEqualTo(second);
        if (first.containsKey("alive")) {
            journal.turn(CHANGING, true, new TouchLog.Rows());
            journal.turn(ADDING, true, new TouchLog.Rows());
            assertThat(stored(row).get("alive")).as("taken back").isNull();
            journal.turn(ADDING, false, new TouchLog.Rows());
            assertThat(stored(row)).isEqualTo(first);
        }
    }

    private void noted(long stepId, Runnable work) {
        listener.begin();
        List<ChangedRow> rows = new ArrayList<>();
        try {
            work.run();
            entities.flush();
        } finally {
            rows.addAll(listener.end());
        }
        journal.write(stepId, rows);
    }

    private Map<String, Object> stored(Row row) {
        Map<String, Object> values = jdbc.queryForMap("select * from " + table(row.getClass()) + " where id = ?", row.id);
        values.remove("row_version");
        return values;
    }

    private static String table(Class<?> type) {
        return type.getAnnotation(jakarta.persistence.Table.class).name();
    }

    private static boolean isOutside(Class<?> type, String column) {
        return fields(type).stream().anyMatch(f -> f.isAnnotationPresent(OutsideSteps.class) && f.getName().equals(column));
    }

    private static Row make(Class<?> type) {
        try {
            return (Row) type.getDeclaredConstructor().newInstance();
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Row filled(Row row, boolean other) {
        for (Field field : fields(row.getClass())) {
            if (!field.getName().equals("id") && !field.isAnnotationPresent(OutsideSteps.class)) {
                try {
                    field.set(row, field.getName().equals("alive") ? other ? null : Boolean.TRUE : value(field.getType(), other));
                } catch (IllegalAccessException e) {
                    throw new IllegalStateException(e);
                }
            }
        }
        return row;
    }

    private static List<Field> fields(Class<?> type) {
        List<Field> fields = new ArrayList<>();
        for (Class<?> at = type; at != Object.class; at = at.getSuperclass()) {
            fields.addAll(List.of(at.getDeclaredFields()));
        }
        return fields;
    }

    private static Object value(Class<?> type, boolean other) {
        if (type.isEnum()) {
            Object[] constants = type.getEnumConstants();
            return constants[other ? constants.length - 1 : 0];
        }
        Object value = values(other).get(type);
        assertThat(value).as("say here how a value of %s looks", type.getSimpleName()).isNotNull();
        return value;
    }

    private static Map<Class<?>, Object> values(boolean other) {
        long whole = other ? -9_007_199_254_740_993L : 1;
        double real = other ? -0.1 : 1e-9;
        return Map.ofEntries(Map.entry(long.class, whole), Map.entry(Long.class, whole), Map.entry(int.class, other ? -2 : 1),
                Map.entry(Integer.class, other ? -2 : 1), Map.entry(double.class, real), Map.entry(Double.class, real),
                Map.entry(boolean.class, other), Map.entry(Boolean.class, other), Map.entry(String.class, other ? "ü'" : "1"),
                Map.entry(Easing.class, other ? Easing.STEPPED : Easing.EASED),
                Map.entry(Rational.class, other ? Rational.of(-1001, 24) : Rational.ONE),
                Map.entry(FrameRate.class, FrameRate.parse(other ? "24000/1001" : "25")),
                Map.entry(RetimeKeys.class, new RetimeKeys(other ? List.of(new RetimeKey(Rational.ZERO, Rational.ZERO, RetimeInterpolation.values()[0]),
                        new RetimeKey(Rational.of(5, 1), Rational.of(7, 2), RetimeInterpolation.values()[0])) : List.of())),
                Map.entry(Instant.class, Instant.parse(other ? "2031-03-30T01:30:00.123Z" : "2026-01-01T12:00:00Z")));
    }
}
