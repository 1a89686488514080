package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.LongPredicate;

/** Time through two levels: an outer record frame shows an inner record frame, which shows a source position. */
final class NestedTime {
    private static final long FINE = 100_000;
    private static final long PAST_ALL = Long.MAX_VALUE / 4;

    private NestedTime() {
    }

    /**
     * The outer frames of a range on which an inner range is seen, in order: one stretch where the outer time runs one
     * way, several where it turns. O(log n) in the frames for each stretch.
     */
    static List<FrameRange> framesThatShow(TimeMap outer, FrameRange inner, FrameRange range) {
        List<FrameRange> stretches = new ArrayList<>();
        long from = range.in();
        List<TimeMap.Key> keys = outer.keys();
        for (int i = 1; i < keys.size() && from < range.out(); i++) {
            boolean last = i + 1 == keys.size();
            long to = last ? range.out() : Math.min(range.out(), keys.get(i).record());
            if (to > from) {
                add(stretches, oneWay(outer, inner, FrameRange.of(from, to)));
                from = to;
            }
        }
        return stretches;
    }

    private static void add(List<FrameRange> stretches, FrameRange next) {
        if (next.isEmpty()) {
            return;
        }
        int end = stretches.size() - 1;
        if (end >= 0 && stretches.get(end).out() == next.in()) {
            stretches.set(end, FrameRange.of(stretches.get(end).in(), next.out()));
        } else {
            stretches.add(next);
        }
    }

    /** Time runs one way in the range: both ends are found by halving. */
    private static FrameRange oneWay(TimeMap outer, FrameRange inner, FrameRange range) {
        boolean rising = outer.at(range.out() - 1).compareTo(outer.at(range.in())) >= 0;
        long in = first(range, r -> rising ? outer.frameAt(r) >= inner.in() : outer.frameAt(r) < inner.out());
        long out = first(range, r -> rising ? outer.frameAt(r) >= inner.out() : outer.frameAt(r) < inner.in());
        return FrameRange.of(in, Math.max(in, out));
    }

    /** The first frame for which something is true that stays true; the range's end where it never is. */
    private static long first(FrameRange range, LongPredicate test) {
        long low = range.in();
        long high = range.out();
        while (low < high) {
            long middle = low + (high - low) / 2;
            if (test.test(middle)) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /** Both maps in one, exact at every whole frame of the range; to a hundred-thousandth of one where speed is eased. */
    static TimeMap through(TimeMap outer, TimeMap inner, FrameRange range) {
        TreeSet<Long> frames = new TreeSet<>(List.of(range.in(), range.out()));
        outer.keys().forEach(k -> addAround(frames, k.record(), range));
        if (inner.keys().size() > 2) {
            for (TimeMap.Key key : inner.keys()) {
                // where the outer time passes the key, either way
                for (FrameRange at : framesThatShow(outer, FrameRange.of(key.record(), PAST_ALL), range)) {
                    addAround(frames, at.in(), range);
                    addAround(frames, at.out(), range);
                }
            }
        }
        if (outer.smooth() || inner.smooth()) {
            // a curve is no straight line between two frames that are not neighbours
            for (long r = range.in(); r < range.out(); r++) {
                frames.add(r);
            }
        }
        if (outer.smooth() || inner.smooth()) {
            return new TimeMap(frames.stream()
                    .map(r -> new TimeMap.Key(r, fine(innerAt(inner, fine(outer.at(r)))))).toList(), false);
        }
        List<TimeMap.Key> keys = frames.stream().map(r -> new TimeMap.Key(r, innerAt(inner, outer.at(r)))).toList();
        return new TimeMap(keys, false).withoutStraightKeys();
    }

    /** A position on a curve to a hundred-thousandth of a frame: its exact fraction, cubed again, fits no number. */
    private static Rational fine(Rational position) {
        return position.den() <= FINE ? position : Rational.of(Math.round(position.toDouble() * FINE), FINE);
    }

    private static void addAround(TreeSet<Long> frames, long frame, FrameRange range) {
        for (long r = frame - 1; r <= frame + 1; r++) {
            if (r > range.in() && r < range.out()) {
                frames.add(r);
            }
        }
    }

    private static Rational innerAt(TimeMap inner, Rational position) {
        long whole = position.floor();
        Rational part = position.minus(Rational.of(whole));
        Rational here = inner.at(whole);
        return part.isZero() ? here : here.plus(inner.at(whole + 1).minus(here).times(part));
    }
}
