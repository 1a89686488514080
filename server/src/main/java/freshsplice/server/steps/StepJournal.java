package freshsplice.server.steps;

import freshsplice.server.rows.Ids;
import jakarta.persistence.EntityManager;
import java.sql.PreparedStatement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hibernate.engine.spi.SharedSessionContractImplementor;
import org.hibernate.type.descriptor.WrapperOptions;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Writes down what a step did, and does it backwards and again. Plain SQL in the step's own transaction. */
@Component
class StepJournal {
    private static final int BATCH = 500;

    private final JdbcTemplate jdbc;
    private final Ids ids;
    private final Pushes pushes;
    private final UndoableTables tables;
    private final EntityManager entities;

    StepJournal(JdbcTemplate jdbc, Ids ids, Pushes pushes, UndoableTables tables, EntityManager entities) {
        this.tables = tables;
        this.entities = entities;
        this.ids = ids;
        this.jdbc = jdbc;
        this.pushes = pushes;
    }

    /** What is undone can be done again no more by who goes on, and stays with everybody else. */
    void leaveUndone(long projectId, String who) {
        change("select id from step where project_id = ? and (state = 'UNDONE' or state = 'ASIDE' and who = ?)",
                "update step set state = case when who = ? then 'PASSED' else 'ASIDE' end where id = ?", List.of(who), projectId, who);
    }

    /**
     * Looks for rows first and changes them by their ids then: what changes all of a range holds and waits for the row behind it too,
     * which is somebody's in another project.
     *
     * @param values what stands before the id in the change
     */
    private void change(String which, String sql, List<?> values, Object... asked) {
        batch(sql, jdbc.queryForList(which, Long.class, asked).stream().map(id -> Stream.concat(values.stream(), Stream.of(id)).toArray()).toList());
    }

    void write(long stepId, List<ChangedRow> rows) {
        List<Object[]> rowValues = new ArrayList<>();
        List<Object[]> columnValues = new ArrayList<>();
        Map<Push, List<Long>> pushed = new LinkedHashMap<>();
        for (ChangedRow row : rows) {
            Long by = row.pushedBy();
            if (by != null) {
                pushed.computeIfAbsent(new Push(row.table(), by), k -> new ArrayList<>()).add(row.id());
                continue;
            }
            long id = ids.next();
            rowValues.add(new Object[] {id, stepId, rowValues.size(), row.table(), row.id(), row.id(),
                row.added() ? "ADD" : "CHANGE", null});
            UndoableTable table = tables.named(row.table());
            row.values().forEach((name, value) -> {
                UndoableColumn column = table.column(name);
                columnValues.add(new Object[] {ids.next(), id, name, column.text(value.before()), column.text(value.after())});
            });
        }
        pushed.forEach((push, rowIds) -> Pushes.runs(rowIds).forEach(run -> rowValues.add(new Object[] {ids.next(), stepId,
            rowValues.size(), push.table(), run.first(), run.last(), "PUSH", push.frames()})));
        batch("insert into step_row (id, step_id, place, table_name, row_id, row_last, kind, pushed) values (?, ?, ?, ?, ?, "
                + "?, ?, ?)", rowValues);
        batch("insert into step_value (id, step_row_id, column_name, old_value, new_value) values (?, ?, ?, ?, ?)",
                columnValues);
    }

    private void batch(String sql, List<Object[]> values) {
        if (values.size() == 1) {
            // most edits change one value: a batch would be prepared and closed for it, two questions more
            jdbc.update(sql, values.get(0));
            return;
        }
        for (int i = 0; i < values.size(); i += BATCH) {
            List<Object[]> part = values.subList(i, Math.min(values.size(), i + BATCH));
            jdbc.batchUpdate(sql, part);
        }
    }

    private record Push(String table, long frames) {
    }

    private record NotedRow(long id, String table, long rowId, long rowLast, String kind, long pushed) {
    }

    private record NotedValue(long rowId, String column, String value) {
    }

    /** A step that came after another and touched one of the same values. */
    record Later(String name, String who) {
    }

    /**
     * The newest step that holds, came after a step, and changed a value that this one changed, or anything of a row that
     * this one added. Pushes along do not build on each other: each is taken back by its own frames.
     */
    Optional<Later> laterOn(long stepId) {
        String later = "select s.seq, s.name, s.who from step mine join step s on s.project_id = mine.project_id and s.seq "
                + "> mine.seq and s.state = 'DONE' and s.id <> mine.id join step_row r on r.step_id = s.id join step_row m on "
                + "m.step_id = mine.id and m.table_name = r.table_name and ";
        String moved = "exists (select 1 from step_value v where v.column_name = 'rec_in' and v.step_row_id = ";
        // an end that was set stands where a later push found it: setting the old one would leave that push out
        String set = "exists (select 1 from step_value v where v.column_name in ('rec_in', 'rec_out') and v.step_row_id = ";
        return jdbc.query(later + "m.row_id = r.row_id and m.kind <> 'PUSH' and r.kind <> 'PUSH' where mine.id = ? and "
                        + "(m.kind = 'ADD' or exists (select 1 from step_value v join step_value w on w.column_name = "
                        + "v.column_name where v.step_row_id = r.id and w.step_row_id = m.id)) union "
                        + later + "m.row_id between r.row_id and r.row_last and m.kind <> 'PUSH' and r.kind = 'PUSH' where "
                        + "mine.id = ? and (m.kind = 'ADD' or " + set + "m.id)) union "
                        + later + "r.row_id between m.row_id and m.row_last and m.kind = 'PUSH' and r.kind <> 'PUSH' where "
                        + "mine.id = ? and " + moved + "r.id) order by seq desc limit 1",
                (r, n) -> new Later(r.getString(2), r.getString(3)), stepId, stepId, stepId).stream().findFirst();
    }

    /**
     * Whether what a step changed is as it was before the step, so that doing it again does what it did: a value that another step
     * had left there, and that was taken back since, is not.
     */
    boolean canBeDoneAgain(long stepId) {
        Map<Long, List<NotedValue>> values = jdbc.query("select v.step_row_id, v.column_name, v.old_value from step_value v join step_row r on r.id = "
                + "v.step_row_id where r.step_id = ?", (r, n) -> new NotedValue(r.getLong(1), r.getString(2), r.getString(3)), stepId)
                .stream().collect(Collectors.groupingBy(NotedValue::rowId));
        return jdbc.query("select id, table_name, row_id from step_row where step_id = ? and kind = 'CHANGE'",
                (r, n) -> holds(r.getString(2), r.getLong(3), values.getOrDefault(r.getLong(1), List.of())), stepId).stream().allMatch(h -> h);
    }

    private boolean holds(String name, long id, List<NotedValue> values) {
        UndoableTable table = tables.named(name);
        List<UndoableColumn> columns = values.stream().map(v -> table.column(v.column())).toList();
        String sql = "select count(*) from " + table.name() + " where id = ?" + String.join("", columns.stream().map(c -> " and " + c.name() + " <=> ?").toList());
        WrapperOptions session = entities.unwrap(SharedSessionContractImplementor.class);
        return jdbc.query(connection -> {
            PreparedStatement question = connection.prepareStatement(sql);
            question.setLong(1, id);
            for (int i = 0; i < columns.size(); i++) {
                columns.get(i).set(question, i + 2, values.get(i).value(), session);
            }
            return question;
        }, rows -> rows.next() && rows.getLong(1) == 1);
    }

    /** The newest step that came before another, touched a row that this one changed, and is undone. */
    Optional<Later> undoneBefore(long stepId) {
        return jdbc.query("select s.name, s.who from step mine join step s on s.project_id = mine.project_id and s.seq < mine.seq and s.state <> 'DONE' "
                + "join step_row r on r.step_id = s.id join step_row m on m.step_id = mine.id and m.table_name = r.table_name and m.row_id between "
                + "r.row_id and r.row_last where mine.id = ? and m.kind = 'CHANGE' order by s.seq desc limit 1",
                (r, n) -> new Later(r.getString(1), r.getString(2)), stepId).stream().findFirst();
    }

    /**
     * A value of a row as it was before a step.
     *
     * @param rowLast the last of the rows that it pushed; the row itself where it did something else
     * @param column  null where the step added or pushed the row
     * @param value   as the database has it
     * @param pushed  by how many frames it pushed it
     */
    record Before(long rowId, long rowLast, String kind, String column, Object value, long pushed) {
    }

    /** What the steps that hold changed in a table after a number of edits, the newest first. */
    List<Before> changesAfter(long projectId, long seq, String name) {
        UndoableTable table = tables.named(name);
        return jdbc.query("select r.row_id, r.row_last, r.kind, v.column_name, v.old_value, coalesce(r.pushed, 0) from step s join step_row r "
                        + "on r.step_id = s.id left join step_value v on v.step_row_id = r.id where s.project_id = ? and "
                        + "s.seq > ? and s.state = 'DONE' and r.table_name = ? order by s.seq desc, r.place desc",
                (r, n) -> new Before(r.getLong(1), r.getLong(2), r.getString(3), r.getString(4),
                        r.getString(4) == null ? null : table.column(r.getString(4)).value(r.getString(5)), r.getLong(6)),
                projectId, seq, name);
    }

    /** Takes a step back, last row first, or does it again, first row first. @param changed what it touches is added there */
    void turn(long stepId, boolean back, TouchLog.Rows changed) {
        List<NotedRow> rows = jdbc.query("select id, table_name, row_id, row_last, kind, pushed from step_row where step_id = ? order "
                        + "by place" + (back ? " desc" : ""),
                (r, n) -> new NotedRow(r.getLong(1), r.getString(2), r.getLong(3), r.getLong(4), r.getString(5),
                        r.getLong(6)), stepId);
        Map<Long, List<NotedValue>> values = jdbc.query("select v.step_row_id, v.column_name, "
                                + (back ? "v.old_value" : "v.new_value") + " from step_value v join step_row r on r.id = "
                                + "v.step_row_id where r.step_id = ?",
                        (r, n) -> new NotedValue(r.getLong(1), r.getString(2), r.getString(3)), stepId)
                .stream().collect(Collectors.groupingBy(NotedValue::rowId));
        Map<Push, List<Pushes.Run>> pushed = new LinkedHashMap<>();
        for (NotedRow row : rows) {
            if (row.kind().equals("PUSH")) {
                pushed.computeIfAbsent(new Push(tables.named(row.table()).name(), row.pushed()), k -> new ArrayList<>())
                        .add(new Pushes.Run(row.rowId(), row.rowLast()));
            } else if (row.kind().equals("ADD")) {
                set(row.table(), row.rowId(), List.of(new NotedValue(0, "alive", back ? null : "true")));
            } else {
                set(row.table(), row.rowId(), values.getOrDefault(row.id(), List.of()));
            }
        }
        pushed.forEach((push, runs) -> {
            long frames = back ? -push.frames() : push.frames();
            pushes.pushRuns(push.table(), runs, frames);
            runs.forEach(run -> carryOn(stepId, push.table(), run, frames));
        });
        rows.forEach(row -> changed.add(row.table(), row.rowId(), row.rowLast()));
    }

    /** Later steps noted ends of these rows where this push had put them: they are noted where it puts them now. */
    private void carryOn(long stepId, String table, Pushes.Run run, long frames) {
        change("select v.id from step_value v join step_row r on r.id = v.step_row_id join step s on s.id = r.step_id join step mine on "
                + "mine.id = ? and s.project_id = mine.project_id and s.seq > mine.seq where r.kind = 'CHANGE' and "
                + "r.table_name = ? and r.row_id between ? and ? and v.column_name in ('rec_in', 'rec_out')",
                "update step_value set old_value = cast(cast(old_value as signed) + ? as char), new_value = cast(cast(new_value as "
                + "signed) + ? as char) where id = ?", List.of(frames, frames), stepId, table, run.first(), run.last());
    }

    private void set(String name, long id, List<NotedValue> values) {
        if (values.isEmpty()) {
            return;
        }
        UndoableTable table = tables.named(name);
        List<UndoableColumn> columns = values.stream().map(v -> table.column(v.column())).toList();
        String sql = "update " + table.name() + " set " + String.join(", ", columns.stream().map(c -> c.name() + " = ?").toList())
                + ", row_version = row_version + 1 where id = ?";
        WrapperOptions session = entities.unwrap(SharedSessionContractImplementor.class);
        jdbc.update(connection -> {
            PreparedStatement update = connection.prepareStatement(sql);
            for (int i = 0; i < columns.size(); i++) {
                columns.get(i).set(update, i + 1, values.get(i).value(), session);
            }
            update.setLong(columns.size() + 1, id);
            return update;
        });
    }
}
