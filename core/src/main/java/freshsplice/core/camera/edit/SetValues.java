package freshsplice.core.camera.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Values set on a camera, by a typed number, a gesture or a key. */
public final class SetValues {
    /** Nearer than this a value is the one that is there. */
    private static final double SAME = 1e-9;
    private static final double HALF_TURN = 180;

    private SetValues() {
    }

    /**
     * Sets values at a frame. What is as it was is not written.
     *
     * @throws freshsplice.core.refusal.Refusal if a value cannot be; the message says which
     */
    public static Camera at(Camera camera, long frame, Map<CameraChannel, Double> values, Reach reach, Easing leaving) {
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        channels.putAll(camera.channels());
        Rational at = Rational.of(frame);
        values.forEach((channel, value) -> {
            double difference = channel.check(value) - camera.keyed(channel, at);
            // a movement gives way to its own value too
            boolean ends = reach == Reach.WHOLE && !camera.channel(channel).keys().isEmpty();
            if (Math.abs(difference) > SAME || ends) {
                channels.put(channel, changed(camera, channel, new Key(frame, value, leaving), difference, reach));
            } else if (!camera.isTouched(channel)) {
                // somebody meant the value that it was made with: that is known from now on, and no key
                channels.put(channel, Channel.constant(value));
            }
        });
        return camera.with(channels);
    }

    private static Channel changed(Camera camera, CameraChannel channel, Key key, double difference, Reach reach) {
        Channel of = camera.channel(channel);
        if (!camera.isKeyed() || reach == Reach.WHOLE || of.keys().isEmpty() && reach == Reach.ALL_KEYS) {
            return Channel.constant(key.value());
        }
        if (reach == Reach.ALL_KEYS) {
            return new Channel(of.keys().stream().map(k -> k.withValue(channel.check(k.value() + difference))).toList(), of.plain());
        }
        Channel keyed = keyedAt(of, key);
        return channel.isAngle() && Math.abs(key.value()) > HALF_TURN ? goingAllTheWay(keyed, key.frame()) : keyed;
    }

    /** More than half a turn is typed by who means it: from the key before to this one, and on from it, as far as the numbers say. */
    private static Channel goingAllTheWay(Channel channel, long frame) {
        List<Key> keys = new ArrayList<>(channel.keys());
        for (int i = 0; i + 1 < keys.size(); i++) {
            if (keys.get(i).frame() == frame || keys.get(i + 1).frame() == frame) {
                Key from = keys.get(i);
                keys.set(i, new Key(from.frame(), from.value(), from.leaving(), from.arriving(), Way.keeping(keys.get(i + 1).value() - from.value())));
            }
        }
        return new Channel(keys, channel.plain());
    }

    /**
     * Keys channels as they are at a frame. A key that is there already stays as it is.
     *
     * @param of which; none for all that are keyed, or for place and turn where nothing is
     */
    public static Camera key(Camera camera, long frame, Collection<CameraChannel> of, Easing leaving) {
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        channels.putAll(camera.channels());
        for (CameraChannel channel : of.isEmpty() ? keyable(camera) : of) {
            Channel known = camera.channel(channel);
            if (known.keys().stream().noneMatch(k -> k.frame() == frame)) {
                channels.put(channel, keyedAt(known, new Key(frame, camera.keyed(channel, Rational.of(frame)), leaving)));
            }
        }
        return camera.with(channels);
    }

    private static List<CameraChannel> keyable(Camera camera) {
        List<CameraChannel> keyed = camera.channels().entrySet().stream().filter(e -> !e.getValue().keys().isEmpty())
                .map(Map.Entry::getKey).sorted().toList();
        return keyed.isEmpty() ? CameraChannel.PLACE.stream().sorted().toList() : keyed;
    }

    /** A key that takes another's place goes on as that did. */
    private static Channel keyedAt(Channel channel, Key key) {
        return channel.withKey(channel.keys().stream().filter(k -> k.frame() == key.frame()).findFirst()
                .map(k -> k.withValue(key.value())).orElse(key));
    }
}
