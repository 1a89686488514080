package freshsplice.core.camera.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongUnaryOperator;

/** Keys of a camera, over several channels at once. Keys stand on whole frames, and those that are moved win. */
public final class KeyEdits {
    private KeyEdits() {
    }

    /** @throws Refusal if one of the keys is not there any more */
    public static Camera move(Camera camera, Set<KeyPlace> keys, long by) {
        return placed(camera, keys, frame -> Math.addExact(frame, by));
    }

    /**
     * Scales the time between keys.
     *
     * @param pivot  the frame that stays
     * @param factor above 0; each key goes to the nearest whole frame
     * @throws Refusal if two keys of a channel would stand on one frame
     */
    public static Camera scale(Camera camera, Set<KeyPlace> keys, long pivot, Rational factor) {
        if (factor.signum() <= 0) {
            throw new Refusal("Keys are scaled in time by a factor above 0, not " + factor);
        }
        return placed(camera, keys, frame -> Rational.of(frame - pivot).times(factor).round() + pivot);
    }

    private static Camera placed(Camera camera, Set<KeyPlace> keys, LongUnaryOperator to) {
        return changed(camera, keys, (channel, held) -> {
            List<Key> moved = held.stream().map(k -> k.onFrame(to.applyAsLong(k.frame()))).toList();
            Set<Long> frames = new HashSet<>();
            for (Key key : moved) {
                if (!frames.add(key.frame())) {
                    throw new Refusal("Two keys of " + channel.word() + " would stand on frame " + key.frame()
                            + ": take one away first, or scale less");
                }
            }
            return moved;
        });
    }

    /**
     * Sets how keys are left and reached.
     *
     * @param leaving  null to leave it as it is
     * @param arriving null to leave it as it is
     * @param way      null to leave it as it is
     */
    public static Camera ease(Camera camera, Set<KeyPlace> keys, Easing leaving, Easing arriving, Way way) {
        return changed(camera, keys, (channel, held) -> held.stream().map(k -> new Key(k.frame(), k.value(),
                leaving == null ? k.leaving() : leaving, arriving == null ? k.arriving() : arriving,
                way == null ? k.way() : way)).toList());
    }

    /** A key typed anew. */
    public static Camera value(Camera camera, KeyPlace key, double value) {
        key.channel().check(value);
        return changed(camera, Set.of(key), (channel, held) -> held.stream().map(k -> k.withValue(value)).toList());
    }

    /** A channel that loses its last key keeps that one's value. */
    public static Camera remove(Camera camera, Set<KeyPlace> keys) {
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        channels.putAll(camera.channels());
        for (KeyPlace key : keys) {
            check(camera, key);
            channels.computeIfPresent(key.channel(), (channel, of) -> of.withoutKey(key.frame()));
        }
        return camera.with(channels);
    }

    /**
     * Keys copied from anywhere, laid so that the earliest stands on a frame.
     *
     * @param copied by channel; their frames count among themselves
     */
    public static Camera paste(Camera camera, Map<CameraChannel, List<Key>> copied, long at) {
        long first = copied.values().stream().flatMap(List::stream).mapToLong(Key::frame).min().orElseThrow(() ->
                new Refusal("No keys are copied: choose some and copy them first"));
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        channels.putAll(camera.channels());
        copied.forEach((channel, keys) -> {
            Channel of = camera.channel(channel);
            for (Key key : keys) {
                channel.check(key.value());
                of = of.withKey(key.onFrame(Math.addExact(key.frame() - first, at)));
            }
            channels.put(channel, of);
        });
        return camera.with(channels);
    }

    private interface OfChannel {
        List<Key> changed(CameraChannel channel, List<Key> held);
    }

    private static Camera changed(Camera camera, Set<KeyPlace> keys, OfChannel change) {
        keys.forEach(key -> check(camera, key));
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        camera.channels().forEach((channel, of) -> {
            List<Key> held = of.keys().stream().filter(k -> keys.contains(new KeyPlace(channel, k.frame()))).toList();
            channels.put(channel, held.isEmpty() ? of : with(of, held, change.changed(channel, held)));
        });
        return camera.with(channels);
    }

    private static Channel with(Channel of, List<Key> held, List<Key> changed) {
        List<Key> all = new ArrayList<>(of.keys());
        all.removeAll(held);
        Channel left = new Channel(all, of.plain());
        for (Key key : changed) {
            left = left.withKey(key);
        }
        return left;
    }

    private static void check(Camera camera, KeyPlace key) {
        if (camera.channel(key.channel()).keys().stream().noneMatch(k -> k.frame() == key.frame())) {
            throw new Refusal("There is no key of " + key.channel().word() + " at frame " + key.frame() + " any more");
        }
    }

    /** All keys of a camera at some frames. */
    public static Set<KeyPlace> at(Camera camera, long frame) {
        Set<KeyPlace> there = new HashSet<>();
        camera.channels().forEach((channel, of) -> of.keys().stream().filter(k -> k.frame() == frame)
                .forEach(k -> there.add(new KeyPlace(channel, frame))));
        return there;
    }
}
