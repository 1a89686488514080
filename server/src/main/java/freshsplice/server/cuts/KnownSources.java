package freshsplice.server.cuts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.changes.Turnover;
import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRate;
import freshsplice.server.rows.SourcePairingRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** All names of every source that a project's cuts brought, and what people said of which are the same. */
@Component
public class KnownSources {
    /** What tells that no cut came or was read anew: contents are written as a whole, with lanes of new ids. */
    private record Contents(long projectId, long lanes, long newestLane) {
    }

    private final Store store;
    private final JdbcTemplate jdbc;
    private final Steps steps;
    private final Cache<Contents, Map<String, Source>> read = Caffeine.newBuilder().maximumSize(16).build();

    KnownSources(Store store, JdbcTemplate jdbc, Steps steps) {
        this.store = store;
        this.jdbc = jdbc;
        this.steps = steps;
    }

    Turnover.Sources of(long projectId) {
        Map<String, Source> names = read.get(contents(projectId), key -> names(projectId));
        Map<String, Boolean> said = new HashMap<>();
        pairings(projectId).forEach(p -> said.put(pair(p.olderKey, p.newerKey), p.same));
        return new Turnover.Sources() {
            @Override
            public Source named(String identity) {
                return names.get(identity);
            }

            @Override
            public Boolean areSame(String older, String newer) {
                return said.isEmpty() ? null : said.get(pair(older, newer));
            }
        };
    }

    public List<SourcePairingRow> pairings(long projectId) {
        return store.where(SourcePairingRow.class, "projectId", projectId);
    }

    /** Remembers for the project that two sources are one, or two, as a step. */
    void say(long projectId, String older, String newer, boolean same, Asker who) {
        String name = same ? "Take two names for one source" : "Keep two sources apart";
        steps.make(projectId, name, who, () -> {
            SourcePairingRow row = pairings(projectId).stream()
                    .filter(p -> p.olderKey.equals(older) && p.newerKey.equals(newer)).findFirst().orElse(null);
            if (row == null) {
                row = new SourcePairingRow();
                row.projectId = projectId;
                row.olderKey = older;
                row.newerKey = newer;
                row.same = same;
                return store.add(row);
            }
            row.same = same;
            return row;
        });
    }

    private static String pair(String older, String newer) {
        return older + "\n" + newer;
    }

    private Contents contents(long projectId) {
        return jdbc.queryForObject("select count(*), coalesce(max(l.id), 0) from cut_lane l join cut c on c.id = l.cut_id "
                + "where c.project_id = ?", (r, n) -> new Contents(projectId, r.getLong(1), r.getLong(2)), projectId);
    }

    private Map<String, Source> names(long projectId) {
        Map<String, Source> names = new HashMap<>();
        jdbc.query("select distinct e.source_name, e.source_reel, e.source_file, e.source_rate, e.source_start, "
                + "e.source_length from cut_event e join cut_lane l on l.id = e.lane_id join cut c on c.id = l.cut_id "
                + "where c.project_id = ? and (e.source_name is not null or e.source_file is not null or e.source_reel is "
                + "not null)", r -> {
            String rate = r.getString(4);
            Source source = new Source(r.getString(1), r.getString(2), r.getString(3), rate == null ? null
                    : FrameRate.parse(rate), (Long) r.getObject(5), (Long) r.getObject(6));
            names.merge(source.identity(), source, KnownSources::fuller);
        }, projectId);
        return names;
    }

    /** Of two cuts that bring the same source, what either of them tells. */
    private static Source fuller(Source a, Source b) {
        return new Source(either(a.name(), b.name()), either(a.reel(), b.reel()), either(a.file(), b.file()),
                a.rate() == null ? b.rate() : a.rate(), a.start() == null ? b.start() : a.start(),
                a.length() == null ? b.length() : a.length());
    }

    private static String either(String a, String b) {
        return a == null || a.isBlank() ? b : a;
    }
}
