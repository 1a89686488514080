package freshsplice.server.tasks;

import freshsplice.server.live.LiveUpdates;
import freshsplice.server.refusals.NotThere;
import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Runs work of projects in the background, one task of each kind after another. */
@Component
public class Tasks {
    /** How far a task is. @param of 0 where the whole is not known yet */
    public record View(long id, String name, long done, long of) {
    }

    private static final Logger LOG = LoggerFactory.getLogger(Tasks.class);
    /** Windows are told at most so often, in milliseconds. */
    private static final long TELL_EVERY = 400;

    private final LiveUpdates live;
    private final AtomicLong next = new AtomicLong(1);
    private final AtomicLong told = new AtomicLong();
    private final Map<Long, Task> running = new ConcurrentSkipListMap<>();
    private final ExecutorService threads = Executors.newFixedThreadPool(2, work -> {
        Thread thread = new Thread(work, "task");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    });

    Tasks(LiveUpdates live) {
        this.live = live;
    }

    /** The project that a task works for; none once it is over. */
    public Optional<Long> projectOf(long id) {
        return Optional.ofNullable(running.get(id)).map(t -> t.projectId);
    }

    /** Starts work as soon as there is room for it; what it throws ends it, and is logged and told to the windows. */
    public void start(long projectId, String name, Consumer<Task> work) {
        start(projectId, name, work, () -> { });
    }

    /** @param ended called when it is over, also where it was stopped before it could begin */
    public void start(long projectId, String name, Consumer<Task> work, Runnable ended) {
        long id = next.getAndIncrement();
        Task task = new Task(id, projectId, name, () -> tell(projectId, false));
        running.put(id, task);
        tell(projectId, true);
        threads.execute(() -> {
            try {
                if (!task.isStopped()) {
                    work.accept(task);
                }
            } catch (RuntimeException | OutOfMemoryError e) {
                LOG.warn("{} of project {} ended", name, projectId, e);
                live.tell(projectId, new LiveUpdates.Update("failed", 0, name + " ended before it was done: "
                        + (e instanceof OutOfMemoryError ? "there is not enough memory" : e.getMessage())
                        + ". What was made stays; the rest is made when it is asked for", ""));
            } finally {
                running.remove(id);
                ended.run();
                tell(projectId, true);
            }
        });
    }

    public List<View> of(long projectId) {
        return running.values().stream().filter(t -> t.projectId == projectId)
                .map(t -> new View(t.id, t.name, t.done.get(), t.of.get())).toList();
    }

    /** Asks a task to end after the piece of work it is at. */
    public void stop(long id) {
        Task task = running.get(id);
        if (task == null) {
            throw new NotThere("This has ended already");
        }
        task.stop();
    }

    private void tell(long projectId, boolean always) {
        long now = System.currentTimeMillis();
        long before = told.get();
        if (always || now - before > TELL_EVERY && told.compareAndSet(before, now)) {
            live.tell(projectId, new LiveUpdates.Update("task", 0, "", ""));
        }
    }

    @PreDestroy
    void end() {
        running.values().forEach(Task::stop);
        threads.shutdownNow();
    }
}
