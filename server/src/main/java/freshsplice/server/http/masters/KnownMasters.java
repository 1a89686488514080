package freshsplice.server.http.masters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.TouchLog;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Views of masters that windows have, so that only what changed since is sent: one view serves all windows until something is
 * told of the project, and those before it are known for a few edits more.
 */
@Component
class KnownMasters {
    /** A clip takes about this many bytes in memory, all lists together. */
    private static final int BYTES_A_CLIP = 1200;
    private static final int BYTES_A_PLACE = 40;
    private static final long MOST_BYTES = 96L << 20;
    /** So many views a window may be behind and still be told what changed alone. */
    private static final int BEHIND = 40;

    /**
     * The views of a master, the newest first.
     *
     * @param seq  the project's number of edits at the newest
     * @param told how often anything but edits was told of the project before it
     * @param changes answers to windows by the stamp of what they have: many have the same
     */
    private record Recent(long seq, long told, List<MasterView> views, Map<String, byte[]> changes) {
        Recent(long seq, long told, List<MasterView> views) {
            this(seq, told, views, new ConcurrentHashMap<>());
        }

        /** Also one that is newer than who asks knows of: it was made while they waited for it. */
        boolean isAsNewAs(long otherSeq, long otherTold) {
            return seq >= otherSeq && told >= otherTold;
        }
    }

    private final Store store;
    private final MasterViews views;
    private final LiveUpdates live;
    private final TouchLog touched;
    private final JsonMapper json;
    private final String start = UUID.randomUUID().toString().substring(0, 8);
    private final AtomicLong stamps = new AtomicLong();
    private final Cache<Long, Recent> recent = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Long, Recent>weigher((id, known) -> bytes(known.views().get(0)) + known.views().size() * listed(known.views().get(0)))
            .build();

    KnownMasters(Store store, MasterViews views, LiveUpdates live, TouchLog touched, JsonMapper json) {
        this.json = json;
        this.touched = touched;
        this.store = store;
        this.views = views;
        this.live = live;
    }

    /**
     * What changed from view to view.
     *
     * @param stamp of the newest view
     * @param json  of a {@link MasterChange} for each view since the older one, in order; absent where that is not known any more
     */
    record Steps(String stamp, Optional<List<byte[]>> json) {
    }

    /** What changed since a view that a window has, as JSON of a {@link MasterChange}; the whole where that is not known any more. */
    byte[] since(MasterRow row, String stamp) {
        Recent now = recent(row);
        return since(now, stamp).orElseGet(() -> json.writeValueAsBytes(MasterChange.all(now.views().get(0))));
    }

    /**
     * Each view since one that windows have, as a change of the one before it: a window that asked meanwhile has one of them and
     * goes on from there.
     *
     * @param stamp of what windows have; null where none is known
     */
    Steps stepsSince(MasterRow row, String stamp) {
        List<MasterView> views = recent(row).views();
        int older = views.stream().map(MasterView::stamp).toList().indexOf(stamp);
        return new Steps(views.get(0).stamp(), older < 0 ? Optional.empty() : Optional.of(IntStream.iterate(older, i -> i > 0, i -> i - 1)
                .mapToObj(i -> json.writeValueAsBytes(MasterChange.between(views.get(i), views.get(i - 1)))).toList()));
    }

    private Optional<byte[]> since(Recent now, String stamp) {
        MasterView newest = now.views().get(0);
        return now.views().stream().filter(v -> v.stamp().equals(stamp)).findFirst()
                .map(older -> now.changes().computeIfAbsent(stamp,
                        same -> json.writeValueAsBytes(MasterChange.between(older, newest))));
    }

    /** The view as it stands. */
    MasterView now(MasterRow row) {
        return recent(row).views().get(0);
    }

    private Recent recent(MasterRow row) {
        // both are read before the view is: what is told or done while it is read makes it old
        long told = live.told(row.projectId);
        long newest = touched.newest(row.projectId);
        return Objects.requireNonNull(recent.asMap().compute(row.id, (id, known) ->
                known != null && (newest > 0 && known.isAsNewAs(newest, told) || known.isAsNewAs(committed(row), told)) ? known
                        : made(row, told, known)));
    }

    /** Asked only where a step is not in the view yet: it may not be committed, or have come to nothing. */
    private long committed(MasterRow row) {
        return store.get(ProjectRow.class, row.projectId).seq;
    }

    private Recent made(MasterRow row, long told, Recent before) {
        MasterView fresh = views.view(row).stamped(start + "." + stamps.incrementAndGet());
        if (before == null) {
            return new Recent(fresh.seq(), told, List.of(fresh));
        }
        List<MasterView> views = new ArrayList<>(List.of(fresh.sharing(before.views().get(0))));
        before.views().stream().limit(BEHIND).forEach(views::add);
        return new Recent(fresh.seq(), told, List.copyOf(views));
    }

    private static int bytes(MasterView view) {
        return clips(view) * BYTES_A_CLIP;
    }

    /** What a view takes that has the records of another one: lists that name them. */
    private static int listed(MasterView view) {
        return clips(view) * BYTES_A_PLACE;
    }

    private static int clips(MasterView view) {
        return view.clips().size() + view.upper().stream().mapToInt(u -> u.clips().size()).sum() + 1;
    }
}
