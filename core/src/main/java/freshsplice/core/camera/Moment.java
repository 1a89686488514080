package freshsplice.core.camera;

import freshsplice.core.time.Rational;

/**
 * An exact moment of a shot on both clocks.
 *
 * @param shotFrame   the camera's keys count by it
 * @param actionFrame the set moves by it
 */
public record Moment(Rational shotFrame, Rational actionFrame) {
    /** The action frame of another shot frame: both clocks run alike within a shot. */
    Rational actionOf(long otherShotFrame) {
        return actionFrame.minus(shotFrame).plus(otherShotFrame);
    }

    Rational actionBefore(double frames) {
        return actionFrame.minus(Rational.of(Math.round(frames * FINE), FINE));
    }

    /** A lag is kept to a thousandth of a frame. */
    private static final long FINE = 1000;
}
