package freshsplice.exchange.aaf;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * A speed ratio that changes over a group, added up to input positions. The ratio is output to input (Object
 * Specification 1.1); where the lengths of group and input say the opposite, the lengths decide. It is straight between
 * control points, holds beyond them, and each unit moves on by the speed in its middle.
 */
final class AafSpeedCurve {
    /** Longer groups are added up in as many steps. */
    private static final int MOST_STEPS = 20_000;
    /** Positions are kept to this part of a unit, far below what a frame can show. */
    private static final long GRAIN = 4096;

    private AafSpeedCurve() {
    }

    /** @return input position over output position, a point for each step */
    static AafCurve positions(AafCurve ratios, long length, long inputLength) {
        List<AafCurve.Point> asStandard = added(ratios, length, true);
        List<AafCurve.Point> other = added(ratios, length, false);
        return new AafCurve(distance(asStandard, inputLength) <= distance(other, inputLength) ? asStandard : other,
                ratios.straight());
    }

    private static double distance(List<AafCurve.Point> positions, long inputLength) {
        return Math.abs(positions.get(positions.size() - 1).value().toDouble() - inputLength);
    }

    private static List<AafCurve.Point> added(AafCurve ratios, long length, boolean outputToInput) {
        int steps = (int) Math.min(length, MOST_STEPS);
        List<AafCurve.Point> positions = new ArrayList<>(steps + 1);
        double at = 0;
        for (int i = 0; i <= steps; i++) {
            positions.add(new AafCurve.Point(Rational.of(length).times(i).dividedBy(Rational.of(steps)),
                    Rational.of(Math.round(at * GRAIN), GRAIN)));
            double ratio = ratio(ratios.points(), (i + 0.5) * length / steps);
            double speed = !outputToInput ? ratio : Math.abs(ratio) < 1e-6 ? 0 : 1 / ratio;
            at += Math.max(-1e6, Math.min(1e6, speed)) * length / steps;
        }
        return positions;
    }

    private static double ratio(List<AafCurve.Point> points, double unit) {
        AafCurve.Point before = points.get(0);
        for (AafCurve.Point point : points) {
            double there = point.at().toDouble();
            if (there >= unit) {
                double from = before.at().toDouble();
                double share = there > from ? (unit - from) / (there - from) : 0;
                double a = before.value().toDouble();
                return a + (point.value().toDouble() - a) * Math.max(0, share);
            }
            before = point;
        }
        return before.value().toDouble();
    }
}
