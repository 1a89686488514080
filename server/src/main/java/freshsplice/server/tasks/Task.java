package freshsplice.server.tasks;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;

/** Work in the background, seen from inside. */
public final class Task {
    final long id;
    final long projectId;
    final String name;
    final AtomicLong done = new AtomicLong();
    final AtomicLong of = new AtomicLong();
    private final AtomicBoolean stopped = new AtomicBoolean();
    private final Runnable told;

    Task(long id, long projectId, String name, Runnable told) {
        this.id = id;
        this.projectId = projectId;
        this.name = name;
        this.told = told;
    }

    /** Tells how far it is; the whole may grow. */
    public void progress(long doneNow, long ofNow) {
        done.set(doneNow);
        of.set(ofNow);
        told.run();
    }

    /** Whether somebody asked for it to end. Ask between pieces of work; what is whole stays. */
    public boolean isStopped() {
        return stopped.get() || Thread.currentThread().isInterrupted();
    }

    void stop() {
        stopped.set(true);
    }
}
