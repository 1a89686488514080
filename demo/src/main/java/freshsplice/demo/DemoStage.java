package freshsplice.demo;

import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Stage;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** The scene's set as the core sees one. */
public final class DemoStage {
    private static final ItemChannel[] KEYED = {ItemChannel.X, ItemChannel.Y, ItemChannel.Z, ItemChannel.TURN};

    private DemoStage() {
    }

    public static Stage stage() {
        return new Stage(LowWater.set().stream().map(DemoStage::item).toList());
    }

    static Item item(LowWater.Thing thing) {
        return new Item(0, thing.name(), new Geometry.Figure(thing.shape(), thing.colour()), thing.width(), thing.height(), thing.depth(),
                channels(thing));
    }

    /** Where a thing stands or how it moves: one key is a place that is set and not keyed. */
    public static Map<ItemChannel, Channel> channels(LowWater.Thing thing) {
        Map<ItemChannel, Channel> channels = new EnumMap<>(ItemChannel.class);
        for (int c = 0; c < KEYED.length; c++) {
            List<Key> keys = new ArrayList<>();
            for (double[] key : thing.keys()) {
                keys.add(new Key((long) key[0], key[c + 1], Easing.STRAIGHT));
            }
            channels.put(KEYED[c], keys.size() == 1 ? Channel.constant(keys.get(0).value()) : new Channel(keys, 0));
        }
        List<Key> shown = new ArrayList<>();
        for (long[] key : thing.shown()) {
            shown.add(new Key(key[0], key[1], Easing.STEPPED));
        }
        channels.put(ItemChannel.SHOWN, new Channel(shown, 1));
        return channels;
    }
}
