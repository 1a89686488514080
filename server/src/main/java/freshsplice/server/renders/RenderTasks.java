package freshsplice.server.renders;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.jdbc.JdbcCustomization;
import com.github.kagkarlsson.scheduler.jdbc.MariaDBJdbcCustomization;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.SchedulableInstance;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The queue of renders on db-scheduler: tasks in tables, taken once, taken up again when whoever had them is gone. Renders are begun
 * and their chunks drawn from one table, files are written from another, so that neither waits for the other.
 */
@Component
class RenderTasks {
    private static final Duration LOOK_EVERY = Duration.ofMillis(250);
    private static final Duration HEARTBEAT = Duration.ofSeconds(5);
    private static final Duration AGAIN_AFTER = Duration.ofSeconds(2);
    private static final Duration PATIENCE_AT_END = Duration.ofSeconds(6);
    private static final String BEGIN = "begin";
    private static final String CHUNK = "chunk";
    private static final String WRITE = "write";
    private static final String WRITE_ALSO = "write also";
    private static final String DRAWING = "scheduled_drawing";
    private static final String WRITING = "scheduled_writing";
    private static final SchedulerName HERE = new SchedulerName.Fixed("server");

    /** What is to be done. Whatever they throw is tried again; what cannot become better they end themselves. */
    interface Work {
        /** @return whether it came to its end; false puts it back */
        boolean begin(long renderId) throws Exception;

        /** @param tries how often it failed before */
        boolean draw(long renderId, long first, int tries) throws Exception;

        boolean write(long renderId) throws Exception;

        /** @param kind of files */
        boolean writeAlso(long renderId, String kind) throws Exception;
    }

    private final DataSource database;
    private final JdbcTemplate jdbc;
    /** Joins the caller's where there is one. */
    private final TransactionTemplate transactions;
    private final SchedulerClient toDraw;
    private final SchedulerClient toWrite;
    private Scheduler drawing;
    private Scheduler writing;

    RenderTasks(DataSource database, JdbcTemplate jdbc, TransactionTemplate transactions) {
        this.database = database;
        this.jdbc = jdbc;
        this.transactions = transactions;
        DataSource joining = new TransactionAwareDataSourceProxy(database);
        JdbcCustomization inUtc = new MariaDBJdbcCustomization(true);
        this.toDraw = SchedulerClient.Builder.create(joining).tableName(DRAWING).jdbcCustomization(inUtc).enablePriority().build();
        this.toWrite = SchedulerClient.Builder.create(joining).tableName(WRITING).jdbcCustomization(inUtc).enablePriority().build();
    }

    private interface One {
        boolean run(TaskInstance<Void> instance, int tries) throws Exception;
    }

    private static CustomTask<Void> task(String name, One one) {
        return Tasks.custom(name, Void.class).onFailure((complete, operations) -> operations.reschedule(complete, Instant.now().plus(AGAIN_AFTER)))
                .onDeadExecutionRevive().execute((instance, context) -> {
                    boolean done;
                    try {
                        done = one.run(instance, context.getExecution().consecutiveFailures);
                    } catch (RuntimeException e) {
                        throw e;
                    } catch (Exception e) {
                        throw new IllegalStateException(e);
                    }
                    CompletionHandler<Void> remove = new CompletionHandler.OnCompleteRemove<>();
                    return done ? remove : (complete, operations) -> operations.reschedule(complete, Instant.now());
                });
    }

    /** Begins to work. What was being done when this server was last killed is nobody's any more. */
    void start(Work work) {
        for (String table : List.of(DRAWING, WRITING)) {
            update("update " + table + " set picked = false, picked_by = null, last_heartbeat = null where picked_by = ?", HERE.getName());
        }
        drawing = scheduler(DRAWING, 1, List.of(task(BEGIN, (i, tries) -> work.begin(Long.parseLong(i.getId()))),
                task(CHUNK, (i, tries) -> work.draw(render(i.getId()), first(i.getId()), tries))));
        writing = scheduler(WRITING, 1, List.of(task(WRITE, (i, tries) -> work.write(Long.parseLong(i.getId()))),
                task(WRITE_ALSO, (i, tries) -> work.writeAlso(render(i.getId()), i.getId().substring(i.getId().indexOf('-') + 1)))));
        beginForgotten();
        drawing.start();
        writing.start();
    }

    /** Renders that wait and that no task knows of: asked for by an earlier version of the program. */
    private void beginForgotten() {
        transactions.executeWithoutResult(status -> jdbc.query("select r.id, r.place from render r where r.state in ('WAITING', 'DRAWING') and "
                + "not exists (select 1 from scheduled_drawing d where d.task_instance = r.id or d.task_instance like concat(r.id, '-%')) and "
                + "not exists (select 1 from scheduled_writing w where w.task_instance = r.id)",
                row -> {
                    begin(row.getLong(1), row.getLong(2));
                }));
    }

    /** Whether anything but one chunk of a render is still to be done. */
    boolean isAlone(long renderId, long first) {
        Integer others = jdbc.queryForObject("select count(*) from scheduled_drawing where task_name = ? and task_instance like ? and "
                + "task_instance <> ?", Integer.class, CHUNK, renderId + "-%", chunk(renderId, first));
        return others == null || others == 0;
    }

    private static String chunk(long renderId, long first) {
        return String.format("%d-%07d", renderId, first);
    }

    private Scheduler scheduler(String table, int threads, List<Task<?>> tasks) {
        return Scheduler.create(database, tasks).jdbcCustomization(new MariaDBJdbcCustomization(true)).tableName(table).threads(threads).schedulerName(HERE).enablePriority().pollingInterval(LOOK_EVERY)
                .pollUsingFetchAndLockOnExecute(0.5, 1.0).heartbeatInterval(HEARTBEAT)
                .missedHeartbeatsLimit(4).commitWhenAutocommitDisabled(true).shutdownMaxWait(PATIENCE_AT_END).failureLogging(com.github.kagkarlsson.scheduler.logging.LogLevel.DEBUG, false)
                .build();
    }

    private static long render(String chunk) {
        return Long.parseLong(chunk.substring(0, chunk.indexOf('-')));
    }

    private static long first(String chunk) {
        return Long.parseLong(chunk.substring(chunk.indexOf('-') + 1));
    }

    private static SchedulableInstance<Void> instance(String task, String id, long place) {
        return new TaskInstance.Builder<Void>(task, id).priority((int) -place).scheduledTo(Instant.now());
    }

    /** @param place in the queue, lower ones first */
    void begin(long renderId, long place) {
        transactions.executeWithoutResult(status -> toDraw.scheduleIfNotExists(instance(BEGIN, String.valueOf(renderId), place)));
    }

    /** New renders, each at the place of its id. */
    void begin(List<Long> renderIds) {
        List<SchedulableInstance<?>> all = new ArrayList<>();
        renderIds.forEach(id -> all.add(instance(BEGIN, String.valueOf(id), id)));
        transactions.executeWithoutResult(status -> toDraw.scheduleBatch(all));
    }

    /** @param firsts frames that chunks begin with */
    void chunks(long renderId, Collection<Long> firsts, long place) {
        transactions.executeWithoutResult(status -> firsts.forEach(first ->
                toDraw.scheduleIfNotExists(instance(CHUNK, chunk(renderId, first), place))));
    }

    void write(long renderId, long place) {
        transactions.executeWithoutResult(status -> toWrite.scheduleIfNotExists(instance(WRITE, String.valueOf(renderId), place)));
    }

    void writeAlso(long renderId, String kind, long place) {
        transactions.executeWithoutResult(status -> toWrite.scheduleIfNotExists(instance(WRITE_ALSO, renderId + "-" + kind, place)));
    }

    /** Takes away what of a render nobody has begun. */
    void takeAway(long renderId) {
        update("delete from scheduled_drawing where picked = false and (task_name = ? and task_instance = ? or task_name = ? and "
                + "task_instance like ?)", BEGIN, String.valueOf(renderId), CHUNK, renderId + "-%");
        update("delete from scheduled_writing where picked = false and task_instance = ?", String.valueOf(renderId));
    }

    /** Gives a render another place in the queue. */
    void place(long renderId, long place) {
        update("update scheduled_drawing set priority = ? where task_name = ? and task_instance = ? or task_name = ? and "
                + "task_instance like ?", -place, BEGIN, String.valueOf(renderId), CHUNK, renderId + "-%");
    }

    private void update(String sql, Object... values) {
        transactions.executeWithoutResult(status -> jdbc.update(sql, values));
    }

    void stop() {
        if (drawing != null) {
            drawing.stop();
            writing.stop();
        }
    }
}
