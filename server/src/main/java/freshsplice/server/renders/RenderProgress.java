package freshsplice.server.renders;

import freshsplice.server.live.LiveUpdates;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;

/** How far renders under way have come, and how fast. Kept in memory: what is drawn lies on the disk. */
@Component
public class RenderProgress {
    private static final long TELL_EVERY_MS = 400;

    /** @param before frames that were there when it went on; @param since when it did; @param drawn since then */
    private record Run(long before, long since, AtomicLong drawn) {
    }

    private final LiveUpdates live;
    private final Map<Long, Run> runs = new ConcurrentHashMap<>();
    private final Map<Long, Long> told = new ConcurrentHashMap<>();

    RenderProgress(LiveUpdates live) {
        this.live = live;
    }

    void goesOn(long renderId, long there) {
        runs.put(renderId, new Run(there, System.nanoTime(), new AtomicLong()));
    }

    void drawn(long renderId, long projectId) {
        Run run = runs.get(renderId);
        if (run != null) {
            run.drawn.incrementAndGet();
        }
        long now = System.currentTimeMillis();
        if (now - told.getOrDefault(projectId, 0L) > TELL_EVERY_MS) {
            tell(projectId);
        }
    }

    void ended(long renderId, long projectId) {
        runs.remove(renderId);
        tell(projectId);
    }

    void tell(long projectId) {
        told.put(projectId, System.currentTimeMillis());
        live.tell(projectId, new LiveUpdates.Update("render", 0, "", ""));
    }

    /** Frames that are there; −1 where it is not under way. */
    public long done(long renderId) {
        Run run = runs.get(renderId);
        return run == null ? -1 : run.before + run.drawn.get();
    }

    /** Frames a second since it went on; 0 where that cannot be told yet. */
    public double framesPerSecond(long renderId) {
        Run run = runs.get(renderId);
        return run == null || run.drawn.get() == 0 ? 0 : run.drawn.get() * 1e9 / (System.nanoTime() - run.since);
    }
}
