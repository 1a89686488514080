package freshsplice.core.shot;

import freshsplice.core.time.Rational;

/**
 * An exact moment of a shot on both clocks.
 *
 * @param shotFrame   the camera's keys count by it
 * @param actionFrame the set moves by it
 */
public record Moment(Rational shotFrame, Rational actionFrame) {
    private static final long FINE = 1000;

    /** The action frame of another shot frame: both clocks run alike within a shot. */
    public Rational actionOf(long otherShotFrame) {
        return actionFrame.minus(shotFrame).plus(otherShotFrame);
    }

    /** The action frame so many frames before it, to a thousandth of a frame. */
    public Rational actionBefore(double frames) {
        return actionFrame.minus(Rational.of(Math.round(frames * FINE), FINE));
    }
}
