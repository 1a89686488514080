package freshsplice.core.sources;

import freshsplice.core.time.FrameRate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * When each picture of a movie comes. Telephones and recordings of screens write pictures when there is something new: such a movie is
 * counted at one rate, and shows at each frame the picture that has come by then. Whoever counts, seeks or plays asks here, so that
 * all show the same.
 */
public final class FrameTimes {
    private static final List<FrameRate> USUAL = List.of(FrameRate.FPS_23_976, FrameRate.FPS_24, FrameRate.FPS_25, FrameRate.FPS_29_97,
            FrameRate.FPS_30, FrameRate.FPS_48, FrameRate.FPS_50, FrameRate.FPS_59_94, FrameRate.FPS_60);
    /** By so much of a frame times may be off in a movie that goes evenly: containers round them to thousandths of a second. */
    private static final double ROUNDED = 0.25;
    /** By such a part the usual distance of pictures may be off a usual rate and still mean it. */
    private static final double MEANT = 0.03;

    private final double[] seconds;
    private final FrameRate rate;
    private final boolean even;
    private final long frames;

    private FrameTimes(double[] seconds, FrameRate rate, boolean even, long frames) {
        this.seconds = seconds;
        this.rate = rate;
        this.even = even;
        this.frames = frames;
    }

    /**
     * @param shown when each picture comes, in seconds from the beginning of the file; in any order, 1 at least
     * @param end   when the last one goes
     * @param told  the rate that the file names; null for none
     */
    public static FrameTimes of(double[] shown, double end, FrameRate told) {
        double[] seconds = shown.clone();
        Arrays.sort(seconds);
        Optional<FrameRate> even = evenRate(seconds, end, told);
        FrameRate rate = even.orElseGet(() -> usualRate(seconds, end));
        long frames = even.isPresent() ? seconds.length : Math.max(1, Math.round(Math.max(end, seconds[seconds.length - 1]) * rate.fps().toDouble()));
        return new FrameTimes(seconds, rate, even.isPresent(), frames);
    }

    /** The rate at which all come; empty where they do not come evenly. */
    private static Optional<FrameRate> evenRate(double[] seconds, double end, FrameRate told) {
        if (seconds.length < 2) {
            return Optional.ofNullable(told);
        }
        double mean = (seconds.length - 1) / (seconds[seconds.length - 1] - seconds[0]);
        FrameRate near = USUAL.stream().min(Comparator.comparingDouble(r -> Math.abs(r.fps().toDouble() - mean))).orElseThrow();
        if (isEven(seconds, end, near)) {
            return Optional.of(near);
        }
        return told != null && isEven(seconds, end, told) ? Optional.of(told) : Optional.empty();
    }

    private static boolean isEven(double[] seconds, double end, FrameRate rate) {
        double fps = rate.fps().toDouble();
        boolean lastStays = (end - seconds[seconds.length - 1]) * fps > 2 - ROUNDED;
        if (lastStays) {
            return false;
        }
        for (int i = 0; i < seconds.length; i++) {
            if (Math.abs((seconds[i] - seconds[0]) * fps - i) > ROUNDED) {
                return false;
            }
        }
        return true;
    }

    /** The usual rate next to the usual distance of two pictures; where none is near, the next that is quick enough. */
    private static FrameRate usualRate(double[] seconds, double end) {
        double[] apart = new double[seconds.length];
        for (int i = 0; i < seconds.length; i++) {
            apart[i] = (i + 1 < seconds.length ? seconds[i + 1] : Math.max(end, seconds[i])) - seconds[i];
        }
        Arrays.sort(apart);
        double typical = apart[apart.length / 2];
        double fps = typical <= 0 ? 60 : 1 / typical;
        FrameRate near = USUAL.stream().min(Comparator.comparingDouble(r -> Math.abs(r.fps().toDouble() - fps))).orElseThrow();
        return Math.abs(near.fps().toDouble() / fps - 1) <= MEANT ? near
                : USUAL.stream().filter(r -> r.fps().toDouble() >= fps).findFirst().orElse(FrameRate.FPS_60);
    }

    /** Frames a second that it is counted at. */
    public FrameRate rate() {
        return rate;
    }

    /** Whether each frame is a picture of its own. */
    public boolean isEven() {
        return even;
    }

    /** How many frames it has at {@link #rate}. */
    public long frames() {
        return frames;
    }

    /** Which of its pictures, from 0, a frame shows: the last that has come by then; the number of pictures beyond the end. */
    public long pictureAt(long frame) {
        if (even) {
            return frame;
        }
        if (frame >= frames) {
            return seconds.length + frame - frames;
        }
        double until = (frame + 0.5) / rate.fps().toDouble();
        int found = Arrays.binarySearch(seconds, until);
        return Math.max(0, found >= 0 ? found - 1 : -found - 2);
    }

    /** A time between a picture and the one before it, in seconds: what is sought from there on begins with the picture. */
    public double before(long picture) {
        if (picture <= 0) {
            return 0;
        }
        int at = (int) Math.min(picture, seconds.length);
        double here = at < seconds.length ? seconds[at] : seconds[at - 1] + 1;
        return Math.max(0, (seconds[at - 1] + here) / 2);
    }
}
