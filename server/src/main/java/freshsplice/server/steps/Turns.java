package freshsplice.server.steps;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/**
 * Who writes something of a project waits here for their turn and not at the database: there each
 * of them would hold one of the few connections, and whoever only wants to look would wait for them too. What holds between
 * transactions is the lock on the project's row all the same. Nobody begins a step inside a transaction of their own that has made one
 * already: they would hold the row and wait here for one who waits for the row.
 */
@Component
class Turns {
    private final Map<Long, ReentrantLock> projects = new ConcurrentHashMap<>();

    <T> T in(long projectId, Supplier<T> work) {
        ReentrantLock turn = projects.computeIfAbsent(projectId, id -> new ReentrantLock());
        turn.lock();
        try {
            return work.get();
        } finally {
            turn.unlock();
        }
    }
}
