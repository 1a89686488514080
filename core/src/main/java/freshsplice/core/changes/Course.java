package freshsplice.core.changes;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import java.util.OptionalLong;
import java.util.function.LongFunction;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;

/**
 * Where a clip whose speed changes is in its source, record frame by record frame.
 *
 * @param edge the clip, from cut to cut
 * @param at   exact source position by record frame
 * @param keys record frames at which a list tells a position; empty where none does
 */
record Course(FrameRange edge, LongFunction<Rational> at, List<Long> keys) {
    private static final Rational FRAME = Rational.ONE;

    Course(FrameRange edge, LongFunction<Rational> at) {
        this(edge, at, List.of());
    }

    /** Of a clip of a list. */
    static Course of(FrameRange edge, TimeMap time) {
        return new Course(edge, time::at, time.keys().stream().map(TimeMap.Key::record).filter(edge::contains).toList());
    }

    /** The same where source positions are told otherwise. */
    Course as(UnaryOperator<Rational> position) {
        return new Course(edge, r -> position.apply(at.apply(r)), keys);
    }

    Rational low() {
        return LongStream.rangeClosed(edge.in(), edge.out()).mapToObj(at).reduce(Rational::min).orElseThrow();
    }

    Rational high() {
        return LongStream.rangeClosed(edge.in(), edge.out()).mapToObj(at).reduce(Rational::max).orElseThrow();
    }

    /**
     * Whether another course, so many record frames longer at its head, goes on as this one does, at every one of its frames: the
     * same frames are seen, or the list told positions between two frames at the one before, as formats of whole frames do.
     */
    boolean goesOnIn(Course newer, long head) {
        LongFunction<Rational> ours = r -> at.apply(edge.in() - head + r - newer.edge.in());
        boolean sameFrames = LongStream.range(newer.edge.in(), newer.edge.out()).allMatch(r -> ours.apply(r).floor() == newer.at.apply(r).floor());
        return sameFrames || newer.isRoundingOf(ours);
    }

    private boolean isRoundingOf(LongFunction<Rational> exact) {
        boolean down = keys.stream().allMatch(k -> at.apply(k).equals(exact.apply(k)) || at.apply(k).equals(Rational.of(exact.apply(k).floor())));
        boolean rounded = keys.stream().anyMatch(k -> !at.apply(k).equals(exact.apply(k)));
        return down && rounded && LongStream.range(edge.in(), edge.out()).allMatch(r -> at.apply(r).minus(exact.apply(r)).abs().isLessThan(FRAME));
    }

    /**
     * How many record frames another course of the same source begins before this one, where it is the same but for what was
     * trimmed; negative where it begins later, empty where it is another course. Of several the nearest, and of those the least, as over held frames.
     */
    OptionalLong headOf(Course newer) {
        OptionalLong best = OptionalLong.empty();
        Rational least = FRAME;
        for (long by = 0; by < Math.max(edge.length(), newer.edge.length()); by++) {
            for (long head : new long[] {by, -by}) {
                Rational off = off(newer, head, least);
                if (off.isLessThan(least)) {
                    best = OptionalLong.of(head);
                    least = off;
                }
                if (off.isZero()) {
                    return best;
                }
            }
        }
        return best;
    }

    /** The most by which both differ on the frames that both have, half of the shorter one at least; {@code most} where it is that or more. */
    private Rational off(Course newer, long head, Rational most) {
        long from = Math.max(0, head);
        long to = Math.min(newer.edge.length(), edge.length() + head);
        if (2 * (to - from) < Math.min(edge.length(), newer.edge.length())) {
            return most;
        }
        Rational off = Rational.ZERO;
        for (long k = from; k < to && off.isLessThan(most); k++) {
            off = Rational.max(off, at.apply(edge.in() + k - head).minus(newer.at.apply(newer.edge.in() + k)).abs());
        }
        return off.isLessThan(most) ? off : most;
    }

    /** By how many source frames another course of this length is a steady distance off; empty where it is not. */
    OptionalLong slipTo(Course newer) {
        if (edge.length() != newer.edge.length()) {
            return OptionalLong.empty();
        }
        long slip = newer.at.apply(newer.edge.in()).minus(at.apply(edge.in())).round();
        return as(p -> p.plus(slip)).goesOnIn(newer, 0) ? OptionalLong.of(slip) : OptionalLong.empty();
    }
}
