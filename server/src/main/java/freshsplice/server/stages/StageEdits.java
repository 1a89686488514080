package freshsplice.server.stages;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.motion.Easing;
import freshsplice.core.stage.ItemChannel;
import freshsplice.server.rows.AliveRow;
import freshsplice.server.rows.CameraKeyRow;
import freshsplice.server.rows.ItemKeyRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.KeyRow;
import freshsplice.server.rows.Store;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Keys set and taken away, inside a step. A key on a frame that has one changes it. */
@Component
public class StageEdits {
    private final Store store;

    StageEdits(Store store) {
        this.store = store;
    }

    public void keyCamera(long cameraId, long frame, Map<CameraChannel, Double> values, Easing easing) {
        List<CameraKeyRow> there = store.where(CameraKeyRow.class, "cameraId", cameraId);
        values.forEach((channel, value) -> set(there.stream().filter(k -> k.channel == channel), () -> {
            CameraKeyRow row = new CameraKeyRow();
            row.cameraId = cameraId;
            row.channel = channel;
            return row;
        }, frame, channel.check(value), easing));
    }

    public void unkeyCamera(long cameraId, long frame, List<CameraChannel> channels) {
        store.where(CameraKeyRow.class, "cameraId", cameraId).stream()
                .filter(k -> k.frame == frame && channels.contains(k.channel)).forEach(store::remove);
    }

    public void keyItem(long itemId, long frame, Map<ItemChannel, Double> values, Easing easing) {
        List<ItemKeyRow> there = store.where(ItemKeyRow.class, "itemId", itemId);
        values.forEach((channel, value) -> set(there.stream().filter(k -> k.channel == channel), () -> {
            ItemKeyRow row = new ItemKeyRow();
            row.itemId = itemId;
            row.channel = channel;
            return row;
        }, frame, channel.check(value), easing));
    }

    private <K extends KeyRow> void set(Stream<K> ofChannel, Supplier<K> fresh, long frame, double value,
                                        Easing easing) {
        K there = ofChannel.filter(k -> k.frame == frame).findFirst().orElse(null);
        K key = there == null ? fresh.get() : there;
        key.frame = frame;
        key.value = value;
        key.easing = easing;
        if (there == null) {
            store.add(key);
        }
    }

    /** Puts a thing somewhere: what of it moves is keyed at the frame, what stands still stands there throughout. */
    public void placeItem(long itemId, long frame, Map<ItemChannel, Double> values, Easing easing) {
        Set<ItemChannel> keyed = store.where(ItemKeyRow.class, "itemId", itemId).stream().map(k -> k.channel)
                .collect(Collectors.toSet());
        ItemRow row = store.get(ItemRow.class, itemId);
        values.forEach((channel, value) -> {
            if (keyed.contains(channel) || channel == ItemChannel.SHOWN) {
                keyItem(itemId, frame, Map.of(channel, value), easing);
            } else {
                row.setPlain(channel, channel.check(value));
            }
        });
    }

    /** What loses its last key stays where that had it. */
    public void unkeyItem(long itemId, long frame) {
        List<ItemKeyRow> all = store.where(ItemKeyRow.class, "itemId", itemId);
        ItemRow row = store.get(ItemRow.class, itemId);
        for (ItemKeyRow key : all) {
            if (key.frame == frame) {
                boolean last = all.stream().noneMatch(k -> k != key && k.channel == key.channel);
                if (last && key.channel != ItemChannel.SHOWN) {
                    row.setPlain(key.channel, key.value);
                }
                store.remove(key);
            }
        }
    }

    /** All keys at one frame go to another; keys that were there give way. @return whether there was any */
    public boolean moveCameraKeys(long cameraId, long from, long to) {
        return move(store.where(CameraKeyRow.class, "cameraId", cameraId), from, to, (a, b) -> a.channel == b.channel);
    }

    /** The same of a thing, by action frames. */
    public boolean moveItemKeys(long itemId, long from, long to) {
        return move(store.where(ItemKeyRow.class, "itemId", itemId), from, to, (a, b) -> a.channel == b.channel);
    }

    private <K extends KeyRow> boolean move(List<K> all, long from, long to, BiPredicate<K, K> sameChannel) {
        List<K> moved = all.stream().filter(k -> k.frame == from).toList();
        if (from != to) {
            all.stream().filter(k -> k.frame == to && moved.stream().anyMatch(m -> sameChannel.test(m, k))).toList()
                    .forEach(store::remove);
            store.entities().flush();
            moved.forEach(k -> k.frame = to);
        }
        return !moved.isEmpty();
    }

    /** A new thing at a place. It stands there and is not keyed. */
    public ItemRow addItem(ItemRow row, double x, double y, double z, double turn) {
        row.x = ItemChannel.X.check(x);
        row.y = ItemChannel.Y.check(y);
        row.z = ItemChannel.Z.check(z);
        row.turn = ItemChannel.TURN.check(turn);
        return store.add(row);
    }

    public void remove(AliveRow row) {
        store.remove(row);
    }
}
