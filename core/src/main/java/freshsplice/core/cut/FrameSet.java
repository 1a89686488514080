package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** A growing set of frames, kept as ranges that neither touch nor overlap. Adding and asking cost O(log n). */
final class FrameSet {
    private final TreeMap<Long, Long> outByIn = new TreeMap<>();

    void add(FrameRange range) {
        if (range.isEmpty()) {
            return;
        }
        long in = range.in();
        long out = range.out();
        Map.Entry<Long, Long> before = outByIn.floorEntry(in);
        if (before != null && before.getValue() >= in) {
            in = before.getKey();
            out = Math.max(out, before.getValue());
        }
        Map.Entry<Long, Long> after = outByIn.higherEntry(in);
        while (after != null && after.getKey() <= out) {
            out = Math.max(out, after.getValue());
            outByIn.remove(after.getKey());
            after = outByIn.higherEntry(in);
        }
        outByIn.put(in, out);
    }

    /** The parts of {@code range} that are not in this set, in order. */
    List<FrameRange> missingFrom(FrameRange range) {
        List<FrameRange> open = new ArrayList<>();
        long at = range.in();
        Map.Entry<Long, Long> first = outByIn.floorEntry(at);
        if (first != null) {
            at = Math.max(at, first.getValue());
        }
        for (Map.Entry<Long, Long> taken : outByIn.subMap(range.in(), false, range.out(), false).entrySet()) {
            if (taken.getKey() > at) {
                open.add(FrameRange.of(at, taken.getKey()));
            }
            at = Math.max(at, taken.getValue());
        }
        if (at < range.out()) {
            open.add(FrameRange.of(at, range.out()));
        }
        return open;
    }
}
