package freshsplice.core.delivery;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * The size of a project's picture in pixels. Both sides are even, because movies halve the colour of both.
 *
 * @param width  16 to {@link #LARGEST}
 * @param height as the width
 */
public record PictureSize(int width, int height) {
    public static final int LARGEST = 8192;
    private static final int SMALLEST = 16;

    /** @throws Refusal if a side is odd, too small or too large; the message offers the nearest that is not */
    public PictureSize {
        check("wide", width);
        check("high", height);
    }

    private static void check(String word, int pixels) {
        if (pixels < SMALLEST || pixels > LARGEST) {
            throw new Refusal("A picture is " + SMALLEST + " to " + LARGEST + " pixels " + word + ", not " + pixels);
        }
        if (pixels % 2 != 0) {
            throw new Refusal("A picture is an even number of pixels " + word + ": " + (pixels - 1) + " or " + (pixels + 1) + ", not " + pixels);
        }
    }

    /** A picture of a shape: the height is made even, to the nearest. @param shape width over height */
    public static PictureSize of(int width, Rational shape) {
        return new PictureSize(width, (int) even(Rational.of(width).dividedBy(shape)));
    }

    /** Sizes of the same shape that renders usually have: half, three quarters, all of it, and one and a half, as far as there is such. */
    public List<PictureSize> usual() {
        return Stream.of(Rational.of(1, 2), Rational.of(3, 4), Rational.ONE, Rational.of(3, 2)).map(f -> new long[] {
            even(Rational.of(width).times(f)), even(Rational.of(height).times(f))})
                .filter(s -> Math.min(s[0], s[1]) >= SMALLEST && Math.max(s[0], s[1]) <= LARGEST)
                .map(s -> new PictureSize((int) s[0], (int) s[1])).toList();
    }

    private static long even(Rational height) {
        return height.dividedBy(Rational.of(2)).round() * 2;
    }

    /** What was made of a shape, in words: {@code 1.9:1 at 3840 wide is 2021.05 high, made 2022}; empty where nothing had to be made. */
    public static String words(int width, Rational shape) {
        Rational exact = Rational.of(width).dividedBy(shape);
        long made = even(exact);
        return exact.equals(Rational.of(made)) ? ""
                : String.format(Locale.ROOT, "%s:1 at %d wide is %s high, made %d", number(shape), width, number(exact), made);
    }

    /** Two digits at most. */
    private static String number(Rational value) {
        return String.format(Locale.ROOT, "%.2f", value.toDouble()).replaceFirst("\\.?0+$", "");
    }
}
