package freshsplice.server.http.masters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;

/**
 * Views of masters that windows have, so that only what changed since is sent: one view serves all windows until something is
 * told of the project, and those before it are known for a few edits more.
 */
@Component
class KnownSequences {
    /** A piece takes about this many bytes in memory, all lists together. */
    private static final int BYTES_A_PIECE = 1200;
    private static final long MOST_BYTES = 96L << 20;
    /** So many edits a window may be behind and still be told what changed alone. */
    private static final int BEHIND = 5;

    /**
     * The views of a master, the newest first.
     *
     * @param seq  the project's number of edits at the newest
     * @param told how often anything was told of the project before it
     */
    private record Recent(long seq, long told, List<SequenceView> views) {
        boolean isOf(long otherSeq, long otherTold) {
            return seq == otherSeq && told == otherTold;
        }
    }

    private final Store store;
    private final SequenceService sequences;
    private final LiveUpdates live;
    private final String start = UUID.randomUUID().toString().substring(0, 8);
    private final AtomicLong stamps = new AtomicLong();
    private final Cache<Long, Recent> recent = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Long, Recent>weigher((id, known) -> known.views().stream().mapToInt(KnownSequences::bytes).sum()).build();

    KnownSequences(Store store, SequenceService sequences, LiveUpdates live) {
        this.store = store;
        this.sequences = sequences;
        this.live = live;
    }

    /** What changed since a view that a window has; the whole where that is not known any more. */
    SequenceChange since(MasterRow row, String stamp) {
        List<SequenceView> views = recent(row);
        return views.stream().skip(stamp == null ? views.size() : 0).filter(v -> v.stamp().equals(stamp)).findFirst()
                .map(older -> SequenceChange.between(older, views.get(0))).orElseGet(() -> SequenceChange.all(views.get(0)));
    }

    /** The view as it stands. */
    SequenceView now(MasterRow row) {
        return recent(row).get(0);
    }

    private List<SequenceView> recent(MasterRow row) {
        // both are read before the view is: what is told or done while it is read makes it old
        long told = live.told(row.projectId);
        long seq = store.get(ProjectRow.class, row.projectId).seq;
        return Objects.requireNonNull(recent.asMap().compute(row.id, (id, known) ->
                known != null && known.isOf(seq, told) ? known : made(row, told, known))).views();
    }

    private Recent made(MasterRow row, long told, Recent before) {
        SequenceView view = sequences.view(row).stamped(start + "." + stamps.incrementAndGet());
        List<SequenceView> views = new ArrayList<>(List.of(view));
        if (before != null) {
            before.views().stream().limit(BEHIND).forEach(views::add);
        }
        return new Recent(view.seq(), told, List.copyOf(views));
    }

    private static int bytes(SequenceView view) {
        int upper = view.upper().stream().mapToInt(u -> u.sections().size()).sum();
        return (view.sections().size() + upper + 1) * BYTES_A_PIECE;
    }
}
