package freshsplice.server.stores.masters;

import freshsplice.core.cut.FormatNote;
import freshsplice.core.master.Bend;
import freshsplice.core.master.Generator;
import freshsplice.core.master.Section;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.Ids;
import freshsplice.server.steps.ChangedRow;
import freshsplice.server.steps.Pushes;
import freshsplice.server.steps.Steps;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Pieces of masters in their table. An edit that pushes along thousands of them writes thousands of rows: they are read
 * and written in bulk, without an object for each that has to be watched.
 */
@Component
class SectionTable {
    /** A piece that is to be written: where it lies, and what it was; null for a new one. */
    record Change(long masterId, long laneId, Section section, Placement was) {
    }

    /** A piece and the lane that it lies on. */
    record Placement(long masterId, long laneId, Section section) {
    }

    private static final String COLUMNS = "id, lane_id, content, shot_id, nested_id, render_id, words, rec_in, rec_out, "
            + "from_position, speed, bends, enabled, head_kind, head_before, head_after, head_curve, tail_kind, tail_before, "
            + "tail_after, tail_curve, generator, kept_format, kept";

    private final JdbcTemplate jdbc;
    private final Ids ids;
    private final Steps steps;
    private final Pushes pushes;

    SectionTable(JdbcTemplate jdbc, Ids ids, Steps steps, Pushes pushes) {
        this.pushes = pushes;
        this.jdbc = jdbc;
        this.ids = ids;
        this.steps = steps;
    }

    /** The pieces of a master by lane, in record order. */
    Map<Long, List<Section>> byLane(long masterId) {
        return jdbc.query("select " + COLUMNS + " from section where master_id = ? and alive = 1 order by rec_in",
                        (r, n) -> new Placement(masterId, r.getLong(2), section(r)), masterId).stream()
                .collect(Collectors.groupingBy(Placement::laneId, Collectors.mapping(Placement::section, Collectors.toList())));
    }

    private static Section section(ResultSet r) throws SQLException {
        return new Section(r.getLong(1), content(r), FrameRange.of(r.getLong(8), r.getLong(9)),
                Rational.parse(r.getString(10)), Rational.parse(r.getString(11)), Bend.parse(r.getString(12)),
                r.getBoolean(13), transition(r, 14), transition(r, 18));
    }

    private static Section.Content content(ResultSet r) throws SQLException {
        return switch (r.getString(3)) {
            case "SHOT" -> new Section.Content.OfShot(r.getLong(4));
            case "MASTER" -> new Section.Content.OfMaster(r.getLong(5));
            case "RENDER" -> new Section.Content.OfRender(r.getLong(6));
            case "SLATE" -> new Section.Content.Slate(r.getString(7), generator(r));
            default -> new Section.Content.Black();
        };
    }

    private static Generator generator(ResultSet r) throws SQLException {
        String kept = r.getString(24);
        return r.getString(22) == null ? null : new Generator(r.getString(22), kept == null ? null : new FormatNote(r.getString(23), kept));
    }

    private static void put(Map<String, Object> values, Generator made) {
        FormatNote kept = made == null ? null : made.kept();
        values.put("generator", made == null ? null : made.name());
        values.put("kept_format", kept == null ? null : kept.format());
        values.put("kept", kept == null ? null : kept.text());
    }

    private static Transition transition(ResultSet r, int column) throws SQLException {
        String kind = r.getString(column);
        String curve = r.getString(column + 3);
        return kind == null ? null : new Transition(Transition.Kind.valueOf(kind), r.getLong(column + 1), r.getLong(column + 2),
                curve == null ? Transition.Curve.EVEN : Transition.Curve.valueOf(curve));
    }

    /** A piece's values as the database has them. */
    private static Map<String, Object> values(long masterId, long laneId, Section s) {
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("master_id", masterId);
        values.put("lane_id", laneId);
        Section.Content c = s.content();
        values.put("content", c instanceof Section.Content.OfShot ? "SHOT" : c instanceof Section.Content.OfMaster ? "MASTER"
                : c instanceof Section.Content.OfRender ? "RENDER" : c instanceof Section.Content.Slate ? "SLATE" : "BLACK");
        values.put("shot_id", c instanceof Section.Content.OfShot o ? o.shotId() : null);
        values.put("nested_id", c instanceof Section.Content.OfMaster o ? o.masterId() : null);
        values.put("render_id", c instanceof Section.Content.OfRender o ? o.renderId() : null);
        values.put("words", c instanceof Section.Content.Slate o ? o.text() : null);
        put(values, c instanceof Section.Content.Slate o ? o.made() : null);
        values.put("rec_in", s.record().in());
        values.put("rec_out", s.record().out());
        values.put("from_position", s.from().toString());
        values.put("speed", s.speed().toString());
        values.put("bends", Bend.text(s.bends()));
        values.put("enabled", s.enabled());
        put(values, "head", s.head());
        put(values, "tail", s.tail());
        return values;
    }

    private static void put(Map<String, Object> values, String at, Transition transition) {
        values.put(at + "_kind", transition == null ? null : transition.kind().name());
        values.put(at + "_before", transition == null ? 0L : transition.before());
        values.put(at + "_after", transition == null ? 0L : transition.after());
        values.put(at + "_curve", transition == null ? null : transition.curve().name());
    }

    /** Writes pieces that are new or were changed, and notes them for the step under way. */
    void write(List<Change> changes) {
        List<Change> fresh = changes.stream().filter(c -> c.was() == null).toList();
        Map<Long, List<Long>> pushed = new HashMap<>();
        Map<List<String>, List<Object[]>> changed = new HashMap<>();
        for (Change change : changes) {
            if (change.was() != null) {
                ChangedRow row = difference(change);
                Long by = row.pushedBy();
                if (by != null) {
                    pushed.computeIfAbsent(by, k -> new ArrayList<>()).add(row.id());
                } else if (!row.values().isEmpty()) {
                    List<Object> arguments = new ArrayList<>(row.values().values().stream().map(ChangedRow.Value::after)
                            .toList());
                    arguments.add(row.id());
                    changed.computeIfAbsent(List.copyOf(row.values().keySet()), k -> new ArrayList<>())
                            .add(arguments.toArray());
                }
                steps.note(row);
            }
        }
        add(fresh);
        pushed.forEach((by, rows) -> pushes.push("section", rows, by));
        changed.forEach((columns, rows) -> jdbc.batchUpdate("update section set " + String.join(", ", columns.stream()
                .map(c -> c + " = ?").toList()) + " where id = ?", rows));
    }

    private void add(List<Change> fresh) {
        if (fresh.isEmpty()) {
            return;
        }
        List<Object[]> rows = new ArrayList<>();
        String insert = "";
        for (Change change : fresh) {
            Map<String, Object> values = values(change.masterId(), change.laneId(), change.section());
            long id = ids.next();
            insert = "insert into section (id, alive, " + String.join(", ", values.keySet()) + ") values (?, 1"
                    + ", ?".repeat(values.size()) + ")";
            List<Object> row = new ArrayList<>(List.of(id));
            row.addAll(values.values());
            rows.add(row.toArray());
            steps.note(new ChangedRow("section", id, true, Map.of()));
        }
        jdbc.batchUpdate(insert, rows);
    }

    private static ChangedRow difference(Change change) {
        Placement was = change.was();
        Section now = change.section();
        Map<String, ChangedRow.Value> values = new LinkedHashMap<>();
        long by = now.record().in() - was.section().record().in();
        if (was.laneId() == change.laneId() && was.masterId() == change.masterId() && was.section().shiftedBy(by).equals(now)) {
            // most pieces of an edit that pushes others along: nothing else of them is looked at
            values.put("rec_in", value(was.section().record().in(), now.record().in()));
            values.put("rec_out", value(was.section().record().out(), now.record().out()));
            return new ChangedRow("section", now.id(), false, values);
        }
        Map<String, Object> before = values(was.masterId(), was.laneId(), was.section());
        values(change.masterId(), change.laneId(), now).forEach((column, value) -> {
            if (!Objects.equals(before.get(column), value)) {
                values.put(column, new ChangedRow.Value(before.get(column), value));
            }
        });
        return new ChangedRow("section", now.id(), false, values);
    }

    private static ChangedRow.Value value(long before, long after) {
        return new ChangedRow.Value(before, after);
    }

    /** Takes pieces away; they stay in the table, not alive. */
    void remove(List<Long> gone) {
        jdbc.batchUpdate("update section set alive = null where id = ?", gone.stream().map(id -> new Object[] {id}).toList());
        gone.forEach(id -> steps.note(new ChangedRow("section", id, false,
                Map.of("alive", new ChangedRow.Value(true, null)))));
    }

    /** Those of some pieces that lie in a master: others may have been taken over by another one. */
    List<Long> stillOf(long masterId, Collection<Long> some) {
        if (some.isEmpty()) {
            return List.of();
        }
        List<Object> arguments = new ArrayList<>(List.of(masterId));
        arguments.addAll(some);
        return jdbc.queryForList("select id from section where master_id = ? and alive = 1 and id in ("
                + String.join(", ", some.stream().map(id -> "?").toList()) + ")", Long.class, arguments.toArray());
    }
}
