package freshsplice.core.motion;

import freshsplice.core.refusal.Refusal;

/**
 * A value at a frame.
 *
 * @param frame    on the clock of what is keyed: shot frames for a camera, action frames for an item
 * @param value    in the channel's unit
 * @param leaving  how it goes away from here to the next key
 * @param arriving how it comes in here; null where it comes in as it left the key before
 * @param way      which way round an angle goes from here
 */
public record Key(long frame, double value, Easing leaving, Easing arriving, Way way) {
    /** @throws Refusal if the value is no number, or it should spring or step in: both begin at the key before */
    public Key {
        if (!Double.isFinite(value)) {
            throw new Refusal("A key's value is a number: " + value + " at frame " + frame);
        }
        if (arriving != null && arriving.onlyLeaves()) {
            throw new Refusal("A key is left with a spring or a step; it cannot come in with one: frame " + frame);
        }
    }

    /** A key that is left one way and reached as the one before it is left. */
    public Key(long frame, double value, Easing leaving) {
        this(frame, value, leaving, null, Way.SHORT);
    }

    public Key withValue(double changed) {
        return new Key(frame, changed, leaving, arriving, way);
    }

    public Key onFrame(long changed) {
        return new Key(changed, value, leaving, arriving, way);
    }
}
