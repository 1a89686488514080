package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * Frames at which a label's seconds begin that are a multiple of a number of seconds: where a ruler is labelled. Such a label
 * ends in {@code :00}, and where drop-frame counting leaves that out (SMPTE ST 12-1), in the first that there is.
 */
public final class WholeSeconds {
    private WholeSeconds() {
    }

    /**
     * The frames in a range, in order.
     *
     * @param range record frames; the day's wrap is no special case, labels go on after it as from its begin
     * @param every seconds from one to the next, 1 and more
     */
    public static List<Long> in(FrameRange range, FrameRate rate, boolean drop, int every) {
        if (every < 1) {
            throw new Refusal("A ruler is labelled every second at most, not every " + every);
        }
        long day = Timecode.framesPerDay(rate, drop);
        List<Long> frames = new ArrayList<>();
        for (long midnight = Math.floorDiv(range.in(), day) * day; midnight < range.out(); midnight += day) {
            ofDay(range, midnight, rate, drop, every, frames);
        }
        return frames;
    }

    private static void ofDay(FrameRange range, long midnight, FrameRate rate, boolean drop, int every, List<Long> frames) {
        // labels run ahead of the frames where some are dropped, never behind: none is passed over by beginning here
        long in = Math.max(0, range.in() - midnight);
        for (long second = in / rate.timecodeBase() / every * every; second < 24 * 3600; second += every) {
            long frame = midnight + firstOf(second, rate, drop);
            if (frame >= range.out()) {
                return;
            }
            if (frame >= range.in()) {
                frames.add(frame);
            }
        }
    }

    private static long firstOf(long second, FrameRate rate, boolean drop) {
        long minutes = second / 60;
        long labelled = second * rate.timecodeBase();
        if (!drop) {
            return labelled;
        }
        int skipped = Timecode.skippedPerMinute(rate);
        boolean dropped = second % 60 == 0 && minutes % 10 != 0;
        return labelled - skipped * (minutes - minutes / 10) + (dropped ? skipped : 0);
    }
}
