package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;

/**
 * An exact rate in frames per second, and the whole number of frames that timecode counts in one labelled second.
 * Sound counted in samples has a rate too (48000).
 *
 * @param fps exact frames per second, above zero
 */
public record FrameRate(Rational fps) {
    public static final FrameRate FPS_23_976 = of(24000, 1001);
    public static final FrameRate FPS_24 = of(24, 1);
    public static final FrameRate FPS_25 = of(25, 1);
    public static final FrameRate FPS_29_97 = of(30000, 1001);
    public static final FrameRate FPS_30 = of(30, 1);
    public static final FrameRate FPS_48 = of(48, 1);
    public static final FrameRate FPS_50 = of(50, 1);
    public static final FrameRate FPS_59_94 = of(60000, 1001);
    public static final FrameRate FPS_60 = of(60, 1);

    /** No picture runs faster and no sound is sampled faster than this. */
    private static final long LARGEST = 1_000_000;

    public FrameRate {
        if (fps.signum() <= 0 || fps.compareTo(Rational.of(LARGEST)) > 0) {
            throw new Refusal("A frame rate is above 0 and at most " + LARGEST + ": " + fps);
        }
    }

    public static FrameRate of(long num, long den) {
        return new FrameRate(Rational.of(num, den));
    }

    /**
     * Reads {@code "24000/1001"}, {@code "25"}, or the rounded decimals the trade says for the 1001 rates
     * ({@code 23.976}, {@code 23.98}, {@code 29.97}, {@code 59.94}), which mean the exact rate.
     *
     * @throws IllegalArgumentException if the text is no rate
     */
    public static FrameRate parse(String text) {
        return meant(Rational.parse(text));
    }

    /**
     * The rate that a written number means: 2997/100, 29.97 and 23976/1000 are rounded 1001 rates and mean the exact
     * ones; all others mean themselves (common practice).
     *
     * @throws IllegalArgumentException if the number is no rate
     */
    public static FrameRate meant(Rational written) {
        Rational base = written.times(Rational.of(1001, 1000));
        long whole = base.round();
        boolean rounded = !written.isWhole() && whole > 0 && whole < 1000
                && base.minus(Rational.of(whole)).abs().compareTo(Rational.of(8, 1000)) < 0;
        return rounded ? of(whole * 1000, 1001) : new FrameRate(written);
    }

    /** Frames in one second of timecode: 24 for 24000/1001, 30 for 30000/1001. SMPTE ST 12-1. */
    public int timecodeBase() {
        return (int) -Math.floorDiv(-fps.num(), fps.den());
    }

    /** Drop-frame counting exists at 30000/1001 and 60000/1001 only. SMPTE ST 12-1. */
    public boolean hasDropFrame() {
        return equals(FPS_29_97) || equals(FPS_59_94);
    }

    /** Exact seconds that {@code frames} last. */
    public Rational seconds(long frames) {
        return Rational.of(frames).dividedBy(fps);
    }

    /** How many frames of {@code other} pass while one frame of this passes. */
    public Rational framesOf(FrameRate other) {
        return other.fps.dividedBy(fps);
    }

    @Override
    public String toString() {
        return fps.toString();
    }
}
