package freshsplice.core.motion;

/**
 * The way from one key to the next: a cubic Bézier curve whose handles say how each side goes. Handles that nobody set by hand
 * reach over a third of the frames, so that time runs evenly and the curve is the Hermite cubic of both slopes.
 */
final class Segment {
    private static final double THIRD = 1 / 3.0;

    private final Key from;
    private final double frames;
    private final double rise;

    /** @param rise from the first key's value to the second's, by the way it is gone */
    Segment(Key from, Key to, double rise) {
        this.from = from;
        this.frames = to.frame() - from.frame();
        this.rise = rise;
    }

    double frames() {
        return frames;
    }

    double rise() {
        return rise;
    }

    /** In the channel's unit a frame. */
    double slope() {
        return rise / frames;
    }

    /**
     * @param since    frames since the first key
     * @param arriving how the second key is reached; null for as the first is left
     * @param slopes   speeds at both ends where it goes through them, in the channel's unit a frame
     */
    double at(double since, Easing arriving, Slopes slopes) {
        Easing leaving = from.leaving();
        if (leaving instanceof Easing.Stepped) {
            return from.value();
        }
        if (leaving instanceof Easing.Spring spring) {
            return from.value() + rise * (1 - spring.left(since));
        }
        Easing towards = arriving == null ? mirrored(leaving) : arriving;
        double t = since / frames;
        if (leaving instanceof Easing.Straight && towards instanceof Easing.Straight) {
            return from.value() + rise * t;
        }
        if (leaving instanceof Easing.Eased && towards instanceof Easing.Eased) {
            return from.value() + rise * (t * t * (3 - 2 * t));
        }
        double x1 = leaving instanceof Easing.Hand hand ? hand.along() : THIRD;
        double x2 = towards instanceof Easing.Hand hand ? 1 - hand.along() : 1 - THIRD;
        double y1 = by(leaving, slopes.leaving());
        double y2 = towards instanceof Easing.Hand hand ? rise + hand.by() : rise - by(towards, slopes.arriving());
        return from.value() + bezier(y1, y2, rise, parameter(x1, x2, t));
    }

    /** A handle is turned about the middle of the way, so that the curve comes in as it went away. */
    private static Easing mirrored(Easing leaving) {
        return leaving instanceof Easing.Hand hand ? new Easing.Hand(hand.along(), -hand.by()) : leaving;
    }

    private double by(Easing side, double through) {
        return side instanceof Easing.Hand hand ? hand.by() : side instanceof Easing.Straight ? rise * THIRD
                : side instanceof Easing.Through ? through * frames * THIRD : 0;
    }

    private static double bezier(double p1, double p2, double p3, double u) {
        double v = 1 - u;
        return 3 * v * v * u * p1 + 3 * v * u * u * p2 + u * u * u * p3;
    }

    /** The curve's parameter at a share of the frames: time rises along it, so halving finds it. */
    private static double parameter(double x1, double x2, double t) {
        if (x1 == THIRD && x2 == 1 - THIRD) {
            return t;
        }
        double low = 0;
        double high = 1;
        for (int i = 0; i < 60 && high - low > 1e-16; i++) {
            double middle = (low + high) / 2;
            if (bezier(x1, x2, 1, middle) < t) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /** Speeds at the ends of a way, in the channel's unit a frame. */
    record Slopes(double leaving, double arriving) {
    }

    /**
     * The speed at a key between two ways that neither halts nor overshoots: the harmonic mean of both, weighted by their frames,
     * and none at a turning point (Fritsch and Butland, A method for constructing local monotone piecewise cubic interpolants, 1984).
     */
    static double through(Segment before, Segment after) {
        double d0 = before.slope();
        double d1 = after.slope();
        if (d0 * d1 <= 0) {
            return 0;
        }
        double w0 = 2 * after.frames + before.frames;
        double w1 = after.frames + 2 * before.frames;
        return (w0 + w1) / (w0 / d0 + w1 / d1);
    }

    /** The speed at the first key of a way whose next is known, of three points, held so that nothing overshoots (the same authors). */
    static double end(Segment way, Segment next) {
        if (next == null) {
            return way.slope();
        }
        double slope = ((2 * way.frames + next.frames) * way.slope() - way.frames * next.slope()) / (way.frames + next.frames);
        if (slope * way.slope() <= 0) {
            return 0;
        }
        boolean turns = way.slope() * next.slope() <= 0;
        return turns && Math.abs(slope) > 3 * Math.abs(way.slope()) ? 3 * way.slope() : slope;
    }
}
