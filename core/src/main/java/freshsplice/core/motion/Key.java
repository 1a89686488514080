package freshsplice.core.motion;

import freshsplice.core.refusal.Refusal;

/**
 * A value at a frame.
 *
 * @param frame  on the clock of what is keyed: shot frames for a camera, action frames for an item
 * @param value  in the channel's unit
 * @param easing the way from here to the next key
 */
public record Key(long frame, double value, Easing easing) {
    public Key {
        if (!Double.isFinite(value)) {
            throw new Refusal("A key's value is a number: " + value + " at frame " + frame);
        }
    }
}
