package freshsplice.core.stage.edit;

import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Matrix;
import freshsplice.core.time.Rational;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** Things of a set placed and keyed, on action frames. */
public final class ItemEdits {
    private ItemEdits() {
    }

    /**
     * Puts a thing somewhere: what of it moves is keyed at the frame, what stands still stands there throughout. Whether it is there
     * at all is always keyed.
     *
     * @throws Refusal if a value cannot be
     */
    public static Item place(Item item, long frame, Map<ItemChannel, Double> values, Easing leaving) {
        return changed(item, channels -> {
            values.forEach((channel, value) -> {
                Channel of = item.channel(channel);
                channel.check(value);
                channels.put(channel, of.keys().isEmpty() && channel != ItemChannel.SHOWN ? Channel.constant(value)
                        : of.withKey(new Key(frame, value, leaving)));
            });
            return channels;
        });
    }

    /** How far something goes. @param x metres; as y and z; @param turn degrees about the upright */
    public record By(double x, double y, double z, double turn) {
    }

    /**
     * Moves a thing from where it is at a frame, as {@link #place} puts it. What it is not moved along is not written.
     *
     * @param pivot x and z of the upright that it turns about, before it is moved; null for its own
     */
    public static Item move(Item item, long frame, By by, double[] pivot, Easing leaving) {
        Rational at = Rational.of(frame);
        double x = item.value(ItemChannel.X, at);
        double z = item.value(ItemChannel.Z, at);
        if (pivot != null && by.turn() != 0) {
            double[] turned = Matrix.rotationY(by.turn()).apply(x - pivot[0], 0, z - pivot[1]);
            x = pivot[0] + turned[0];
            z = pivot[1] + turned[2];
        }
        Map<ItemChannel, Double> wanted = new EnumMap<>(Map.of(ItemChannel.X, x + by.x(), ItemChannel.Y,
                item.value(ItemChannel.Y, at) + by.y(), ItemChannel.Z, z + by.z(), ItemChannel.TURN,
                item.value(ItemChannel.TURN, at) + by.turn()));
        wanted.entrySet().removeIf(w -> w.getValue() == item.value(w.getKey(), at));
        return place(item, frame, wanted, leaving);
    }

    /** Keys its place and turn as they are at a frame. */
    public static Item key(Item item, long frame, Easing leaving) {
        return changed(item, channels -> {
            for (ItemChannel channel : ItemChannel.values()) {
                if (channel != ItemChannel.SHOWN) {
                    channels.put(channel, item.channel(channel).withKey(new Key(frame, item.value(channel, Rational.of(frame)), leaving)));
                }
            }
            return channels;
        });
    }

    /** Takes its keys at a frame away. What loses its last key stays where that had it. */
    public static Item unkey(Item item, long frame) {
        return changed(item, channels -> {
            channels.replaceAll((channel, of) -> of.withoutKey(frame));
            return channels;
        });
    }

    /**
     * All its keys at a frame go to another; keys that are there give way.
     *
     * @throws Refusal if there is none
     */
    public static Item moveKeys(Item item, long from, long to) {
        if (item.channels().values().stream().flatMap(c -> c.keys().stream()).noneMatch(k -> k.frame() == from)) {
            throw new Refusal("There is no key at frame " + from + " any more");
        }
        return changed(item, channels -> {
            channels.replaceAll((channel, of) -> of.keys().stream().filter(k -> k.frame() == from).findFirst()
                    .map(k -> new Channel(of.keys().stream().filter(o -> o.frame() != from).toList(), of.plain()).withKey(k.onFrame(to)))
                    .orElse(of));
            return channels;
        });
    }

    private static Item changed(Item item, UnaryOperator<Map<ItemChannel, Channel>> change) {
        Map<ItemChannel, Channel> channels = new EnumMap<>(ItemChannel.class);
        channels.putAll(item.channels());
        return item.with(change.apply(channels));
    }

    /** The channels that words name. @throws Refusal if there is one that a thing has not */
    public static Map<ItemChannel, Double> values(Map<String, Double> byWord) {
        Map<ItemChannel, Double> values = new EnumMap<>(ItemChannel.class);
        byWord.forEach((word, value) -> values.put(named(word), value));
        return values;
    }

    private static ItemChannel named(String word) {
        List<ItemChannel> found = Arrays.stream(ItemChannel.values()).filter(c -> c.word().equals(word)).toList();
        if (found.isEmpty()) {
            throw new Refusal("An item has no \"" + word + "\" to key");
        }
        return found.get(0);
    }
}
