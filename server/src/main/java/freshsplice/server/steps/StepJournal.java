package freshsplice.server.steps;

import freshsplice.server.store.Ids;
import java.sql.PreparedStatement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Writes down what a step did, and does it backwards and again. Plain SQL in the step's own transaction. */
@Component
class StepJournal {
    private static final int BATCH = 500;
    /** Tables that steps may touch: names are put into SQL, so only these ever are. */
    private static final Set<String> TABLES = Set.of("project", "scene", "item", "item_key", "camera", "camera_key",
            "shot", "shot_alias", "media", "board", "cut", "master", "master_lane", "master_mark", "section", "sound",
            "sound_lane", "source_choice");

    private final JdbcTemplate jdbc;
    private final Ids ids;

    StepJournal(JdbcTemplate jdbc, Ids ids) {
        this.ids = ids;
        this.jdbc = jdbc;
    }

    void write(long stepId, List<ChangedRow> rows) {
        List<Object[]> rowValues = new ArrayList<>();
        List<Object[]> columnValues = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            ChangedRow row = rows.get(i);
            long id = ids.next();
            Long pushed = row.pushedBy();
            rowValues.add(new Object[] {id, stepId, i, row.table(), row.id(), row.added() ? "ADD" : pushed != null ? "PUSH"
                    : "CHANGE", pushed});
            for (Map.Entry<String, ChangedRow.Value> value : pushed != null ? Map.<String, ChangedRow.Value>of().entrySet()
                    : row.values().entrySet()) {
                columnValues.add(new Object[] {ids.next(), id, value.getKey(), value.getValue().before(),
                    value.getValue().after()});
            }
        }
        batch("insert into step_row (id, step_id, place, table_name, row_id, kind, pushed) values (?, ?, ?, ?, ?, ?, ?)",
                rowValues);
        batch("insert into step_value (id, step_row_id, column_name, old_value, new_value) values (?, ?, ?, ?, ?)",
                columnValues);
    }

    private void batch(String sql, List<Object[]> values) {
        for (int i = 0; i < values.size(); i += BATCH) {
            List<Object[]> part = values.subList(i, Math.min(values.size(), i + BATCH));
            jdbc.batchUpdate(sql, part);
        }
    }

    private record Noted(long id, String table, long rowId, String kind, long pushed) {
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
        return jdbc.query("select s.name, s.who from step mine join step s on s.project_id = mine.project_id and s.seq > "
                        + "mine.seq and s.state = 'DONE' and s.id <> mine.id join step_row r on r.step_id = s.id join "
                        + "step_row m on m.step_id = mine.id and m.table_name = r.table_name and m.row_id = r.row_id "
                        + "where mine.id = ? and (m.kind = 'ADD' or exists (select 1 from step_value v join step_value w on "
                        + "w.column_name = v.column_name where v.step_row_id = r.id and w.step_row_id = m.id) or r.kind = "
                        + "'PUSH' and exists (select 1 from step_value w where w.step_row_id = m.id and w.column_name = "
                        + "'rec_in') or m.kind = 'PUSH' and exists (select 1 from step_value v where v.step_row_id = r.id "
                        + "and v.column_name = 'rec_in')) "
                        + "order by s.seq desc limit 1",
                (r, n) -> new Later(r.getString(1), r.getString(2)), stepId).stream().findFirst();
    }

    /** A value of a row as it was before a step. @param column null where the step added the row; @param pushed or by how many frames it pushed it */
    record Before(long rowId, String kind, String column, String value, long pushed) {
    }

    /** What the steps that hold changed in a table after a number of edits, the newest first. */
    List<Before> changesAfter(long projectId, long seq, String table) {
        return jdbc.query("select r.row_id, r.kind, v.column_name, v.old_value, coalesce(r.pushed, 0) from step s join step_row r "
                        + "on r.step_id = s.id left join step_value v on v.step_row_id = r.id where s.project_id = ? and "
                        + "s.seq > ? and s.state = 'DONE' and r.table_name = ? order by s.seq desc, r.place desc",
                (r, n) -> new Before(r.getLong(1), r.getString(2), r.getString(3), r.getString(4), r.getLong(5)), projectId,
                seq, table);
    }

    /** Takes a step back, last row first, or does it again, first row first. */
    void turn(long stepId, boolean back) {
        List<Noted> rows = jdbc.query("select id, table_name, row_id, kind, pushed from step_row where step_id = ? order "
                        + "by place" + (back ? " desc" : ""),
                (r, n) -> new Noted(r.getLong(1), r.getString(2), r.getLong(3), r.getString(4), r.getLong(5)), stepId);
        Map<Long, List<NotedValue>> values = jdbc.query("select v.step_row_id, v.column_name, "
                                + (back ? "v.old_value" : "v.new_value") + " from step_value v join step_row r on r.id = "
                                + "v.step_row_id where r.step_id = ?",
                        (r, n) -> new NotedValue(r.getLong(1), r.getString(2), r.getString(3)), stepId)
                .stream().collect(Collectors.groupingBy(NotedValue::rowId));
        Map<String, List<Noted>> pushes = new LinkedHashMap<>();
        for (Noted row : rows) {
            if (row.kind().equals("PUSH")) {
                pushes.computeIfAbsent(row.table() + row.pushed(), k -> new ArrayList<>()).add(row);
            } else if (row.kind().equals("ADD")) {
                set(row.table(), row.rowId(), List.of(new NotedValue(0, "alive", back ? null : "1")));
            } else {
                set(row.table(), row.rowId(), values.getOrDefault(row.id(), List.of()));
            }
        }
        pushes.values().forEach(same -> push(same.get(0).table(), same.stream().map(Noted::rowId).toList(),
                back ? -same.get(0).pushed() : same.get(0).pushed()));
    }

    /** Moves rows on the record clock, many at once. */
    private void push(String table, List<Long> rowIds, long frames) {
        checkTable(table);
        for (int i = 0; i < rowIds.size(); i += BATCH) {
            List<Long> part = rowIds.subList(i, Math.min(rowIds.size(), i + BATCH));
            List<Object> arguments = new ArrayList<>(List.of(frames, frames));
            arguments.addAll(part);
            jdbc.update("update " + table + " set rec_in = rec_in + ?, rec_out = rec_out + ? where id in ("
                    + String.join(", ", Collections.nCopies(part.size(), "?")) + ")", arguments.toArray());
        }
    }

    private static void checkTable(String table) {
        if (!TABLES.contains(table)) {
            throw new IllegalStateException("A step names " + table + ", which steps do not touch");
        }
    }

    private void set(String table, long id, List<NotedValue> values) {
        if (values.isEmpty()) {
            return;
        }
        checkTable(table);
        if (values.stream().anyMatch(v -> !v.column().matches("[a-z0-9_]+"))) {
            throw new IllegalStateException("A step names a column of " + table + " that cannot be one");
        }
        String columns = String.join(", ", values.stream().map(v -> v.column() + " = ?").toList());
        jdbc.update(connection -> {
            PreparedStatement update = connection.prepareStatement("update " + table + " set " + columns
                    + " where id = ?");
            for (int i = 0; i < values.size(); i++) {
                update.setString(i + 1, values.get(i).value());
            }
            update.setLong(values.size() + 1, id);
            return update;
        });
    }
}
