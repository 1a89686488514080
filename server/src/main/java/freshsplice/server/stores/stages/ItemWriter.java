package freshsplice.server.stores.stages;

import freshsplice.core.motion.Key;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.server.rows.ItemKeyRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.Store;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Writes where a thing stands and how it moves into its rows. Runs inside a step. */
final class ItemWriter {
    private ItemWriter() {
    }

    /** @param there all keys that it has now */
    static void write(Store store, ItemRow row, List<ItemKeyRow> there, Item item) {
        Map<ItemChannel, List<ItemKeyRow>> byChannel = there.stream().collect(Collectors.groupingBy(k -> k.channel));
        for (ItemChannel channel : ItemChannel.values()) {
            if (channel != ItemChannel.SHOWN) {
                row.setPlain(channel, item.channel(channel).plain());
            }
            Map<Long, ItemKeyRow> byFrame = byChannel.getOrDefault(channel, List.of()).stream()
                    .collect(Collectors.toMap(k -> k.frame, Function.identity()));
            for (Key key : item.channel(channel).keys()) {
                ItemKeyRow known = byFrame.remove(key.frame());
                ItemKeyRow kept = known == null ? new ItemKeyRow() : known;
                kept.itemId = row.id;
                kept.channel = channel;
                kept.set(key);
                if (known == null) {
                    store.add(kept);
                }
            }
            byFrame.values().forEach(store::remove);
        }
    }
}
