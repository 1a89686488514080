package freshsplice.server.renders;

import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Since when a render is stale, and by whom: the first step after it was begun that touched what it shows. */
@Component
public class StaleReasons {
    /** @param step its name; @param who made it */
    public record Since(String part, String step, String who, Instant when) {
    }

    /** Rows of the journal that belong to a part, by the id of the camera, the scene, or the project. */
    private static final Map<String, List<String>> ROWS = Map.of(
            "camera", List.of("camera:select ? as id", "shot:select id from shot where camera_id = ?", "camera_key:select id from camera_key where camera_id = ?", "camera_layer:select id from camera_layer where camera_id = ?",
                    "camera_mount:select id from camera_mount where camera_id = ?"),
            "set", List.of("item:select id from item where scene_id = ?",
                    "item_key:select k.id from item_key k join item i on i.id = k.item_id where i.scene_id = ?"),
            "sound", List.of("sound:select s.id from sound s join master m on m.id = s.master_id where m.project_id = ?"),
            "recipe", List.of("recipe:select id from recipe where project_id = ?"),
            "boards", List.of("board:select b.id from board b join shot s on s.id = b.shot_id where s.project_id = ?"));

    private static final String IN_PROJECT = " join scene s on s.id = c.scene_id where s.project_id = ?";
    /** The same of a whole master, by the id of the master or the project. */
    private static final Map<String, List<String>> ROWS_OF_MASTERS = Map.of(
            "edit", List.of("clip:select id from clip where master_id = ?", "master_track:select id from master_track where master_id = ?",
                    "master:select ? as id"),
            "cameras", List.of("camera:select c.id from camera c" + IN_PROJECT, "shot:select id from shot where project_id = ?",
                    "camera_key:select k.id from camera_key k join camera c on c.id = k.camera_id" + IN_PROJECT,
                    "camera_layer:select k.id from camera_layer k join camera c on c.id = k.camera_id" + IN_PROJECT,
                    "camera_mount:select k.id from camera_mount k join camera c on c.id = k.camera_id" + IN_PROJECT),
            "set", List.of("item:select c.id from item c" + IN_PROJECT, "item_key:select k.id from item_key k join item c on c.id = k.item_id" + IN_PROJECT));

    private final Store store;
    private final JdbcTemplate jdbc;

    StaleReasons(Store store, JdbcTemplate jdbc) {
        this.store = store;
        this.jdbc = jdbc;
    }

    /** @param parts that changed; those of which no step tells anything are left out */
    @Transactional(readOnly = true)
    public List<Since> of(long renderId, List<String> parts) {
        RenderRow render = store.get(RenderRow.class, renderId);
        return parts.stream().flatMap(part -> since(render, part).stream()).toList();
    }

    private Optional<Since> since(RenderRow render, String part) {
        Optional<Since> first = Optional.empty();
        List<String> shown = ROWS.getOrDefault(part, List.of());
        for (String rows : render.shotId == null ? ROWS_OF_MASTERS.getOrDefault(part, shown) : shown) {
            String table = rows.substring(0, rows.indexOf(':'));
            String ids = rows.substring(rows.indexOf(':') + 1);
            Optional<Since> found = jdbc.query("select s.name, s.who, s.made_at from step s where s.project_id = ? and s.state = 'DONE' and s.made_at > ? and exists "
                            + "(select 1 from step_row r join (" + ids + ") x on x.id between r.row_id and r.row_last where r.step_id = s.id and "
                            + "r.table_name = ?) order by s.seq limit 1",
                    (row, n) -> new Since(part, row.getString(1), row.getString(2), row.getTimestamp(3).toInstant()), render.projectId,
                    Timestamp.from(render.startedAt == null ? render.requestedAt : render.startedAt), owner(render, part), table).stream().findFirst();
            if (found.isPresent() && (first.isEmpty() || found.get().when().isBefore(first.get().when()))) {
                first = found;
            }
        }
        return first;
    }

    private long owner(RenderRow render, String part) {
        ShotRow shot = render.shotId == null ? null : store.get(ShotRow.class, render.shotId);
        return switch (part) {
            case "edit" -> render.masterId == null ? 0 : render.masterId;
            case "camera" -> shot == null ? 0 : shot.cameraId;
            case "set" -> shot == null ? render.projectId : shot.sceneId;
            default -> render.projectId;
        };
    }
}
