package freshsplice.server.renders;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.jdbc.JdbcCustomization;
import com.github.kagkarlsson.scheduler.jdbc.MariaDBJdbcCustomization;
import com.github.kagkarlsson.scheduler.logging.LogLevel;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.SchedulableInstance;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import freshsplice.render.FileDigest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
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
    /** Of seats elsewhere, which are told besides when there is something new. */
    private static final Duration LOOK_EVERY_ELSEWHERE = Duration.ofSeconds(1);
    /** What one scheduler does not know is another's. */
    private static final Duration NEVER = Duration.ofDays(36_500);
    private static final Duration HEARTBEAT = Duration.ofSeconds(5);
    private static final Duration AGAIN_AFTER = Duration.ofSeconds(2);
    private static final Duration PATIENCE_AT_END = Duration.ofSeconds(6);
    private static final String BEGIN = "begin";
    private static final String CHUNK = "chunk";
    private static final String WRITE = "write";
    private static final String WRITE_ALSO = "write also";
    private static final String DRAWING = "scheduled_drawing";
    private static final String WRITING = "scheduled_writing";
    private static final String SERVER = "server";

    /** How a chunk's turn ended: it is done with, is put back, or is for machines that draw as its render was begun. */
    enum Turn { DONE, AGAIN, ELSEWHERE }

    /** What was put back is drawn next, before all that waits at its place in the queue. */
    private static final Instant FIRST = Instant.parse("2000-01-01T00:00:00Z");

    /** What is to be done. Whatever they throw is tried again; what cannot become better they end themselves. */
    interface Work {
        /** @return whether it came to its end; false puts it back */
        boolean begin(long renderId) throws Exception;

        /** @param tries how often it failed before; @param seat that draws it */
        Turn draw(long renderId, long first, int tries, Seat seat) throws Exception;

        /** The driver that a render's frames are drawn by; null while that is open. */
        String driverOf(long renderId);

        boolean write(long renderId) throws Exception;

        /** @param kind of files */
        boolean writeAlso(long renderId, String kind) throws Exception;
    }

    /** @param chunks name of those that it draws beside the ones that are not bound */
    private record Open(Scheduler scheduler, String chunks) {
    }

    private final DataSource database;
    private final JdbcTemplate jdbc;
    /** Joins the caller's where there is one. */
    private final TransactionTemplate transactions;
    private final SchedulerClient toDraw;
    private final SchedulerClient toWrite;
    private final Map<Seat, Open> seats = new ConcurrentHashMap<>();
    private Work work;
    private Scheduler beginning;
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
        Turn run(TaskInstance<Void> instance, int tries) throws Exception;
    }

    private static Turn turn(boolean done) {
        return done ? Turn.DONE : Turn.AGAIN;
    }

    private CustomTask<Void> task(String name, One one) {
        // a machine that failed rests itself: what it had is for others at once
        return Tasks.custom(name, Void.class).onFailure((complete, operations) -> operations.reschedule(complete,
                name.startsWith(CHUNK) && complete.getCause().filter(IllegalStateException.class::isInstance).isPresent() ? FIRST
                        : Instant.now().plus(AGAIN_AFTER)))
                .onDeadExecutionRevive().execute((instance, context) -> ending(one, instance, context.getExecution().consecutiveFailures));
    }

    private CompletionHandler<Void> ending(One one, TaskInstance<Void> instance, int tries) {
        Turn turn;
        try {
            turn = one.run(instance, tries);
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
        return switch (turn) {
            case DONE -> new CompletionHandler.OnCompleteRemove<>();
            case AGAIN -> (complete, operations) -> operations.reschedule(complete, instance.getTaskName().startsWith(CHUNK) ? FIRST : Instant.now());
            case ELSEWHERE -> (complete, operations) -> operations.removeAndScheduleNew(instance(
                    chunkName(work.driverOf(render(instance.getId()))), instance.getId(), -instance.getPriority(), FIRST));
        };
    }

    /** A chunk on a seat. @param driver null for those of renders that are not bound to one yet */
    private Task<?> chunkTask(Seat seat, String driver) {
        return task(chunkName(driver), (i, tries) -> work.draw(render(i.getId()), first(i.getId()), tries, seat));
    }

    /**
     * Begins to work. What was being done when this server was last killed is nobody's any more.
     *
     * @return whether anything is there to be drawn
     */
    boolean start(Work all) {
        work = all;
        for (String table : List.of(DRAWING, WRITING)) {
            update("update " + table + " set picked = false, picked_by = null, last_heartbeat = null where picked = true");
        }
        beginning = scheduler(DRAWING, SERVER, LOOK_EVERY, List.of(task(BEGIN, (i, tries) -> turn(work.begin(Long.parseLong(i.getId()))))));
        writing = scheduler(WRITING, SERVER, LOOK_EVERY, List.of(task(WRITE, (i, tries) -> turn(work.write(Long.parseLong(i.getId())))),
                task(WRITE_ALSO, (i, tries) -> turn(work.writeAlso(render(i.getId()), i.getId().substring(i.getId().indexOf('-') + 1))))));
        beginForgotten();
        beginning.start();
        writing.start();
        return any("select count(*) from " + DRAWING);
    }

    private boolean any(String sql, Object... values) {
        Integer count = jdbc.queryForObject(sql, Integer.class, values);
        return count != null && count > 0;
    }

    /** Lets a seat draw: it is a scheduler of its own that takes one chunk at a time, and none of renders that another driver draws. */
    void open(Seat seat) throws IOException {
        String driver = seat.driver();
        Duration every = seat.name().equals(Seat.OWN) ? LOOK_EVERY : LOOK_EVERY_ELSEWHERE;
        Scheduler scheduler = scheduler(DRAWING, seat.queueName(), every, List.of(chunkTask(seat, null), chunkTask(seat, driver)));
        seats.put(seat, new Open(scheduler, chunkName(driver)));
        scheduler.start();
    }

    /** Ends a seat's work; what it had is put back. */
    void close(Seat seat) {
        Open open = seats.remove(seat);
        if (open != null) {
            open.scheduler().stop();
            update("update " + DRAWING + " set picked = false, picked_by = null, last_heartbeat = null, execution_time = '2000-01-01' where picked_by = ?",
                    seat.queueName());
        }
    }

    /** A seat takes nothing until it is woken. */
    void rest(Seat seat) {
        Optional.ofNullable(seats.get(seat)).ifPresent(open -> open.scheduler().pause());
    }

    void wake(Seat seat) {
        Optional.ofNullable(seats.get(seat)).ifPresent(open -> {
            open.scheduler().resume();
            open.scheduler().triggerCheckForDueExecutions();
        });
    }

    /** Whether there is more to draw than seats to draw it, so that no further render need be begun yet. */
    boolean isAhead() {
        List<String> taken = Stream.concat(Stream.of(CHUNK), seats.values().stream().map(Open::chunks)).distinct().toList();
        Integer waiting = jdbc.queryForObject("select count(*) from " + DRAWING + " where picked = false and task_name in ("
                + String.join(", ", Collections.nCopies(taken.size(), "?")) + ")", Integer.class, taken.toArray());
        return waiting != null && waiting >= Math.max(1, seats.size());
    }

    private static String chunkName(String driver) {
        return driver == null ? CHUNK : CHUNK + " of " + FileDigest.of(driver.getBytes(StandardCharsets.UTF_8)).substring(0, 12);
    }

    /** Keeps the chunks of a render for machines that draw alike; for all where the driver is null. */
    void bind(long renderId, String driver) {
        update("update " + DRAWING + " set task_name = ? where picked = false and task_name <> ? and task_instance like ?", chunkName(driver),
                BEGIN, renderId + "-%");
    }

    /** Renders that wait and that no task knows of: whose last chunk was let go as somebody had them go on, or of an earlier version. */
    void beginForgotten() {
        transactions.executeWithoutResult(status -> jdbc.query("select r.id, r.place from render r where r.state in ('WAITING', 'DRAWING') and "
                + "not exists (select 1 from scheduled_drawing d where d.task_instance = r.id or d.task_instance like concat(r.id, '-%')) and "
                + "not exists (select 1 from scheduled_writing w where w.task_instance = r.id)",
                row -> {
                    begin(row.getLong(1), row.getLong(2));
                }));
    }

    /** Whether anything but one chunk of a render is still to be done. */
    boolean isAlone(long renderId, long first) {
        return !any("select count(*) from " + DRAWING + " where task_name <> ? and task_instance like ? and task_instance <> ?", BEGIN,
                renderId + "-%", chunk(renderId, first));
    }

    private static String chunk(long renderId, long first) {
        return String.format("%d-%07d", renderId, first);
    }

    private Scheduler scheduler(String table, String name, Duration every, List<Task<?>> tasks) {
        return Scheduler.create(database, tasks).jdbcCustomization(new MariaDBJdbcCustomization(true)).tableName(table).threads(1)
                .schedulerName(new SchedulerName.Fixed(name)).enablePriority().pollingInterval(every).pollUsingFetchAndLockOnExecute(0.5, 1.0)
                .heartbeatInterval(HEARTBEAT).missedHeartbeatsLimit(4).commitWhenAutocommitDisabled(true).shutdownMaxWait(PATIENCE_AT_END)
                .failureLogging(LogLevel.DEBUG, false).deleteUnresolvedAfter(NEVER).build();
    }

    private static long render(String chunk) {
        return Long.parseLong(chunk.substring(0, chunk.indexOf('-')));
    }

    private static long first(String chunk) {
        return Long.parseLong(chunk.substring(chunk.indexOf('-') + 1));
    }

    private static SchedulableInstance<Void> instance(String task, String id, long place) {
        return instance(task, id, place, Instant.now());
    }

    private static SchedulableInstance<Void> instance(String task, String id, long place, Instant from) {
        return new TaskInstance.Builder<Void>(task, id).priority((int) -place).scheduledTo(from);
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

    /** @param firsts frames that chunks begin with; @param driver that draws them, null for any */
    void chunks(long renderId, Collection<Long> firsts, long place, String driver) {
        transactions.executeWithoutResult(status -> firsts.forEach(first ->
                toDraw.scheduleIfNotExists(instance(chunkName(driver), chunk(renderId, first), place))));
        seats.values().forEach(open -> open.scheduler().triggerCheckForDueExecutions());
    }

    void write(long renderId, long place) {
        transactions.executeWithoutResult(status -> toWrite.scheduleIfNotExists(instance(WRITE, String.valueOf(renderId), place)));
    }

    void writeAlso(long renderId, String kind, long place) {
        transactions.executeWithoutResult(status -> toWrite.scheduleIfNotExists(instance(WRITE_ALSO, renderId + "-" + kind, place)));
    }

    /** Takes away what of a render nobody has begun. */
    void takeAway(long renderId) {
        update("delete from scheduled_drawing where picked = false and (task_instance = ? or task_instance like ?)", String.valueOf(renderId),
                renderId + "-%");
        update("delete from scheduled_writing where picked = false and task_instance = ?", String.valueOf(renderId));
    }

    /** Gives a render another place in the queue. */
    void place(long renderId, long place) {
        update("update scheduled_drawing set priority = ? where task_instance = ? or task_instance like ?", -place, String.valueOf(renderId),
                renderId + "-%");
    }

    private void update(String sql, Object... values) {
        transactions.executeWithoutResult(status -> jdbc.update(sql, values));
    }

    void stop() {
        if (beginning != null) {
            List.copyOf(seats.keySet()).forEach(this::close);
            beginning.stop();
            writing.stop();
        }
    }
}
