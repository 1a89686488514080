package freshsplice.server.http.masters;

import freshsplice.server.refusals.NotThere;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MasterTrackRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.StepRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.StepHistory;
import freshsplice.server.stores.masters.MasterStore;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A master's main track as it was after a step, to be compared with how it is. */
@Service
class PastMasters {
    private static final List<String> COLUMNS = List.of("alive", "master_id", "track_id", "shot_id", "content", "words",
            "rec_in", "rec_out");

    private final Store store;
    private final StepHistory history;
    private final MasterStore masters;
    private final JdbcTemplate jdbc;

    PastMasters(Store store, StepHistory history, MasterStore masters, JdbcTemplate jdbc) {
        this.store = store;
        this.history = history;
        this.masters = masters;
        this.jdbc = jdbc;
    }

    /** The clips as a cut would have them; its version is the step's number. */
    @Transactional(readOnly = true)
    public CutClips at(long masterId, long seq) {
        MasterRow row = store.get(MasterRow.class, masterId);
        StepRow step = history.find(row.projectId, seq).orElseThrow(() -> new NotThere("There is no such step"));
        Map<Long, Map<String, Object>> rows = new HashMap<>();
        jdbc.query("select id, " + String.join(", ", COLUMNS) + " from clip where master_id in (select id from master "
                + "where project_id = ?)", r -> {
            Map<String, Object> values = new HashMap<>();
            for (String column : COLUMNS) {
                values.put(column, r.getObject(column));
            }
            rows.put(r.getLong("id"), values);
        }, row.projectId);
        history.backTo(row.projectId, seq, "clip", rows);
        Map<Long, ShotRow> shots = masters.shotRows(row.projectId);
        Set<Long> main = store.where(MasterTrackRow.class, "masterId", masterId).stream().filter(l -> l.place == 0)
                .map(l -> l.id).collect(Collectors.toSet());
        List<CutClips.Clip> clips = rows.values().stream()
                .filter(s -> s.get("alive") != null && main.contains(s.get("track_id")))
                .sorted(Comparator.comparingLong(s -> (Long) s.get("rec_in")))
                .map(s -> CutClips.Clip.plain((Long) s.get("rec_in"), (Long) s.get("rec_out"),
                        name(s, shots), null, List.of())).toList();
        return new CutClips(masterId, Math.toIntExact(seq), step.name, clips);
    }

    private static String name(Map<String, Object> clip, Map<Long, ShotRow> shots) {
        ShotRow shot = clip.get("shot_id") == null ? null : shots.get((Long) clip.get("shot_id"));
        return shot != null ? shot.code : clip.get("words") != null ? (String) clip.get("words")
                : ((String) clip.get("content")).toLowerCase(Locale.ROOT);
    }
}
