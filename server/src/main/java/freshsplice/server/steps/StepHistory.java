package freshsplice.server.steps;

import freshsplice.server.rows.StepRow;
import freshsplice.server.rows.Store;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;

/** What was done in a project, by whom, and what of it can be undone and done again. */
@Service
public class StepHistory {
    private final Store store;
    private final StepJournal journal;
    private final JdbcTemplate jdbc;

    StepHistory(Store store, StepJournal journal, JdbcTemplate jdbc) {
        this.store = store;
        this.journal = journal;
        this.jdbc = jdbc;
    }

    /** A step in short. */
    public record Brief(String name, String who, Instant madeAt) {
    }

    /** @param undo what an undo of a person would take back; @param redo what a redo would bring again */
    public record OfPerson(Optional<Brief> undo, Optional<Brief> redo) {
    }

    /** What a person can undo and redo: asked after every edit of theirs, and so in one question. */
    public OfPerson of(long projectId, String who) {
        Map<String, Brief> found = new HashMap<>();
        jdbc.query("(select 'undo', name, who, made_at from step where project_id = ? and state = 'DONE' and who = ? "
                + "order by seq desc limit 1) union all (select 'redo', name, who, made_at from step where project_id = ? and "
                + "state in ('UNDONE', 'ASIDE') and who = ? order by seq limit 1)", row -> {
                    found.put(row.getString(1), new Brief(row.getString(2), row.getString(3),
                            row.getObject(4, Timestamp.class).toInstant()));
                }, projectId, who, projectId, who);
        return new OfPerson(Optional.ofNullable(found.get("undo")), Optional.ofNullable(found.get("redo")));
    }

    /** The step of somebody that an undo would take back: their own last one that holds. */
    Optional<StepRow> undoable(long projectId, String who) {
        return nearest(projectId, who, List.of(StepRow.State.DONE), "desc");
    }

    /** The step of somebody that a redo would bring again. */
    Optional<StepRow> redoable(long projectId, String who) {
        return nearest(projectId, who, List.of(StepRow.State.UNDONE, StepRow.State.ASIDE), "asc");
    }

    /**
     * Rows of a table as they were after a step, worked out backwards from how they are.
     *
     * @param now  every row's values by column, by id, those that are not alive too; changed to what they were
     * @param seq  the step's number
     */
    public void backTo(long projectId, long seq, String table, Map<Long, Map<String, Object>> now) {
        for (StepJournal.Before change : journal.changesAfter(projectId, seq, table)) {
            if (change.kind().equals("PUSH")) {
                for (long id = change.rowId(); id <= change.rowLast(); id++) {
                    pushBack(now.get(id), change.pushed());
                }
                continue;
            }
            Map<String, Object> row = now.get(change.rowId());
            if (row == null) {
                continue;
            }
            if (change.kind().equals("ADD")) {
                row.put("alive", null);
            } else if (change.column() != null) {
                row.put(change.column(), change.value());
            }
        }
    }

    private static void pushBack(Map<String, Object> row, long frames) {
        if (row != null) {
            for (String end : List.of("rec_in", "rec_out")) {
                row.put(end, (Long) row.get(end) - frames);
            }
        }
    }

    /** The step with a number, if it is one of the project's. */
    public Optional<StepRow> find(long projectId, long seq) {
        return store.entities().createQuery("select s from StepRow s where s.projectId = :project and s.seq = :seq",
                StepRow.class).setParameter("project", projectId).setParameter("seq", seq).getResultStream().findFirst();
    }

    /** The newest steps that hold or can be done again, the newest first. */
    public List<StepRow> history(long projectId, int most) {
        return store.entities().createQuery("select s from StepRow s where s.projectId = :project and s.state <> :passed "
                        + "order by s.seq desc", StepRow.class).setParameter("project", projectId)
                .setParameter("passed", StepRow.State.PASSED).setMaxResults(most).getResultList();
    }

    /** The newest step of somebody else after a number of edits: what may have come between. */
    Optional<StepRow> newestOfOthers(long projectId, long seq, String who) {
        return store.entities().createQuery("select s from StepRow s where s.projectId = :project and s.seq > :seq "
                        + "and s.who <> :who and s.state = :done order by s.seq desc", StepRow.class)
                .setParameter("project", projectId).setParameter("seq", seq).setParameter("who", who)
                .setParameter("done", StepRow.State.DONE).setMaxResults(1).getResultList().stream().findFirst();
    }

    /** @param who null for anybody; @param order {@code desc} for the newest, {@code asc} for the oldest */
    Optional<StepRow> nearest(long projectId, String who, List<StepRow.State> states, String order) {
        return store.entities().createQuery("select s from StepRow s where s.projectId = :project and s.state in :states "
                        + "and (:who is null or s.who = :who) order by s.seq " + order, StepRow.class)
                .setParameter("project", projectId).setParameter("who", who)
                .setParameter("states", states).setMaxResults(1).getResultList().stream().findFirst();
    }
}
