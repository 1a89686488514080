package freshsplice.core.camera;

import freshsplice.core.motion.Channel;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.EnumMap;
import java.util.Map;

/**
 * A camera over its shot's frames.
 *
 * @param name     for people
 * @param back     film back
 * @param tStop    T-stop
 * @param channels keyed values; a channel that is absent keeps its plain value
 */
public record Camera(String name, FilmBack back, double tStop, Map<CameraChannel, Channel> channels) {
    public Camera {
        if (!(tStop >= 0.5 && tStop <= 64)) {
            throw new Refusal("A T-stop is between 0.5 and 64: " + tStop);
        }
        channels = Map.copyOf(channels);
    }

    public static Camera named(String name, FilmBack back) {
        return new Camera(name, back, 2.8, Map.of());
    }

    /** Whether somebody has placed or moved it. */
    public boolean isStaged() {
        return keyCount() > 0;
    }

    /** How many keys its channels have together. */
    public int keyCount() {
        return channels.values().stream().mapToInt(c -> c.keys().size()).sum();
    }

    public double value(CameraChannel channel, Rational frame) {
        Channel keyed = channels.get(channel);
        return keyed == null ? channel.plain() : channel.isAngle() ? keyed.angleAt(frame) : keyed.at(frame);
    }

    /** Where it is and how it looks at an exact shot frame. */
    public CameraPose at(Rational frame) {
        return new CameraPose(value(CameraChannel.X, frame), value(CameraChannel.Y, frame),
                value(CameraChannel.Z, frame), value(CameraChannel.PAN, frame), value(CameraChannel.TILT, frame),
                value(CameraChannel.ROLL, frame), value(CameraChannel.LENS, frame),
                value(CameraChannel.FOCUS, frame));
    }

    public Camera with(CameraChannel channel, Channel keyed) {
        Map<CameraChannel, Channel> changed = new EnumMap<>(CameraChannel.class);
        changed.putAll(channels);
        changed.put(channel, keyed);
        return new Camera(name, back, tStop, changed);
    }
}
