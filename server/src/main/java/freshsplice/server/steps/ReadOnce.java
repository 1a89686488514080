package freshsplice.server.steps;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.server.rows.ProjectRow;
import java.util.Set;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * What was read of projects, kept until a step touches one of the rooms that it was read from. Only what transactions that write
 * nothing read is kept: it cannot be rolled back. Nothing of it may be changed by who gets it, and who has written some of it
 * reads past this.
 *
 * @param <K> which of a project
 * @param <V> what is read
 */
public final class ReadOnce<K, V> {
    /**
     * @param touched the project's number of edits when a step last touched the rooms
     * @param told    what else it depends on, by its number
     */
    private record Reading<V>(long touched, long told, V value) {
    }

    private final TouchLog touched;
    private final Set<Room> rooms;
    private final Cache<K, Reading<V>> read;

    /**
     * @param rooms     what it is read from
     * @param mostBytes bound of all together in memory
     * @param bytes     about what one takes there
     */
    public ReadOnce(TouchLog touched, Set<Room> rooms, long mostBytes, ToIntFunction<V> bytes) {
        this.touched = touched;
        this.rooms = rooms;
        this.read = Caffeine.newBuilder().maximumWeight(mostBytes)
                .<K, Reading<V>>weigher((key, known) -> bytes.applyAsInt(known.value())).build();
    }

    /** @param project as the transaction under way sees it */
    public V of(ProjectRow project, K key, Supplier<V> reading) {
        return of(project, key, 0, reading);
    }

    /** @param told number of what else it depends on: read before, and the same as long as that is the same */
    public V of(ProjectRow project, K key, long told, Supplier<V> reading) {
        long now = touched.last(project.id, rooms);
        if (now > project.seq) {
            // a step came between: this transaction sees what was before it, which is no news to keep
            return reading.get();
        }
        Reading<V> known = read.getIfPresent(key);
        if (known == null || known.touched() != now || known.told() != told) {
            known = new Reading<>(now, told, reading.get());
            if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
                read.put(key, known);
            }
        }
        return known.value();
    }

    /** Keeps what a step left, once it is committed, so that it need not be read. @param seq the step's number */
    public void left(long seq, K key, V value) {
        read.put(key, new Reading<>(seq, 0, value));
    }
}
