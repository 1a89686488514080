package freshsplice.server.stores.stages;

import freshsplice.core.camera.Camera;
import freshsplice.server.rows.CameraKeyRow;
import freshsplice.server.rows.CameraLayerRow;
import freshsplice.server.rows.CameraMountRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.MotionLayerRow;
import freshsplice.server.rows.Row;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.Store;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Cameras as the core's type. */
@Component
public class CameraStore {
    private final Store store;

    CameraStore(Store store) {
        this.store = store;
    }

    public Camera camera(long cameraId) {
        return some(List.of(store.get(CameraRow.class, cameraId))).get(cameraId);
    }

    /** Cameras of all scenes of a project by id: so many questions, however many they are. */
    public Map<Long, Camera> ofProject(long projectId) {
        return cameras(store.ofOwners(CameraRow.class, "sceneId", SceneRow.class, "projectId", projectId),
                all(CameraKeyRow.class, projectId), all(CameraMountRow.class, projectId), all(CameraLayerRow.class, projectId),
                store.ofOwners(MotionLayerRow.class, "sceneId", SceneRow.class, "projectId", projectId));
    }

    private <T extends Row> List<T> all(Class<T> type, long projectId) {
        return store.entities().createQuery("select r from " + type.getSimpleName() + " r where r.alive = true and r.cameraId in "
                + "(select c.id from CameraRow c where c.alive = true and c.sceneId in "
                + "(select s.id from SceneRow s where s.projectId = :project)) order by r.id", type)
                .setParameter("project", projectId).getResultList();
    }

    /** Those of some cameras that are there, by id. */
    public Map<Long, Camera> some(Set<Long> ids) {
        return some(store.whereIn(CameraRow.class, "id", List.copyOf(ids)));
    }

    private Map<Long, Camera> some(List<CameraRow> rows) {
        List<Long> ids = rows.stream().map(r -> r.id).toList();
        List<CameraLayerRow> layers = store.whereIn(CameraLayerRow.class, "cameraId", ids);
        return cameras(rows, store.whereIn(CameraKeyRow.class, "cameraId", ids), store.whereIn(CameraMountRow.class, "cameraId", ids),
                layers, store.whereIn(MotionLayerRow.class, "id", layers.stream().map(l -> l.layerId).distinct().toList()));
    }

    private static Map<Long, Camera> cameras(List<CameraRow> rows, List<CameraKeyRow> keys, List<CameraMountRow> mounts,
                                             List<CameraLayerRow> uses, List<MotionLayerRow> layers) {
        Map<Long, List<CameraKeyRow>> keysOf = keys.stream().collect(Collectors.groupingBy(k -> k.cameraId));
        Map<Long, List<CameraMountRow>> mountsOf = mounts.stream().collect(Collectors.groupingBy(m -> m.cameraId));
        Map<Long, List<CameraLayerRow>> usesOf = uses.stream().collect(Collectors.groupingBy(u -> u.cameraId));
        Map<Long, MotionLayerRow> byId = layers.stream().collect(Collectors.toMap(l -> l.id, l -> l));
        Map<Long, Camera> cameras = new HashMap<>();
        rows.forEach(r -> cameras.put(r.id, CameraRows.camera(r, keysOf.getOrDefault(r.id, List.of()),
                mountsOf.getOrDefault(r.id, List.of()), usesOf.getOrDefault(r.id, List.of()), byId)));
        return cameras;
    }

    /** Whose some rows are, those that were taken away too. @param table of keys, mounts, layers on cameras or layers themselves */
    public Set<Long> camerasOf(String table, Collection<Long> ids) {
        if (ids.isEmpty()) {
            return Set.of();
        }
        String question = switch (table) {
            case "camera_key" -> "select distinct r.cameraId from CameraKeyRow r where r.id in :ids";
            case "camera_mount" -> "select distinct r.cameraId from CameraMountRow r where r.id in :ids";
            case "camera_layer" -> "select distinct r.cameraId from CameraLayerRow r where r.id in :ids";
            default -> "select distinct r.cameraId from CameraLayerRow r where r.layerId in :ids";
        };
        return new HashSet<>(store.entities().createQuery(question, Long.class).setParameter("ids", ids).getResultList());
    }

    /** Writes what an edit made of a camera: rows that say the same stay as they are. */
    public void write(CameraRow row, Camera after) {
        new CameraWriter(store, row).write(after);
    }

    /** A new camera. @return its id */
    public CameraRow add(long sceneId, Camera camera) {
        CameraRow row = new CameraRow();
        row.sceneId = sceneId;
        row.name = camera.name();
        row.backWidth = camera.back().widthMm();
        row.backHeight = camera.back().heightMm();
        store.add(row);
        write(row, camera);
        return row;
    }
}
