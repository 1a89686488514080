package freshsplice.server.stores.masters;

import freshsplice.core.cut.FormatNote;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Generator;
import freshsplice.core.master.RetimeKey;
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
 * Clips of masters in their table. An edit that pushes along thousands of them writes thousands of rows: they are read
 * and written in bulk, without an object for each that has to be watched.
 */
@Component
class ClipTable {
    /** A clip that is to be written: where it lies, and what it was; null for a new one. */
    record Change(long masterId, long trackId, Clip clip, Placement was) {
    }

    /** A clip and the track that it lies on. */
    record Placement(long masterId, long trackId, Clip clip) {
    }

    private static final String COLUMNS = "id, track_id, content, shot_id, nested_id, render_id, words, rec_in, rec_out, "
            + "from_position, speed, retime_keys, enabled, head_kind, head_before, head_after, head_curve, tail_kind, tail_before, "
            + "tail_after, tail_curve, generator, kept_format, kept";

    private final JdbcTemplate jdbc;
    private final Ids ids;
    private final Steps steps;
    private final Pushes pushes;

    ClipTable(JdbcTemplate jdbc, Ids ids, Steps steps, Pushes pushes) {
        this.pushes = pushes;
        this.jdbc = jdbc;
        this.ids = ids;
        this.steps = steps;
    }

    /** The clips of a master by track, in record order. */
    Map<Long, List<Clip>> byTrack(long masterId) {
        return jdbc.query("select " + COLUMNS + " from clip where master_id = ? and alive = 1 order by rec_in",
                        (r, n) -> new Placement(masterId, r.getLong(2), clip(r)), masterId).stream()
                .collect(Collectors.groupingBy(Placement::trackId, Collectors.mapping(Placement::clip, Collectors.toList())));
    }

    private static Clip clip(ResultSet r) throws SQLException {
        return new Clip(r.getLong(1), content(r), FrameRange.of(r.getLong(8), r.getLong(9)),
                Rational.parse(r.getString(10)), Rational.parse(r.getString(11)), RetimeKey.parse(r.getString(12)),
                r.getBoolean(13), transition(r, 14), transition(r, 18));
    }

    private static Clip.Content content(ResultSet r) throws SQLException {
        return switch (r.getString(3)) {
            case "SHOT" -> new Clip.Content.OfShot(r.getLong(4));
            case "MASTER" -> new Clip.Content.OfMaster(r.getLong(5));
            case "RENDER" -> new Clip.Content.OfRender(r.getLong(6));
            case "SLATE" -> new Clip.Content.Slate(r.getString(7), generator(r));
            default -> new Clip.Content.Black();
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

    /** A clip's values as the database has them. */
    private static Map<String, Object> values(long masterId, long trackId, Clip s) {
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("master_id", masterId);
        values.put("track_id", trackId);
        Clip.Content c = s.content();
        values.put("content", c instanceof Clip.Content.OfShot ? "SHOT" : c instanceof Clip.Content.OfMaster ? "MASTER"
                : c instanceof Clip.Content.OfRender ? "RENDER" : c instanceof Clip.Content.Slate ? "SLATE" : "BLACK");
        values.put("shot_id", c instanceof Clip.Content.OfShot o ? o.shotId() : null);
        values.put("nested_id", c instanceof Clip.Content.OfMaster o ? o.masterId() : null);
        values.put("render_id", c instanceof Clip.Content.OfRender o ? o.renderId() : null);
        values.put("words", c instanceof Clip.Content.Slate o ? o.text() : null);
        put(values, c instanceof Clip.Content.Slate o ? o.made() : null);
        values.put("rec_in", s.record().in());
        values.put("rec_out", s.record().out());
        values.put("from_position", s.from().toString());
        values.put("speed", s.speed().toString());
        values.put("retime_keys", RetimeKey.text(s.retimeKeys()));
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

    /** Writes clips that are new or were changed, and notes them for the step under way. */
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
        pushed.forEach((by, rows) -> pushes.push("clip", rows, by));
        changed.forEach((columns, rows) -> jdbc.batchUpdate("update clip set " + String.join(", ", columns.stream()
                .map(c -> c + " = ?").toList()) + " where id = ?", rows));
    }

    private void add(List<Change> fresh) {
        if (fresh.isEmpty()) {
            return;
        }
        List<Object[]> rows = new ArrayList<>();
        String insert = "";
        for (Change change : fresh) {
            Map<String, Object> values = values(change.masterId(), change.trackId(), change.clip());
            long id = ids.next();
            insert = "insert into clip (id, alive, " + String.join(", ", values.keySet()) + ") values (?, 1"
                    + ", ?".repeat(values.size()) + ")";
            List<Object> row = new ArrayList<>(List.of(id));
            row.addAll(values.values());
            rows.add(row.toArray());
            steps.note(new ChangedRow("clip", id, true, Map.of()));
        }
        jdbc.batchUpdate(insert, rows);
    }

    private static ChangedRow difference(Change change) {
        Placement was = change.was();
        Clip now = change.clip();
        Map<String, ChangedRow.Value> values = new LinkedHashMap<>();
        long by = now.record().in() - was.clip().record().in();
        if (was.trackId() == change.trackId() && was.masterId() == change.masterId() && was.clip().shiftedBy(by).equals(now)) {
            // most clips of an edit that pushes others along: nothing else of them is looked at
            values.put("rec_in", value(was.clip().record().in(), now.record().in()));
            values.put("rec_out", value(was.clip().record().out(), now.record().out()));
            return new ChangedRow("clip", now.id(), false, values);
        }
        Map<String, Object> before = values(was.masterId(), was.trackId(), was.clip());
        values(change.masterId(), change.trackId(), now).forEach((column, value) -> {
            if (!Objects.equals(before.get(column), value)) {
                values.put(column, new ChangedRow.Value(before.get(column), value));
            }
        });
        return new ChangedRow("clip", now.id(), false, values);
    }

    private static ChangedRow.Value value(long before, long after) {
        return new ChangedRow.Value(before, after);
    }

    /** Takes clips away; they stay in the table, not alive. */
    void remove(List<Long> gone) {
        jdbc.batchUpdate("update clip set alive = null where id = ?", gone.stream().map(id -> new Object[] {id}).toList());
        gone.forEach(id -> steps.note(new ChangedRow("clip", id, false,
                Map.of("alive", new ChangedRow.Value(true, null)))));
    }

    /** Those of some clips that lie in a master: others may have been taken over by another one. */
    List<Long> stillOf(long masterId, Collection<Long> some) {
        if (some.isEmpty()) {
            return List.of();
        }
        List<Object> arguments = new ArrayList<>(List.of(masterId));
        arguments.addAll(some);
        return jdbc.queryForList("select id from clip where master_id = ? and alive = 1 and id in ("
                + String.join(", ", some.stream().map(id -> "?").toList()) + ")", Long.class, arguments.toArray());
    }
}
