package freshsplice.exchange.format;

import freshsplice.core.time.Rational;

/**
 * How fine the fractions of a reading are. Files write times as decimals and floating point; taken to the letter, what is
 * worked out from two of them soon fits no number. A reading keeps what such a number can have meant.
 */
public final class Grain {
    /** Finer positions are rounded to this part of a frame, far below what a picture can show. */
    private static final long PARTS = 4096;
    /** Fractions up to this are kept as they are. */
    private static final long MOST_PARTS = 1_000_000;
    /** Decimals of a file are written to nine places. */
    private static final double DECIMALS = 1e-9;

    private Grain() {
    }

    /** A position in frames: the simplest fraction that nine decimals can have meant, or the nearest of the grain. */
    public static Rational position(Rational written) {
        if (written.den() <= PARTS) {
            return written;
        }
        Rational simple = Rational.simplest(written.toDouble(), DECIMALS);
        return simple.den() <= PARTS ? simple : rounded(written);
    }

    /** The same where something was worked out that is not too fine to be exact. */
    public static Rational bounded(Rational position) {
        return position.den() <= MOST_PARTS ? position : rounded(position);
    }

    private static Rational rounded(Rational position) {
        return Rational.of(Math.round(position.toDouble() * PARTS), PARTS);
    }

    /**
     * A speed or a time in floating point.
     *
     * @throws IllegalArgumentException if it is not finite or has more than 15 digits before the point
     */
    public static Rational speed(double written) {
        Rational exact = Rational.near(written);
        return exact.den() <= MOST_PARTS ? exact : Rational.simplest(written, DECIMALS);
    }
}
