package freshsplice.server.steps;

import freshsplice.core.refusal.Refusal;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.StepRow;
import freshsplice.server.rows.Store;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
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
    private final TouchLog touched;
    private final Turns turns;
    private final StepHistory history;
    private final ApplicationEventPublisher events;

    Steps(Store store, StepListener listener, StepJournal journal, TransactionTemplate transactions,
          LiveUpdates live, ObjectProvider<StepCheck> checks, TouchLog touched, Turns turns, StepHistory history,
          ApplicationEventPublisher events) {
        this.events = events;
        this.history = history;
        this.turns = turns;
        this.touched = touched;
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
     * @throws Refusal if it cannot be; where somebody else came between, the message says who did what
     */
    public <T> T make(long projectId, String name, Asker who, Supplier<T> edit) {
        try {
            return TriedAgain.onConflict(() -> make(projectId, name, who.name(), edit));
        } catch (Refusal e) {
            throw who.seen() == null ? e : history.newestOfOthers(projectId, who.seen(), who.name()).<Refusal>map(step ->
                    new Refused(e.getMessage() + ". " + step.who + " came first: " + step.name)).orElse(e);
        }
    }

    private <T> T make(long projectId, String name, String who, Supplier<T> edit) {
        EntityManager entities = store.entities();
        long[] seq = {-1};
        TouchLog.Rows changed = new TouchLog.Rows();
        T result = turns.in(projectId, () -> transactions.execute(status -> {
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
                journal.leaveUndone(projectId, who);
                StepRow step = step(projectId, project.seq, name, who);
                store.add(step);
                entities.flush();
                journal.write(step.id, rows);
                rows.forEach(row -> changed.add(row.table(), row.id(), row.id()));
                touched.by(projectId, project.seq, changed);
            }
            return made;
        }));
        if (seq[0] >= 0) {
            tell(projectId, seq[0], name, who, changed);
        }
        return result;
    }

    private void tell(long projectId, long seq, String name, String who, TouchLog.Rows changed) {
        // windows are told after it: what they ask for then is answered with this number
        events.publishEvent(new EditMade(projectId, seq));
        List<String> rooms = changed.tables().stream().map(Room::of).distinct().sorted().map(Room::name).toList();
        live.tell(projectId, new LiveUpdates.Update("edit", seq, name, who, rooms));
    }

    /**
     * Writes something of a project that is no edit and cannot be undone, under the same lock as edits, so that neither
     * writes over the other.
     */
    public <T> T alongside(long projectId, Supplier<T> work) {
        return TriedAgain.onConflict(() -> turns.in(projectId, () -> transactions.execute(status -> {
            locked(projectId);
            return work.get();
        })));
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

    /** @throws Refused if there is nothing of theirs to undo, or later steps of others build on it */
    public String undo(long projectId, Asker who) {
        return TriedAgain.onConflict(() -> turn(projectId, who.name(), true));
    }

    /** @throws Refused if there is nothing of theirs to redo, or later steps of others changed the same */
    public String redo(long projectId, Asker who) {
        return TriedAgain.onConflict(() -> turn(projectId, who.name(), false));
    }

    /**
     * Undoes or redoes until a step is the last one that holds, all of it or nothing.
     *
     * @param seq the step's number; 0 to undo all
     * @return how many steps that took
     * @throws Refused if what would come of it could not stand
     */
    public int goTo(long projectId, long seq, Asker who) {
        return TriedAgain.onConflict(() -> goneTo(projectId, seq, who));
    }

    private int goneTo(long projectId, long seq, Asker who) {
        long[] edit = {-1};
        TouchLog.Rows changed = new TouchLog.Rows();
        List<StepRow> turned = turns.in(projectId, () -> transactions.execute(status -> {
            locked(projectId);
            List<StepRow> steps = new ArrayList<>();
            turnAll(projectId, seq, true, steps, changed);
            turnAll(projectId, seq, false, steps, changed);
            if (!steps.isEmpty()) {
                // a step may have changed the project's own row: what Hibernate has of it is what it was before
                store.entities().clear();
                ProjectRow project = store.entities().find(ProjectRow.class, projectId);
                project.seq++;
                edit[0] = project.seq;
                store.entities().flush();
                store.entities().clear();
                check(projectId, steps, "The history cannot go there");
                touched.by(projectId, edit[0], changed);
            }
            return steps;
        }));
        if (edit[0] >= 0) {
            tell(projectId, edit[0], "went through the history", who.name(), changed);
        }
        return turned.size();
    }

    /** What is undone below a step that holds is no part of the way to it. */
    private void setAside(long projectId, long below) {
        store.entities().createQuery("from StepRow s where s.projectId = :project and s.seq < :below and s.state = 'UNDONE'", StepRow.class)
                .setParameter("project", projectId).setParameter("below", below).getResultList().forEach(step -> step.state = StepRow.State.ASIDE);
    }

    private void turnAll(long projectId, long seq, boolean back, List<StepRow> turned, TouchLog.Rows changed) {
        for (;;) {
            StepRow step = history.nearest(projectId, null, List.of(back ? StepRow.State.DONE : StepRow.State.UNDONE), back ? "desc" : "asc")
                    .filter(s -> back == s.seq > seq).orElse(null);
            if (step == null) {
                return;
            }
            step.state = back ? StepRow.State.UNDONE : StepRow.State.DONE;
            store.entities().flush();
            journal.turn(step.id, back, changed);
            turned.add(step);
        }
    }

    private void check(long projectId, List<StepRow> steps, String otherwise) {
        try {
            steps.forEach(step -> checks.forEach(check -> check.afterTurn(projectId, step.id)));
        } catch (Refusal e) {
            throw new Refused(otherwise + ": " + e.getMessage());
        }
    }

    private String turn(long projectId, String who, boolean back) {
        long[] seq = {0};
        TouchLog.Rows changed = new TouchLog.Rows();
        String name = turns.in(projectId, () -> transactions.execute(status -> {
            ProjectRow project = locked(projectId);
            StepRow step = (back ? history.undoable(projectId, who) : history.redoable(projectId, who)).orElseThrow(
                    () -> new Refused(back ? "There is nothing to undo" : "There is nothing to redo"));
            journal.laterOn(step.id).ifPresent(later -> {
                throw new Refused("\"" + step.name + "\" cannot be " + (back ? "undone" : "done again")
                        + " by itself: " + later.who() + " did \"" + later.name() + "\" to the same after it. "
                        + "Go back in the history, or ask " + later.who() + " to undo that first");
            });
            if (!back && !journal.canBeDoneAgain(step.id)) {
                throw new Refused("\"" + step.name + "\" cannot be done again by itself: " + journal.undoneBefore(step.id)
                        .map(before -> "it was done over \"" + before.name() + "\" of " + before.who() + ", which is undone")
                        .orElse("what it changed is not as it was before it") + ". Go to it in the history instead");
            }
            step.state = !back ? StepRow.State.DONE : history.undoable(projectId, null).filter(s -> s.seq > step.seq).isPresent()
                    ? StepRow.State.ASIDE : StepRow.State.UNDONE;
            if (!back) {
                setAside(projectId, step.seq);
            }
            project.seq++;
            seq[0] = project.seq;
            store.entities().flush();
            journal.turn(step.id, back, changed);
            store.entities().clear();
            check(projectId, List.of(step), "\"" + step.name + "\" cannot be " + (back ? "undone" : "done again")
                    + " by itself any more, because others edited after it. Go back in the history instead");
            touched.by(projectId, seq[0], changed);
            return step.name;
        }));
        tell(projectId, seq[0], (back ? "Undo: " : "Redo: ") + name, who, changed);
        return name;
    }

    private ProjectRow locked(long projectId) {
        // the lock comes first: everything that is read after it is what the last step left
        ProjectRow project = store.entities().find(ProjectRow.class, projectId, LockModeType.PESSIMISTIC_WRITE);
        if (project == null || project.alive == null) {
            throw new NotThere("There is no such project");
        }
        return project;
    }
}
