package freshsplice.server.stores.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Key;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Stage;
import freshsplice.server.rows.CameraKeyRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ItemKeyRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.Store;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Sets and cameras as the core's types. */
@Component
public class StageStore {
    private final Store store;

    StageStore(Store store) {
        this.store = store;
    }

    public Stage stage(long sceneId) {
        List<ItemRow> rows = items(sceneId);
        Map<Long, List<ItemKeyRow>> keys = store.ofOwners(ItemKeyRow.class, "itemId", ItemRow.class, "sceneId", sceneId).stream()
                .collect(Collectors.groupingBy(k -> k.itemId));
        return new Stage(rows.stream().map(r -> item(r, keys.getOrDefault(r.id, List.of()))).toList());
    }

    public List<ItemRow> items(long sceneId) {
        return store.where(ItemRow.class, "sceneId", sceneId).stream()
                .sorted(Comparator.comparingInt((ItemRow r) -> r.place).thenComparingLong(r -> r.id)).toList();
    }

    public Item item(long itemId) {
        return item(store.get(ItemRow.class, itemId), store.where(ItemKeyRow.class, "itemId", itemId));
    }

    private static Item item(ItemRow row, List<ItemKeyRow> keys) {
        Map<ItemChannel, Channel> channels = new EnumMap<>(ItemChannel.class);
        for (ItemChannel channel : ItemChannel.values()) {
            if (row.plain(channel) != channel.plain()) {
                channels.put(channel, Channel.constant(row.plain(channel)));
            }
        }
        keys.stream().collect(Collectors.groupingBy(k -> k.channel)).forEach((channel, of) -> channels.put(channel,
                new Channel(of.stream().map(k -> new Key(k.frame, k.value, k.easing)).toList(), row.plain(channel))));
        return new Item(row.id, row.name, row.geometry(), row.width, row.height, row.depth, channels);
    }

    /** Cameras of a scene by id. */
    public Map<Long, Camera> cameras(long sceneId) {
        List<CameraRow> rows = store.where(CameraRow.class, "sceneId", sceneId);
        Map<Long, List<CameraKeyRow>> keys = store.ofOwners(CameraKeyRow.class, "cameraId", CameraRow.class, "sceneId", sceneId)
                .stream().collect(Collectors.groupingBy(k -> k.cameraId));
        Map<Long, Camera> cameras = new HashMap<>();
        rows.forEach(r -> cameras.put(r.id, camera(r, keys.getOrDefault(r.id, List.of()))));
        return cameras;
    }

    /** Those of some cameras that are alive and in a scene, by id. */
    public Map<Long, Camera> cameras(long sceneId, Set<Long> ids) {
        List<CameraRow> rows = store.whereIn(CameraRow.class, "id", List.copyOf(ids)).stream()
                .filter(r -> r.sceneId == sceneId).toList();
        Map<Long, List<CameraKeyRow>> keys = store.whereIn(CameraKeyRow.class, "cameraId", rows.stream().map(r -> r.id).toList())
                .stream().collect(Collectors.groupingBy(k -> k.cameraId));
        return rows.stream().collect(Collectors.toMap(r -> r.id, r -> camera(r, keys.getOrDefault(r.id, List.of()))));
    }

    /** Whose some keys are, taken away ones too. */
    public Set<Long> camerasOfKeys(Set<Long> keys) {
        return keys.isEmpty() ? Set.of() : Set.copyOf(store.entities()
                .createQuery("select distinct k.cameraId from CameraKeyRow k where k.id in :keys", Long.class)
                .setParameter("keys", keys).getResultList());
    }

    public Camera camera(long cameraId) {
        return camera(store.get(CameraRow.class, cameraId), store.where(CameraKeyRow.class, "cameraId", cameraId));
    }

    private static Camera camera(CameraRow row, List<CameraKeyRow> keys) {
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        keys.stream().collect(Collectors.groupingBy(k -> k.channel)).forEach((channel, of) -> channels.put(channel,
                new Channel(of.stream().map(k -> new Key(k.frame, k.value, k.easing)).toList(), channel.plain())));
        return new Camera(row.name, new FilmBack(row.backWidth, row.backHeight), row.stop, channels);
    }
}
