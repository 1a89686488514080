package freshsplice.exchange.edl;

import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

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
        Map<FrameRate, Integer> agreeing = new LinkedHashMap<>();
        for (FrameRate rate : USUAL) {
            if (largest < rate.timecodeBase()) {
                agreeing.put(rate, agreeingEvents(list, rate.timecodeBase()));
            }
        }
        if (agreeing.isEmpty()) {
            return new EdlRate(FrameRate.FPS_60, "a frame number is " + largest + ", past every usual rate");
        }
        int most = agreeing.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        List<FrameRate> best = agreeing.keySet().stream().filter(r -> agreeing.get(r) == most).toList();
        String reason = best.size() == 1 && agreeing.size() > 1
                ? "only at this rate are " + most + " events as long in their source as in the record"
                : "the largest frame number is " + largest + ", and this is the usual rate that has it";
        return new EdlRate(best.get(0), reason);
    }

    private static int largestFrameNumber(EdlList list) {
        return list.statements.stream()
                .flatMap(s -> Stream.of(s.sourceIn, s.sourceOut, s.recordIn, s.recordOut))
                .mapToInt(Timecode::frameField).max().orElse(0);
    }

    private static int agreeingEvents(EdlList list, int base) {
        int count = 0;
        for (EdlStatement s : list.statements) {
            if (s.speedInFps == null && !s.hasNoLength()
                    && count(s.sourceOut, base) - count(s.sourceIn, base)
                    == count(s.recordOut, base) - count(s.recordIn, base)) {
                count++;
            }
        }
        return count;
    }

    /** Frames of a label without asking whether it exists. */
    private static long count(String label, int base) {
        String[] fields = label.split("[:;.,]");
        return ((Long.parseLong(fields[0]) * 60 + Long.parseLong(fields[1])) * 60 + Long.parseLong(fields[2])) * base
                + Long.parseLong(fields[3]);
    }
}
