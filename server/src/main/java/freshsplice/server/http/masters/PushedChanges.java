package freshsplice.server.http.masters;

import freshsplice.server.live.LiveUpdates;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.Snapshot;
import freshsplice.server.rows.Store;
import jakarta.annotation.PreDestroy;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Tells windows what edits changed of the master that they show, before they ask: found and written once for all of them. A
 * window that has none of the views before asks by itself.
 */
@Component
class PushedChanges {
    private static final Logger LOG = LoggerFactory.getLogger(PushedChanges.class);
    /** Pause after telling, so that many edits of many people are told as one change. */
    private static final long PAUSE_MS = 100;

    /** Of one master that windows show. What they were told last stands with it. */
    private static final class OpenMaster {
        private final long projectId;
        private final long masterId;
        private String stamp;
        private boolean underWay;
        private boolean onceMore;

        OpenMaster(long projectId, long masterId) {
            this.projectId = projectId;
            this.masterId = masterId;
        }

        /** @return whether somebody is to begin: else whoever is at it does it once more */
        synchronized boolean edited() {
            onceMore = true;
            boolean begin = !underWay;
            underWay = true;
            return begin;
        }

        synchronized boolean goesOn() {
            underWay = onceMore;
            onceMore = false;
            return underWay;
        }
    }

    private final Store store;
    private final KnownMasters views;
    private final LiveUpdates live;
    private final Snapshot snapshot;
    private final Map<Long, OpenMaster> shown = new ConcurrentHashMap<>();
    private final ExecutorService workers = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "changes");
        thread.setDaemon(true);
        return thread;
    });

    PushedChanges(Store store, KnownMasters views, LiveUpdates live, Snapshot snapshot) {
        this.store = store;
        this.views = views;
        this.live = live;
        this.snapshot = snapshot;
        live.afterEdits(this::edited);
    }

    @PreDestroy
    void stop() {
        workers.shutdownNow();
    }

    private void edited(long projectId, Set<Long> masters) {
        for (long masterId : masters) {
            OpenMaster one = shown.computeIfAbsent(masterId, id -> new OpenMaster(projectId, id));
            if (one.edited()) {
                try {
                    workers.execute(() -> tell(one));
                } catch (RejectedExecutionException stopping) {
                    LOG.debug("Windows hear no more of master {}: the server stops", masterId);
                }
            }
        }
    }

    private void tell(OpenMaster one) {
        try {
            while (one.goesOn()) {
                tellOnce(one);
                Thread.sleep(PAUSE_MS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void tellOnce(OpenMaster one) {
        try {
            KnownMasters.Steps steps = snapshot.read(() ->
                    views.stepsSince(store.get(MasterRow.class, one.masterId), one.stamp));
            one.stamp = steps.stamp();
            steps.json().ifPresentOrElse(changes -> changes.forEach(json -> live.tellOf(one.projectId, one.masterId, "change",
                    new String(json, StandardCharsets.UTF_8))), () -> tellToAsk(one));
        } catch (RuntimeException e) {
            // a master that was taken away, or a database that is gone for a moment: windows find out as they ask
            LOG.debug("What changed of master {} could not be told", one.masterId, e);
            one.stamp = null;
            tellToAsk(one);
        }
    }

    private void tellToAsk(OpenMaster one) {
        live.tellOf(one.projectId, one.masterId, "ask", String.valueOf(one.masterId));
    }
}
