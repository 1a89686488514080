package freshsplice.core.identity;

import freshsplice.core.cut.Source;
import freshsplice.core.time.Rational;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How one side's positions in a source are the other's: position in the older = scale · position in the newer + offset.
 *
 * @param shared frames of the source that both sides show, so counted
 */
record SourceClock(Rational scale, Rational offset, double shared) {
    private static final int LEAST_VOTES = 2;

    /**
     * Both may count on the source's timecode, or one of them from the first frame of its media: the count under which
     * most frames are shown by both. Where none shares a frame, an offset that several clips of equal lengths agree on.
     */
    static SourceClock between(SourceUse older, SourceUse newer) {
        Rational scale = scale(older.source(), newer.source());
        if (older.still() || newer.still()) {
            return new SourceClock(scale, Rational.ZERO, 0);
        }
        SourceClock best = counted(older, newer, scale, Rational.ZERO);
        Long a = older.source().start();
        Long b = newer.source().start();
        if (a != null || b != null) {
            Rational begins = Rational.of(a == null ? 0 : a).minus(scale.times(b == null ? 0 : b));
            SourceClock other = counted(older, newer, scale, begins);
            best = other.shared > best.shared ? other : best;
        }
        return best.shared > 0 ? best : voted(older, newer, scale, best);
    }

    private static Rational scale(Source older, Source newer) {
        return older.rate() == null || newer.rate() == null || older.rate().equals(newer.rate()) ? Rational.ONE
                : newer.rate().framesOf(older.rate());
    }

    private static SourceClock counted(SourceUse older, SourceUse newer, Rational scale, Rational offset) {
        double shared = 0;
        int at = 0;
        List<SourceUse.ShownRange> olds = older.shown();
        for (SourceUse.ShownRange shown : newer.shown()) {
            double low = shown.low().times(scale).plus(offset).toDouble();
            double high = shown.high().times(scale).plus(offset).toDouble();
            double most = 0;
            // clips of one source mostly come in the same order on both sides
            for (int i = 0; i < Math.min(olds.size(), 64); i++) {
                SourceUse.ShownRange o = olds.get((at + i) % olds.size());
                double both = Math.min(high, o.high().toDouble()) - Math.max(low, o.low().toDouble());
                most = Math.max(most, both);
            }
            at++;
            shared += most;
        }
        return new SourceClock(scale, offset, shared);
    }

    private static SourceClock voted(SourceUse older, SourceUse newer, Rational scale, SourceClock otherwise) {
        Map<Rational, Integer> votes = new HashMap<>();
        for (SourceUse.ShownRange n : newer.shown().subList(0, Math.min(64, newer.shown().size()))) {
            for (SourceUse.ShownRange o : older.shown().subList(0, Math.min(64, older.shown().size()))) {
                if (o.high().minus(o.low()).equals(n.high().minus(n.low()).times(scale))) {
                    votes.merge(o.low().minus(n.low().times(scale)), 1, Integer::sum);
                }
            }
        }
        return votes.entrySet().stream().filter(e -> e.getValue() >= LEAST_VOTES)
                .max(Map.Entry.comparingByValue()).map(e -> counted(older, newer, scale, e.getKey())).orElse(otherwise);
    }

    static SourceClock same() {
        return new SourceClock(Rational.ONE, Rational.ZERO, 0);
    }
}
