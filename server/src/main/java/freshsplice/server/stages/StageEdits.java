package freshsplice.server.stages;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.motion.Easing;
import freshsplice.core.stage.ItemChannel;
import freshsplice.server.store.AliveRow;
import freshsplice.server.store.CameraKeyRow;
import freshsplice.server.store.ItemKeyRow;
import freshsplice.server.store.ItemRow;
import freshsplice.server.store.KeyRow;
import freshsplice.server.store.Store;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
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

    public void unkeyItem(long itemId, long frame) {
        store.where(ItemKeyRow.class, "itemId", itemId).stream().filter(k -> k.frame == frame).forEach(store::remove);
    }

    /** A new thing at a place, in the set from the first frame on. */
    public ItemRow addItem(ItemRow row, double x, double y, double z, double turn) {
        store.add(row);
        keyItem(row.id, 0, Map.of(ItemChannel.X, x, ItemChannel.Y, y, ItemChannel.Z, z, ItemChannel.TURN, turn),
                Easing.STRAIGHT);
        return row;
    }

    public void remove(AliveRow row) {
        store.remove(row);
    }
}
