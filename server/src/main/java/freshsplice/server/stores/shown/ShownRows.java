package freshsplice.server.stores.shown;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.camera.Camera;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.TouchLog;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.LongFunction;
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

    /** What a camera is read from. */
    private static final List<String> CAMERA_TABLES = List.of("camera", "camera_key", "camera_mount", "camera_layer",
            "motion_layer");

    private record Key(String what, long id) {
    }

    /** @param touched the project's number of edits when a step last touched any of the rows */
    private record Reading(long touched, Map<Long, ?> rows) {
    }

    private final Store store;
    private final MasterStore masters;
    private final CameraStore cameras;
    private final TouchLog touched;
    private final Cache<Key, Reading> read = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Key, Reading>weigher((key, known) -> (known.rows().size() + 1) * BYTES_A_ROW).build();

    ShownRows(Store store, MasterStore masters, CameraStore cameras, TouchLog touched) {
        this.store = store;
        this.masters = masters;
        this.cameras = cameras;
        this.touched = touched;
    }

    /**
     * The project's shots by id, the lowest first.
     *
     * @param seq the project's number of edits as the transaction under way sees it
     */
    public Map<Long, ShotRow> shots(long projectId, long seq) {
        return renewed(new Key("shots", projectId), touched.last(projectId, "shot"), seq,
                since -> touched.after(projectId, "shot", since), this::shots, () -> masters.shotRows(projectId));
    }

    private Map<Long, ShotRow> shots(Set<Long> ids) {
        return store.whereIn(ShotRow.class, "id", List.copyOf(ids)).stream()
                .collect(Collectors.toMap(row -> row.id, Function.identity()));
    }

    /** The first board of each shot, by the shot's id. */
    public Map<Long, BoardRow> boards(long projectId, long seq) {
        // a board has no place of its own in a project: its shot has
        long now = Math.max(touched.last(projectId, "board"), touched.last(projectId, "media"));
        return known(new Key("boards", projectId), now, seq, () ->
                masters.boards(projectId).stream()
                        .collect(Collectors.toMap(b -> b.shotId, Function.identity(), (a, b) -> a)));
    }

    /** Cameras of all scenes of a project by id. */
    public Map<Long, Camera> cameras(long projectId, long seq) {
        long now = CAMERA_TABLES.stream().mapToLong(table -> touched.last(projectId, table)).max().orElse(0);
        return renewed(new Key("cameras", projectId), now, seq, since -> touchedCameras(projectId, since),
                cameras::some, () -> cameras.ofProject(projectId));
    }

    private Optional<Set<Long>> touchedCameras(long projectId, long since) {
        Set<Long> all = new HashSet<>();
        for (String table : CAMERA_TABLES) {
            Optional<Set<Long>> ids = touched.after(projectId, table, since);
            if (ids.isEmpty()) {
                return Optional.empty();
            }
            all.addAll(table.equals("camera") ? ids.get() : cameras.camerasOf(table, ids.get()));
        }
        return Optional.of(all);
    }

    /**
     * What is known, with those alone read anew that were touched meanwhile.
     *
     * @param touchedSince which, after a number of edits; empty where nobody knows any more
     * @param some         reads those of some ids that are there
     */
    private <T> Map<Long, T> renewed(Key key, long now, long seq, LongFunction<Optional<Set<Long>>> touchedSince,
                                     Function<Set<Long>, Map<Long, T>> some, Supplier<Map<Long, T>> all) {
        Reading known = read.getIfPresent(key);
        if (known != null && known.touched() < now && now <= seq) {
            Map<Long, T> before = rows(known);
            touchedSince.apply(known.touched()).ifPresent(ids -> {
                Map<Long, T> after = new TreeMap<>(before);
                after.keySet().removeAll(ids);
                after.putAll(some.apply(ids));
                read.put(key, new Reading(now, after));
            });
        }
        return known(key, now, seq, all);
    }

    private <T> Map<Long, T> known(Key key, long now, long seq, Supplier<Map<Long, T>> reading) {
        Reading known = read.getIfPresent(key);
        if (now > seq || known != null && known.touched() > seq) {
            // a step came between: this transaction sees what was before it, which is no news to keep
            return reading.get();
        }
        if (known == null || known.touched() < now) {
            known = new Reading(now, reading.get());
            read.put(key, known);
        }
        return rows(known);
    }

    @SuppressWarnings("unchecked") // each kind of rows is read by one of the methods above alone
    private static <T> Map<Long, T> rows(Reading known) {
        return (Map<Long, T>) known.rows();
    }
}
