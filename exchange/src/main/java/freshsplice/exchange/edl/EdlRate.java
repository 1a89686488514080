package freshsplice.exchange.edl;

import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A list does not say its rate. The guess: drop-frame means 30000/1001; else the bases that have room for the
 * largest frame number, and of those the one at which most events are as long in the source as in the record
 * (lengths differ between bases only where seconds are borrowed); where that leaves several, the usual one.
 *
 * @param rate   the guess
 * @param reason why, in a sentence
 */
public record EdlRate(FrameRate rate, String reason) {
    private static final List<FrameRate> USUAL = List.of(FrameRate.FPS_24, FrameRate.FPS_25, FrameRate.FPS_30,
            FrameRate.FPS_48, FrameRate.FPS_50, FrameRate.FPS_60);

    static EdlRate guess(EdlList list) {
        int largest = largestFrameNumber(list);
        if (Boolean.TRUE.equals(list.drop)) {
            return largest < 30
                    ? new EdlRate(FrameRate.FPS_29_97, "the list counts drop-frame")
                    : new EdlRate(FrameRate.FPS_59_94, "the list counts drop-frame, with frame numbers past 29");
        }
        List<Excess> events = list.statements.stream().filter(s -> s.speedInFps == null && !s.hasNoLength())
                .map(Excess::of).toList();
        Map<FrameRate, Integer> agreeing = new LinkedHashMap<>();
        for (FrameRate rate : USUAL) {
            if (largest < rate.timecodeBase()) {
                agreeing.put(rate, (int) events.stream().filter(e -> e.isNothingAt(rate.timecodeBase())).count());
            }
        }
        if (agreeing.isEmpty()) {
            return new EdlRate(FrameRate.FPS_60, "a frame number is " + largest + ", past every usual rate");
        }
        int most = agreeing.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        List<FrameRate> best = agreeing.keySet().stream().filter(r -> agreeing.get(r) == most).toList();
        String reason = best.size() == 1 && agreeing.size() > 1
                ? "only at " + best.get(0) + slowed(best.get(0)) + " frames/s " + (most == 1 ? "is 1 event" : "are " + most + " events") + " as long in their source as in the record"
                : "the largest frame number is " + largest + ", and this is the usual rate that has it";
        return new EdlRate(best.get(0), reason);
    }

    /** Labels do not tell a rate from the one that is slower by 1000/1001 and has the same. */
    private static String slowed(FrameRate rate) {
        FrameRate slow = FrameRate.of(rate.timecodeBase() * 1000L, 1001);
        return slow.timecodeBase() == rate.timecodeBase() && !rate.equals(FrameRate.FPS_25) && !rate.equals(FrameRate.FPS_50) ? " or " + slow : "";
    }

    private static int largestFrameNumber(EdlList list) {
        int largest = 0;
        for (EdlStatement s : list.statements) {
            largest = Math.max(largest, Math.max(
                    Math.max(Timecode.frameField(s.sourceIn), Timecode.frameField(s.sourceOut)),
                    Math.max(Timecode.frameField(s.recordIn), Timecode.frameField(s.recordOut))));
        }
        return largest;
    }

    /**
     * By how much an event's source is longer than its record, its labels taken apart and not yet counted.
     *
     * @param seconds whole seconds by the first three fields; @param frames by the last field
     */
    private record Excess(long seconds, long frames) {
        static Excess of(EdlStatement s) {
            int[] in = Timecode.fields(s.sourceIn);
            int[] out = Timecode.fields(s.sourceOut);
            int[] recordIn = Timecode.fields(s.recordIn);
            int[] recordOut = Timecode.fields(s.recordOut);
            return new Excess(seconds(out) - seconds(in) - seconds(recordOut) + seconds(recordIn),
                    (long) out[3] - in[3] - recordOut[3] + recordIn[3]);
        }

        private static long seconds(int[] fields) {
            return (fields[0] * 60L + fields[1]) * 60 + fields[2];
        }

        boolean isNothingAt(int base) {
            return seconds * base + frames == 0;
        }
    }
}
