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
    /** What tells that no cut came or was read anew: contents are written as a whole, with tracks of new ids. */
    private record Contents(long projectId, long tracks, long newestTrack) {
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
        Map<String, String> reels = reelsOfFiles(projectId);
        Map<Pair, Boolean> said = new HashMap<>();
        pairings(projectId).forEach(p -> said.put(new Pair(p.olderKey, p.newerKey), p.same));
        return new Turnover.Sources() {
            @Override
            public Source named(String identity) {
                Source source = names.get(identity);
                String reel = source == null || source.reel() != null ? null : reels.get(identity);
                return reel == null ? source : new Source(source.name(), reel, source.file(), source.rate(), source.start(), source.length());
            }

            @Override
            public Boolean areSame(String older, String newer) {
                return said.isEmpty() ? null : said.get(new Pair(older, newer));
            }
        };
    }

    public List<SourcePairingRow> pairings(long projectId) {
        return store.where(SourcePairingRow.class, "projectId", projectId);
    }

    /** Two sources by their identities. */
    public record Pair(String older, String newer) {
    }

    /** Remembers for the project that each pair of sources is one, or two, as one step. */
    void say(long projectId, List<Pair> pairs, boolean same, Asker who) {
        String name = pairs.size() == 1 ? same ? "Take two names for one source" : "Keep two sources apart"
                : same ? "Take " + pairs.size() + " sources for those of other names" : "Keep " + pairs.size() + " sources apart from those of other names";
        steps.make(projectId, name, who, () -> {
            Map<Pair, SourcePairingRow> there = new HashMap<>();
            pairings(projectId).forEach(p -> there.put(new Pair(p.olderKey, p.newerKey), p));
            pairs.forEach(pair -> there.computeIfAbsent(pair, p -> added(projectId, p, same)).same = same);
            return null;
        });
    }

    private SourcePairingRow added(long projectId, Pair pair, boolean same) {
        SourcePairingRow row = new SourcePairingRow();
        row.projectId = projectId;
        row.olderKey = pair.older();
        row.newerKey = pair.newer();
        row.same = same;
        return store.add(row);
    }

    /** Reels that the files found for sources tell of themselves: what Intake finds by them, Turnover knows by them. */
    private Map<String, String> reelsOfFiles(long projectId) {
        Map<String, String> reels = new HashMap<>();
        jdbc.query("select distinct b.source_key, m.reel from board b join media m on m.id = b.media_id where m.project_id = ? and m.reel is not "
                + "null and b.alive is not null and m.alive is not null", row -> {
                    reels.put(row.getString(1), row.getString(2));
                }, projectId);
        return reels;
    }

    private Contents contents(long projectId) {
        return jdbc.queryForObject("select count(*), coalesce(max(l.id), 0) from cut_track l join cut c on c.id = l.cut_id "
                + "where c.project_id = ?", (r, n) -> new Contents(projectId, r.getLong(1), r.getLong(2)), projectId);
    }

    private Map<String, Source> names(long projectId) {
        Map<String, Source> names = new HashMap<>();
        jdbc.query("select distinct e.source_name, e.source_reel, e.source_file, e.source_rate, e.source_start, "
                + "e.source_length from cut_event e join cut_track l on l.id = e.track_id join cut c on c.id = l.cut_id "
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
