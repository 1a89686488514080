package freshsplice.core.camera;

import freshsplice.core.refusal.Refusal;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** What of a camera can be keyed. */
public enum CameraChannel {
    /** Place, metres. */
    X(0, -100_000, 100_000), Y(1.6, -100_000, 100_000), Z(5, -100_000, 100_000),
    /** Turned to the left about the upright, degrees. */
    PAN(0, -36_000, 36_000),
    /** Turned upwards, degrees. */
    TILT(0, -90, 90),
    /** Turned about its own line of sight, the right side down, degrees. */
    ROLL(0, -36_000, 36_000),
    /** Focal length, millimetres. */
    LENS(35, 1, 2000),
    /** Focus distance, metres. */
    FOCUS(5, 0.05, 100_000),
    /** T-stop. */
    STOP(2.8, 0.5, 64);

    /** Where a camera stands and how it is turned. */
    public static final Set<CameraChannel> PLACE = Collections.unmodifiableSet(EnumSet.range(X, ROLL));

    private final double plain;
    private final double least;
    private final double most;

    CameraChannel(double plain, double least, double most) {
        this.plain = plain;
        this.least = least;
        this.most = most;
    }

    /** Whether it is an angle in degrees. */
    public boolean isAngle() {
        return this == PAN || this == TILT || this == ROLL;
    }

    /** The value of a new camera. */
    public double plain() {
        return plain;
    }

    /** @throws Refusal if the value is outside what the channel can be */
    public double check(double value) {
        if (!(value >= least && value <= most)) {
            throw new Refusal("The " + word() + " of a camera is between " + least + " and " + most
                    + ", not " + value);
        }
        return value;
    }

    /** The channel that a word names. @throws Refusal if there is none */
    public static CameraChannel named(String word) {
        return Arrays.stream(values()).filter(c -> c.word().equals(word)).findFirst().orElseThrow(() ->
                new Refusal("A camera has no \"" + word + "\" to set"));
    }

    /** Values by the channels that their words name. @throws Refusal if one names none */
    public static Map<CameraChannel, Double> byWord(Map<String, Double> values) {
        Map<CameraChannel, Double> channels = new EnumMap<>(CameraChannel.class);
        values.forEach((word, value) -> channels.put(named(word), value));
        return channels;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
