package freshsplice.core.camera;

import freshsplice.core.motion.Channel;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * A camera over its shot's frames: what of it is set and keyed. Where it really is at a frame, with what it looks at, is carried by
 * and shaken by, is {@link PoseStack}'s to say.
 *
 * @param name     for people
 * @param back     film back
 * @param channels values that somebody set, keyed or not; a channel that is absent was never touched and keeps its plain value
 * @param aim      what it turns to; null where its own pan and tilt say
 * @param focusOn  what its focus is kept on; null where its own focus says
 * @param mounts   what carries it and from when on, in order of their frames
 * @param layers   movement over its own
 * @param locked   finished: nothing moves it
 */
public record Camera(String name, FilmBack back, Map<CameraChannel, Channel> channels, Aim aim, Aim focusOn, List<Mount> mounts,
                     List<LayerUse> layers, boolean locked) {
    /** More than anybody sets by hand; so many are looked through for every frame. */
    private static final int MOST_KEYS = 10_000;

    /** @throws Refusal if it has too many keys, or two things carry it from the same frame on */
    public Camera {
        channels = Map.copyOf(channels);
        mounts = mounts.stream().sorted(Comparator.comparingLong(Mount::begins)).toList();
        layers = List.copyOf(layers);
        if (mounts.stream().mapToLong(Mount::begins).distinct().count() < mounts.size()) {
            throw new Refusal("\"" + name + "\" is mounted twice from the same frame on");
        }
        int keys = channels.values().stream().mapToInt(c -> c.keys().size()).sum();
        if (keys > MOST_KEYS) {
            throw new Refusal("A camera has up to " + MOST_KEYS + " keys, and \"" + name + "\" would have " + keys);
        }
    }

    public static Camera named(String name, FilmBack back) {
        return new Camera(name, back, Map.of(), null, null, List.of(), List.of(), false);
    }

    /** Whether somebody has placed or moved it. */
    public boolean isStaged() {
        return !mounts.isEmpty() || aim != null || CameraChannel.PLACE.stream().anyMatch(this::isTouched);
    }

    /** Whether somebody ever set a value of it. */
    public boolean isTouched(CameraChannel channel) {
        return channels.containsKey(channel);
    }

    public boolean isKeyed() {
        return keyCount() > 0;
    }

    /** How many keys its channels have together. */
    public int keyCount() {
        return channels.values().stream().mapToInt(c -> c.keys().size()).sum();
    }

    /** What is set or keyed, before anything that it looks at or is carried by: the number that is typed. */
    public double keyed(CameraChannel channel, Rational frame) {
        Channel of = channels.get(channel);
        return of == null ? channel.plain() : channel.isAngle() ? of.angleAt(frame) : of.at(frame);
    }

    /** A channel's values and keys, those of a new camera where nobody touched it. */
    public Channel channel(CameraChannel channel) {
        return channels.getOrDefault(channel, Channel.constant(channel.plain()));
    }

    public Camera with(CameraChannel channel, Channel changed) {
        Map<CameraChannel, Channel> all = new EnumMap<>(CameraChannel.class);
        all.putAll(channels);
        all.put(channel, changed);
        return with(all);
    }

    public Camera with(Map<CameraChannel, Channel> changed) {
        return new Camera(name, back, changed, aim, focusOn, mounts, layers, locked);
    }

    /** @param at null to turn by its own pan and tilt again */
    public Camera aimed(Aim at) {
        return new Camera(name, back, channels, at, focusOn, mounts, layers, locked);
    }

    /** @param on null to focus by its own distance again */
    public Camera focused(Aim on) {
        return new Camera(name, back, channels, aim, on, mounts, layers, locked);
    }

    public Camera mounted(List<Mount> on) {
        return new Camera(name, back, channels, aim, focusOn, on, layers, locked);
    }

    public Camera layered(List<LayerUse> under) {
        return new Camera(name, back, channels, aim, focusOn, mounts, under, locked);
    }

    public Camera named(String other) {
        return new Camera(other, back, channels, aim, focusOn, mounts, layers, locked);
    }

    public Camera on(FilmBack other) {
        return new Camera(name, other, channels, aim, focusOn, mounts, layers, locked);
    }

    public Camera locked(boolean finished) {
        return new Camera(name, back, channels, aim, focusOn, mounts, layers, finished);
    }
}
