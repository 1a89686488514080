package freshsplice.exchange.aaf;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * A speed ratio that changes over a group, added up to input positions. The ratio is output to input (Object
 * Specification 1.1); where the lengths of group and input say the opposite, the lengths decide. It is straight between
 * control points, and each unit moves on by the speed in its middle.
 */
final class AafSpeedCurve {
    /** Longer groups are added up in as many steps. */
    private static final int MOST_STEPS = 20_000;
    /** Positions are kept to this part of a unit, far below what a frame can show. */
    private static final long GRAIN = 4096;

    private AafSpeedCurve() {
    }

    /**
     * @param points control points: time from 0 to 1 over the group, and the ratio there; at least two
     * @return output and input position of each step
     */
    static List<Rational[]> positions(List<Rational[]> points, long length, long inputLength) {
        List<Rational[]> asStandard = added(points, length, true);
        List<Rational[]> other = added(points, length, false);
        return distance(asStandard, inputLength) <= distance(other, inputLength) ? asStandard : other;
    }

    private static double distance(List<Rational[]> positions, long inputLength) {
        return Math.abs(positions.get(positions.size() - 1)[1].toDouble() - inputLength);
    }

    private static List<Rational[]> added(List<Rational[]> points, long length, boolean outputToInput) {
        int steps = (int) Math.min(length, MOST_STEPS);
        List<Rational[]> positions = new ArrayList<>(steps + 1);
        double at = 0;
        for (int i = 0; i <= steps; i++) {
            positions.add(new Rational[] {Rational.of(length).times(i).dividedBy(Rational.of(steps)),
                    Rational.of(Math.round(at * GRAIN), GRAIN)});
            double ratio = ratio(points, (i + 0.5) / steps);
            double speed = !outputToInput ? ratio : Math.abs(ratio) < 1e-6 ? 0 : 1 / ratio;
            at += Math.max(-1e6, Math.min(1e6, speed)) * length / steps;
        }
        return positions;
    }

    private static double ratio(List<Rational[]> points, double time) {
        Rational[] before = points.get(0);
        for (Rational[] point : points) {
            double there = point[0].toDouble();
            if (there >= time) {
                double from = before[0].toDouble();
                double share = there > from ? (time - from) / (there - from) : 0;
                double a = before[1].toDouble();
                return a + (point[1].toDouble() - a) * Math.max(0, share);
            }
            before = point;
        }
        return before[1].toDouble();
    }
}
