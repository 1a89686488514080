package freshsplice.server.stores.cuts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.conform.CutClip;
import freshsplice.core.conform.Fix;
import freshsplice.core.cut.Cut;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Cuts as they were last read, so that a look at a master does not read a long cut again. Only what transactions that
 * write nothing read is kept: it cannot be rolled back.
 */
@Component
final class KnownCuts {
    private static final int MOST = 16;

    /**
     * What tells that contents are the same.
     *
     * @param tracks ids of its tracks: contents are only ever written anew as a whole, with new tracks
     */
    record Contents(List<Long> tracks, String name, FrameRate rate, boolean dropFrame, FrameRange record) {
    }

    /** @param track the track that was picked; null for what is seen of all */
    record Picks(Contents contents, Integer track) {
    }

    /** What decides how a cut falls into clips. */
    record Apart(Picks picked, Set<Long> apart, Map<Long, Fix> fixes) {
    }

    private final Cache<Contents, Cut> read = Caffeine.newBuilder().maximumSize(MOST).build();
    private final Cache<Picks, Cut> picked = Caffeine.newBuilder().maximumSize(MOST).build();
    private final Cache<Apart, List<CutClip>> clips = Caffeine.newBuilder().maximumSize(MOST).build();

    Cut read(Contents contents, Supplier<Cut> reader) {
        return known(read, contents, reader);
    }

    Cut picked(Picks which, Supplier<Cut> picker) {
        return known(picked, which, picker);
    }

    List<CutClip> clips(Apart apart, Supplier<List<CutClip>> maker) {
        return known(clips, apart, maker);
    }

    private static <K, V> V known(Cache<K, V> cache, K key, Supplier<V> maker) {
        V there = cache.getIfPresent(key);
        if (there != null) {
            return there;
        }
        V made = maker.get();
        if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            cache.put(key, made);
        }
        return made;
    }
}
