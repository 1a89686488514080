package freshsplice.server.steps;

import freshsplice.core.refusal.Refusal;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.StepRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.NotThere;
import freshsplice.server.web.Refused;
import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Makes, undoes and redoes steps. A project's steps are made one after another: each holds the project's row until
 * it is written, so an undo never meets half an edit.
 */
@Service
public class Steps {
    private final Store store;
    private final StepListener listener;
    private final StepJournal journal;
    private final TransactionTemplate transactions;
    private final LiveUpdates live;
    private final ObjectProvider<StepCheck> checks;

    Steps(Store store, StepListener listener, StepJournal journal, TransactionTemplate transactions,
          LiveUpdates live, ObjectProvider<StepCheck> checks) {
        this.checks = checks;
        this.store = store;
        this.listener = listener;
        this.journal = journal;
        this.transactions = transactions;
        this.live = live;
    }

    /**
     * Does an edit as one transaction and one step. An edit that changes nothing leaves no step.
     *
     * @param name what it does, in words that can stand after "Undo"
     * @return what the edit gives back
     */
    public <T> T make(long projectId, String name, String who, Supplier<T> edit) {
        EntityManager entities = store.entities();
        long[] seq = {-1};
        T result = transactions.execute(status -> {
            ProjectRow project = locked(projectId);
            listener.begin();
            List<ChangedRow> rows;
            T made;
            try {
                made = edit.get();
                entities.flush();
            } finally {
                rows = listener.end();
            }
            if (!rows.isEmpty()) {
                project.seq++;
                seq[0] = project.seq;
                entities.createQuery("update StepRow s set s.state = :passed where s.projectId = :project "
                                + "and s.state = :undone and s.who = :who").setParameter("passed", StepRow.State.PASSED)
                        .setParameter("project", projectId).setParameter("undone", StepRow.State.UNDONE)
                        .setParameter("who", who).executeUpdate();
                StepRow step = step(projectId, project.seq, name, who);
                store.add(step);
                entities.flush();
                journal.write(step.id, rows);
            }
            return made;
        });
        if (seq[0] >= 0) {
            live.tell(projectId, new LiveUpdates.Update("edit", seq[0], name, who));
        }
        return result;
    }

    /**
     * Writes something of a project that is no edit and cannot be undone, under the same lock as edits, so that neither
     * writes over the other.
     */
    public <T> T alongside(long projectId, Supplier<T> work) {
        return transactions.execute(status -> {
            locked(projectId);
            return work.get();
        });
    }

    /** Notes a row that an edit wrote without Hibernate, so that the step can be undone. Outside a step nothing is noted. */
    public void note(ChangedRow row) {
        listener.note(row);
    }

    private static StepRow step(long projectId, long seq, String name, String who) {
        StepRow step = new StepRow();
        step.projectId = projectId;
        step.seq = seq;
        step.name = name.substring(0, Math.min(300, name.length()));
        step.who = who;
        step.madeAt = Instant.now();
        step.state = StepRow.State.DONE;
        return step;
    }

    /** The step of somebody that an undo would take back: their own last one that holds. */
    public Optional<StepRow> undoable(long projectId, String who) {
        return nearest(projectId, who, StepRow.State.DONE, "desc");
    }

    /** The step of somebody that a redo would bring again. */
    public Optional<StepRow> redoable(long projectId, String who) {
        return nearest(projectId, who, StepRow.State.UNDONE, "asc");
    }

    /** @throws Refused if there is nothing of theirs to undo, or later steps of others build on it */
    public String undo(long projectId, String who) {
        return turn(projectId, who, who, true);
    }

    /** @throws Refused if there is nothing of theirs to redo, or later steps of others changed the same */
    public String redo(long projectId, String who) {
        return turn(projectId, who, who, false);
    }

    /**
     * Rows of a table as they were after a step, worked out backwards from how they are.
     *
     * @param now  every row's values by column, by id, those that are not alive too; changed to what they were
     * @param seq  the step's number
     */
    public void backTo(long projectId, long seq, String table, Map<Long, Map<String, String>> now) {
        for (StepJournal.Before change : journal.changesAfter(projectId, seq, table)) {
            if (change.kind().equals("PUSH")) {
                for (long id = change.rowId(); id <= change.rowLast(); id++) {
                    pushBack(now.get(id), change.pushed());
                }
                continue;
            }
            Map<String, String> row = now.get(change.rowId());
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

    private static void pushBack(Map<String, String> row, long frames) {
        if (row != null) {
            for (String end : List.of("rec_in", "rec_out")) {
                row.put(end, Long.toString(Long.parseLong(row.get(end)) - frames));
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

    /**
     * Undoes or redoes until a step is the last one that holds.
     *
     * @param seq the step's number; 0 to undo all
     * @return how many steps that took
     */
    public int goTo(long projectId, long seq, String who) {
        int turned = 0;
        while (undoable(projectId, null).filter(s -> s.seq > seq).isPresent()) {
            turn(projectId, who, null, true);
            turned++;
        }
        while (redoable(projectId, null).filter(s -> s.seq <= seq).isPresent()) {
            turn(projectId, who, null, false);
            turned++;
        }
        return turned;
    }

    /** @param whose only steps of theirs; null for everybody's, in the order of the history */
    private String turn(long projectId, String who, String whose, boolean back) {
        long[] seq = {0};
        String name = transactions.execute(status -> {
            ProjectRow project = locked(projectId);
            StepRow step = (back ? undoable(projectId, whose) : redoable(projectId, whose)).orElseThrow(
                    () -> new Refused(back ? "There is nothing to undo" : "There is nothing to redo"));
            journal.laterOn(step.id).ifPresent(later -> {
                throw new Refused("\"" + step.name + "\" cannot be " + (back ? "undone" : "done again")
                        + " by itself: " + later.who() + " did \"" + later.name() + "\" to the same after it. "
                        + "Go back in the history, or ask " + later.who() + " to undo that first");
            });
            step.state = back ? StepRow.State.UNDONE : StepRow.State.DONE;
            project.seq++;
            seq[0] = project.seq;
            store.entities().flush();
            journal.turn(step.id, back);
            store.entities().clear();
            try {
                checks.forEach(check -> check.afterTurn(projectId, step.id));
            } catch (Refusal e) {
                throw new Refused("\"" + step.name + "\" cannot be " + (back ? "undone" : "done again") + " by itself any "
                        + "more, because others edited after it: " + e.getMessage() + ". Go back in the history instead");
            }
            return step.name;
        });
        live.tell(projectId, new LiveUpdates.Update("edit", seq[0], (back ? "Undo: " : "Redo: ") + name, who));
        return name;
    }

    /** The newest step of somebody else after a number of edits: what may have come between. */
    public Optional<StepRow> newestOfOthers(long projectId, long seq, String who) {
        return store.entities().createQuery("select s from StepRow s where s.projectId = :project and s.seq > :seq "
                        + "and s.who <> :who and s.state = :done order by s.seq desc", StepRow.class)
                .setParameter("project", projectId).setParameter("seq", seq).setParameter("who", who)
                .setParameter("done", StepRow.State.DONE).setMaxResults(1).getResultList().stream().findFirst();
    }

    private ProjectRow locked(long projectId) {
        // the lock comes first: everything that is read after it is what the last step left
        store.entities().createNativeQuery("select id from project where id = ? for update").setParameter(1, projectId)
                .getResultList();
        ProjectRow project = store.entities().find(ProjectRow.class, projectId);
        if (project == null || project.alive == null) {
            throw new NotThere("There is no such project");
        }
        store.entities().refresh(project);
        return project;
    }

    private Optional<StepRow> nearest(long projectId, String who, StepRow.State state, String order) {
        return store.entities().createQuery("select s from StepRow s where s.projectId = :project and s.state = :state "
                        + "and (:who is null or s.who = :who) order by s.seq " + order, StepRow.class)
                .setParameter("project", projectId).setParameter("who", who)
                .setParameter("state", state).setMaxResults(1).getResultList().stream().findFirst();
    }
}
