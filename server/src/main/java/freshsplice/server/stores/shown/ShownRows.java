package freshsplice.server.stores.shown;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.camera.Camera;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.TouchLog;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Shots, boards and cameras as they are shown, read once; of those that steps touch meanwhile the touched ones alone are read
 * anew. Never inside a step, and nothing of them may be changed: they are nobody's rows any more.
 */
@Component
public class ShownRows {
    /** About what a row takes in memory, its keys included, in bytes. */
    private static final int BYTES_A_ROW = 600;
    private static final long MOST_BYTES = 64L << 20;

    private record Key(String what, long id) {
    }

    /** @param touched the project's number of edits when a step last touched any of the rows */
    private record Read(long touched, Map<Long, ?> rows) {
    }

    private final Store store;
    private final MasterStore masters;
    private final StageStore stages;
    private final TouchLog touched;
    private final Cache<Key, Read> read = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Key, Read>weigher((key, known) -> (known.rows().size() + 1) * BYTES_A_ROW).build();

    ShownRows(Store store, MasterStore masters, StageStore stages, TouchLog touched) {
        this.store = store;
        this.masters = masters;
        this.stages = stages;
        this.touched = touched;
    }

    /**
     * The project's shots by id, the lowest first.
     *
     * @param seq the project's number of edits as the transaction under way sees it
     */
    public Map<Long, ShotRow> shots(long projectId, long seq) {
        Key key = new Key("shots", projectId);
        long now = touched.last(projectId, "shot");
        Read known = read.getIfPresent(key);
        if (known != null && known.touched() < now && now <= seq) {
            Map<Long, ShotRow> before = rows(known);
            touched.after(projectId, "shot", known.touched()).ifPresent(ids ->
                    read.put(key, new Read(now, withNew(before, ids))));
        }
        return known(key, now, seq, () -> masters.shotRows(projectId));
    }

    private Map<Long, ShotRow> withNew(Map<Long, ShotRow> before, Set<Long> ids) {
        Map<Long, ShotRow> after = new TreeMap<>(before);
        after.keySet().removeAll(ids);
        store.whereIn(ShotRow.class, "id", List.copyOf(ids)).forEach(alive -> after.put(alive.id, alive));
        return after;
    }

    /** The first board of each shot, by the shot's id. */
    public Map<Long, BoardRow> boards(long projectId, long seq) {
        // a board has no place of its own in a project: its shot has
        long now = Math.max(touched.last(projectId, "board"), touched.last(projectId, "media"));
        return known(new Key("boards", projectId), now, seq, () ->
                masters.boards(projectId).stream()
                        .collect(Collectors.toMap(b -> b.shotId, Function.identity(), (a, b) -> a)));
    }

    /** Cameras of a scene by id. */
    public Map<Long, Camera> cameras(long projectId, long sceneId, long seq) {
        Key key = new Key("cameras", sceneId);
        long now = Math.max(touched.last(projectId, "camera"), touched.last(projectId, "camera_key"));
        Read known = read.getIfPresent(key);
        if (known != null && known.touched() < now && now <= seq) {
            Map<Long, Camera> before = rows(known);
            touchedCameras(projectId, known.touched()).ifPresent(ids ->
                    read.put(key, new Read(now, withNew(before, ids, sceneId))));
        }
        return known(key, now, seq, () -> stages.cameras(sceneId));
    }

    private Optional<Set<Long>> touchedCameras(long projectId, long since) {
        Optional<Set<Long>> cameras = touched.after(projectId, "camera", since);
        Optional<Set<Long>> keys = touched.after(projectId, "camera_key", since);
        if (cameras.isEmpty() || keys.isEmpty()) {
            return Optional.empty();
        }
        Set<Long> all = new HashSet<>(cameras.get());
        all.addAll(stages.camerasOfKeys(keys.get()));
        return Optional.of(all);
    }

    private Map<Long, Camera> withNew(Map<Long, Camera> before, Set<Long> ids, long sceneId) {
        Map<Long, Camera> after = new HashMap<>(before);
        after.keySet().removeAll(ids);
        after.putAll(stages.cameras(sceneId, ids));
        return after;
    }

    private <T> Map<Long, T> known(Key key, long now, long seq, Supplier<Map<Long, T>> reading) {
        Read known = read.getIfPresent(key);
        if (now > seq || known != null && known.touched() > seq) {
            // a step came between: this transaction sees what was before it, which is no news to keep
            return reading.get();
        }
        if (known == null || known.touched() < now) {
            known = new Read(now, reading.get());
            read.put(key, known);
        }
        return rows(known);
    }

    @SuppressWarnings("unchecked") // each kind of rows is read by one of the methods above alone
    private static <T> Map<Long, T> rows(Read known) {
        return (Map<Long, T>) known.rows();
    }
}
