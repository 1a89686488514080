package freshsplice.server.steps;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Which rows the last steps touched: what was read of all others still holds. */
@Component
public class Touched {
    /** So many steps of a table are known one by one; who read before them reads all anew. */
    private static final int KNOWN = 32;

    private record Key(long projectId, String table) {
    }

    /** @param ids null where there were too many to name */
    private record Step(long seq, Set<Long> ids) {
    }

    private static final class Steps {
        private final Deque<Step> last = new ArrayDeque<>();
        /** The newest step that is not known any more. */
        private long forgotten;
    }

    private final Map<Key, Steps> tables = new ConcurrentHashMap<>();

    /** Ids of the rows that a step touched, by table; null for a table of which there were too many to name. */
    static final class Rows {
        private static final int MOST = 200;

        private final Map<String, Set<Long>> byTable = new HashMap<>();

        void add(String table, long first, long last) {
            Set<Long> ids = byTable.containsKey(table) ? byTable.get(table) : new HashSet<>();
            if (ids == null || last - first >= MOST || ids.size() >= MOST) {
                byTable.put(table, null);
                return;
            }
            for (long id = first; id <= last; id++) {
                ids.add(id);
            }
            byTable.put(table, ids);
        }

        Set<String> tables() {
            return byTable.keySet();
        }
    }

    /**
     * Noted before a step is committed: whoever sees it committed finds it noted, and whoever finds it noted and does not see it
     * yet knows by its number that what they see is older. One that comes to nothing is noted for nothing.
     */
    void by(long projectId, long seq, Rows rows) {
        rows.byTable.forEach((table, ids) -> tables.compute(new Key(projectId, table), (key, known) -> {
            Steps steps = known == null ? new Steps() : known;
            steps.last.addLast(new Step(seq, ids));
            while (steps.last.size() > KNOWN) {
                steps.forgotten = Math.max(steps.forgotten, steps.last.removeFirst().seq());
            }
            return steps;
        }));
    }

    /** The project's number of edits when a step last touched a table; 0 where none did since the start. */
    public long last(long projectId, String table) {
        long[] last = {0};
        tables.computeIfPresent(new Key(projectId, table), (key, steps) -> {
            steps.last.forEach(s -> last[0] = Math.max(last[0], s.seq()));
            return steps;
        });
        return last[0];
    }

    /** Ids of a table's rows that steps touched after a number of edits; empty where that is not known any more. */
    public Optional<Set<Long>> after(long projectId, String table, long seq) {
        Set<Long> ids = new HashSet<>();
        boolean[] known = {true};
        tables.computeIfPresent(new Key(projectId, table), (key, steps) -> {
            known[0] = seq >= steps.forgotten;
            steps.last.stream().filter(s -> s.seq() > seq).forEach(s -> {
                known[0] &= s.ids() != null;
                ids.addAll(s.ids() == null ? Set.of() : s.ids());
            });
            return steps;
        });
        return known[0] ? Optional.of(ids) : Optional.empty();
    }
}
