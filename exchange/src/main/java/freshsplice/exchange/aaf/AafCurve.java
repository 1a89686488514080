package freshsplice.exchange.aaf;

import freshsplice.core.time.Rational;
import freshsplice.exchange.format.Grain;
import java.util.ArrayList;
import java.util.List;

/**
 * A value that changes over a group: control points in units of the group's slot, counted from its first unit. Straight
 * between points; beyond them the outer slope goes on.
 *
 * @param points   in strictly rising order of time; at least one
 * @param straight whether the file says straight lines as well, or nothing
 */
record AafCurve(List<Point> points, boolean straight) {
    private static final int PROPORTIONAL = 1;
    /** The edit hint of times that are units. */
    static final int FIXED = 4;

    /** @param at units from the group's first; @param value what holds there */
    record Point(Rational at, Rational value) {
    }

    /**
     * A varying parameter. What its times count is told by each point's edit hint (Object Specification 1.1, EditHint):
     * fixed times are units; proportional ones are shares of the way to the last unit, 1 being that unit, and trimmed
     * curves go below 0 and above 1. Without a hint, times from 0 to 1 are shares of the whole length.
     *
     * @param length units of the group
     * @return null where it has no point
     */
    static AafCurve of(AafObject parameter, long length) {
        List<AafObject> list = parameter.objects(AafPid.POINT_LIST);
        boolean shares = list.stream().map(p -> p.rational(AafPid.POINT_TIME))
                .allMatch(t -> t == null || t.abs().compareTo(Rational.ONE) <= 0);
        List<Point> points = new ArrayList<>();
        for (AafObject point : list) {
            Rational time = point.rational(AafPid.POINT_TIME);
            if (time == null || !(point.typed(AafPid.POINT_VALUE) instanceof Rational value)) {
                continue;
            }
            long hint = point.number(AafPid.EDIT_HINT, 0);
            long scale = hint == FIXED ? 1 : hint == PROPORTIONAL ? length - 1 : shares ? length : 1;
            Rational at = Grain.position(time.times(scale));
            if (points.isEmpty() || points.get(points.size() - 1).at.isLessThan(at)) {
                points.add(new Point(at, Grain.position(value)));
            }
        }
        String interpolation = parameter.definition(AafPid.INTERPOLATION);
        return points.isEmpty() ? null : new AafCurve(points, interpolation == null
                || AafIds.LINEAR.equals(interpolation) || points.size() < 2);
    }

    Rational at(Rational unit) {
        if (points.size() == 1) {
            return points.get(0).value;
        }
        int low = 0;
        int high = points.size() - 2;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (points.get(middle).at.compareTo(unit) <= 0) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        Point a = points.get(low);
        Point b = points.get(low + 1);
        Rational share = unit.minus(a.at).dividedBy(b.at.minus(a.at));
        return Grain.bounded(a.value.plus(b.value.minus(a.value).times(share)));
    }
}
