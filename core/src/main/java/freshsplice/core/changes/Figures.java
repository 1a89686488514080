package freshsplice.core.changes;

import freshsplice.core.time.Rational;
import java.util.OptionalLong;

/**
 * What changed between the two clips of a pair, in frames. Always: new length = old length + head + tail.
 *
 * @param head record frames gained at the head
 * @param tail record frames gained at the tail
 * @param slip source frames by which what is seen moved while the length stayed
 */
record Figures(long head, long tail, long slip) {
    static Figures of(ComparedClip older, ComparedClip newer) {
        long longer = newer.length() - older.length();
        if (!older.key().equals(newer.key())) {
            return new Figures(0, longer, 0);
        }
        boolean still = older.still() || newer.still();
        if (!still && (older.isKeyed() || newer.isKeyed())) {
            return ofKeyed(older, newer, longer);
        }
        if (still || newer.slope().isZero()) {
            boolean sameEnd = older.edge().out() == newer.edge().out();
            return sameEnd ? new Figures(longer, 0, 0) : new Figures(0, longer, 0);
        }
        Rational before = asSeen(older.from().minus(newer.from()));
        long head = before.dividedBy(newer.slope()).round();
        boolean sameSpeed = older.runsAs(newer);
        if (longer == 0 && sameSpeed && head != 0) {
            return new Figures(0, 0, before.negate().round());
        }
        return new Figures(head, longer - head, 0);
    }

    /** Of two whose speed changes: what was trimmed of one course, or how far it was slipped; of another course, its length alone. */
    private static Figures ofKeyed(ComparedClip older, ComparedClip newer, long longer) {
        OptionalLong slip = older.eachFrame().slipTo(newer.eachFrame());
        OptionalLong head = older.eachFrame().headOf(newer.eachFrame());
        if (head.isPresent() && (longer != 0 || head.getAsLong() == 0)) {
            return new Figures(head.getAsLong(), longer - head.getAsLong(), 0);
        }
        if (head.isPresent()) {
            return new Figures(0, 0, newer.from().minus(older.from()).round());
        }
        return slip.isPresent() ? new Figures(0, 0, slip.getAsLong()) : new Figures(0, longer, 0);
    }

    /** Formats that know whole frames only write a position between two of them at the one before. */
    private static Rational asSeen(Rational difference) {
        return !difference.isWhole() && difference.abs().isLessThan(Rational.ONE) ? Rational.ZERO : difference;
    }
}
