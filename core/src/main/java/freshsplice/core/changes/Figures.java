package freshsplice.core.changes;

import freshsplice.core.time.Rational;

/**
 * What changed between the two pieces of a pair, in frames. Always: new length = old length + head + tail.
 *
 * @param head record frames gained at the head
 * @param tail record frames gained at the tail
 * @param slip source frames by which what is seen moved while the length stayed
 */
record Figures(long head, long tail, long slip) {
    static Figures of(Piece older, Piece newer) {
        long longer = newer.length() - older.length();
        if (!older.key().equals(newer.key())) {
            return new Figures(0, longer, 0);
        }
        if (older.still() || newer.still() || newer.slope().isZero()) {
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

    /** Formats that know whole frames only write a position between two of them at the one before. */
    private static Rational asSeen(Rational difference) {
        return !difference.isWhole() && difference.abs().isLessThan(Rational.ONE) ? Rational.ZERO : difference;
    }
}
