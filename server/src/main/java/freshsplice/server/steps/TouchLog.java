package freshsplice.server.steps;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Which rows the last steps touched: what was read of all others still holds. */
@Component
public class TouchLog {
    /** So many steps of a table are known one by one; who read before them reads all anew. */
    private static final int KNOWN = 32;

    private record Key(long projectId, String table) {
    }

    /** @param ids null where there were too many to name */
    private record Step(long seq, Set<Long> ids) {
    }

    /** @param last the steps that are known, the newest last; @param forgotten the newest that is not known any more */
    private record Steps(List<Step> last, long forgotten) {
        Steps with(Step step) {
            List<Step> all = new ArrayList<>(last);
            all.add(step);
            return all.size() <= KNOWN ? new Steps(all, forgotten)
                    : new Steps(all.subList(1, all.size()), Math.max(forgotten, all.get(0).seq()));
        }
    }

    private static final Steps NONE = new Steps(List.of(), 0);

    private final Map<Key, Steps> tables = new ConcurrentHashMap<>();
    private final Map<Long, Long> newest = new ConcurrentHashMap<>();

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
        newest.merge(projectId, seq, Math::max);
        rows.byTable.forEach((table, ids) -> tables.merge(new Key(projectId, table), NONE.with(new Step(seq, ids)),
                (known, fresh) -> known.with(fresh.last().get(0))));
    }

    /** The project's number of edits at the newest step that was made or is being made; 0 where there was none since the start. */
    public long newest(long projectId) {
        return newest.getOrDefault(projectId, 0L);
    }

    /** The project's number of edits when a step last touched a table; 0 where none did since the start. */
    public long last(long projectId, String table) {
        return steps(projectId, table).last().stream().mapToLong(Step::seq).max().orElse(0);
    }

    /** The project's number of edits when a step last touched anything of some rooms; 0 where none did since the start. */
    public long last(long projectId, Set<Room> rooms) {
        return rooms.stream().flatMap(r -> r.tables().stream()).mapToLong(t -> last(projectId, t)).max().orElse(0);
    }

    /** Ids of a table's rows that steps touched after a number of edits; empty where that is not known any more. */
    public Optional<Set<Long>> after(long projectId, String table, long seq) {
        Steps steps = steps(projectId, table);
        List<Step> later = steps.last().stream().filter(s -> s.seq() > seq).toList();
        if (seq < steps.forgotten() || later.stream().anyMatch(s -> s.ids() == null)) {
            return Optional.empty();
        }
        return Optional.of(later.stream().flatMap(s -> s.ids().stream()).collect(Collectors.toSet()));
    }

    private Steps steps(long projectId, String table) {
        return tables.getOrDefault(new Key(projectId, table), NONE);
    }
}
