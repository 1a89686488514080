package freshsplice.server.stores.stages;

import freshsplice.core.motion.Channel;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Stage;
import freshsplice.server.rows.ItemKeyRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.KeyRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.Store;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Sets as the core's type. */
@Component
public class StageStore {
    private final Store store;

    StageStore(Store store) {
        this.store = store;
    }

    public Stage stage(long sceneId) {
        return stage(sceneId, items(sceneId));
    }

    /** The same where its things were read already. */
    public Stage stage(long sceneId, List<ItemRow> rows) {
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
                new Channel(of.stream().map(KeyRow::key).toList(), row.plain(channel))));
        return new Item(row.id, row.name, row.geometry(), row.width, row.height, row.depth, channels);
    }

    /** Things by their rows, so many questions however many they are. */
    public Map<Long, Item> some(List<ItemRow> rows) {
        Map<Long, List<ItemKeyRow>> keys = keys(rows);
        return rows.stream().collect(Collectors.toMap(r -> r.id, r -> item(r, keys.getOrDefault(r.id, List.of()))));
    }

    private Map<Long, List<ItemKeyRow>> keys(List<ItemRow> rows) {
        return store.whereIn(ItemKeyRow.class, "itemId", rows.stream().map(r -> r.id).toList()).stream()
                .collect(Collectors.groupingBy(k -> k.itemId));
    }

    /** Writes what an edit made of things: rows that say the same stay as they are. */
    public void write(List<ItemRow> rows, Map<Long, Item> after) {
        Map<Long, List<ItemKeyRow>> keys = keys(rows);
        rows.forEach(row -> ItemWriter.write(store, row, keys.getOrDefault(row.id, List.of()), after.get(row.id)));
    }

    /** The sets of a project's scenes by the scene's id. */
    public Map<Long, Stage> ofProject(long projectId) {
        Map<Long, Stage> stages = new HashMap<>();
        store.where(SceneRow.class, "projectId", projectId).forEach(scene -> stages.put(scene.id, stage(scene.id)));
        return stages;
    }
}
