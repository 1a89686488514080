package freshsplice.exchange.aaf;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * How an operation group changes time, recognised by what it holds: a speed ratio, a curve of positions, or an input
 * of one frame. SpeedRatio is the length of the output against the length of the input, Object Specification 1.1.
 *
 * @param input the segment that it changes
 * @param speed input units for each output unit; null where it is keyed
 * @param keys  output and input position of each key, both from the group's own first unit
 */
record AafSpeed(AafObject input, Rational speed, List<Rational[]> keys) {
    /** @return null where the group does not change time */
    static AafSpeed of(AafObject group, AafFile file, List<Remark> remarks, String place) {
        List<AafObject> inputs = group.objects(AafPid.INPUT_SEGMENTS);
        if (inputs.size() != 1) {
            return null;
        }
        AafObject input = inputs.get(0);
        String id = group.definition(AafPid.OPERATION);
        AafFile.Operation operation = id == null ? null : file.operations.get(id);
        boolean warps = operation != null && Boolean.TRUE.equals(operation.timeWarp())
                || AafIds.SPEED_CONTROL.equals(id);
        Rational ratio = null;
        List<Rational[]> curve = List.of();
        List<Rational[]> ratios = List.of();
        for (AafObject parameter : group.objects(AafPid.PARAMETERS)) {
            String definition = parameter.id(AafPid.PARAMETER_DEFINITION);
            if (parameter.type == AafClass.CONSTANT_VALUE && AafIds.SPEED_RATIO.equals(definition)
                    && parameter.typed(AafPid.CONSTANT) instanceof Rational r) {
                ratio = r;
            } else if (parameter.type == AafClass.VARYING_VALUE && AafIds.SPEED_RATIO.equals(definition)) {
                ratios = points(parameter);
            } else if (parameter.type == AafClass.VARYING_VALUE && warps) {
                List<Rational[]> points = points(parameter);
                curve = points.size() > curve.size() ? points : curve;
            }
        }
        long length = group.number(AafPid.LENGTH, 0);
        long inputLength = input.number(AafPid.LENGTH, 0);
        if (curve.size() >= 2) {
            return new AafSpeed(input, null, scaled(curve, length, inputLength));
        }
        if (ratios.size() >= 2 && length > 0) {
            return new AafSpeed(input, null, AafSpeedCurve.positions(shares(ratios, length), length, inputLength));
        }
        if (ratio != null) {
            return new AafSpeed(input, speed(ratio, length, inputLength, remarks, place), List.of());
        }
        if (warps && inputLength == 1) {
            return new AafSpeed(input, Rational.ZERO, List.of());
        }
        if (warps && length > 0 && inputLength > 0 && length != inputLength) {
            remarks.add(Remark.doubt(place, "It changes speed and does not say how; its lengths say "
                    + Rational.of(inputLength, length)));
            return new AafSpeed(input, Rational.of(inputLength, length), List.of());
        }
        return null;
    }

    /** The ratio is output to input; where the lengths say the opposite, the lengths decide. */
    private static Rational speed(Rational ratio, long length, long inputLength, List<Remark> remarks, String place) {
        if (ratio.isZero()) {
            return Rational.ZERO;
        }
        Rational speed = Rational.ONE.dividedBy(ratio);
        boolean held = inputLength == 1 && length > 1 && !fits(speed, length, inputLength);
        if (held) {
            return Rational.ZERO;
        }
        if (!fits(speed, length, inputLength) && fits(ratio, length, inputLength) && inputLength != length) {
            remarks.add(Remark.doubt(place, "Its ratio " + ratio + " is output to input by the standard, and its "
                    + "lengths say input to output; the lengths are taken"));
            return ratio;
        }
        return speed;
    }

    private static boolean fits(Rational speed, long length, long inputLength) {
        Rational wanted = speed.abs().times(length);
        return wanted.minus(Rational.of(inputLength)).abs().compareTo(Rational.of(1)) <= 0;
    }

    private static List<Rational[]> points(AafObject parameter) {
        List<Rational[]> points = new ArrayList<>();
        for (AafObject point : parameter.objects(AafPid.POINT_LIST)) {
            Rational time = point.rational(AafPid.POINT_TIME);
            if (time != null && point.typed(AafPid.POINT_VALUE) instanceof Rational value
                    && (points.isEmpty() || points.get(points.size() - 1)[0].isLessThan(time))) {
                points.add(new Rational[] {time, value});
            }
        }
        return points;
    }

    /** Times of control points as shares of the group, where a file counts units instead. */
    private static List<Rational[]> shares(List<Rational[]> points, long length) {
        boolean share = points.stream().allMatch(p -> p[0].abs().compareTo(Rational.ONE) <= 0);
        return share ? points : points.stream().map(p -> new Rational[] {p[0].dividedBy(Rational.of(length)), p[1]})
                .toList();
    }

    /**
     * Times of control points run from 0 to 1 over the group (Object Specification 1.1); some files count units.
     * Values are input positions in units, or shares of the input where none is past 1.
     */
    private static List<Rational[]> scaled(List<Rational[]> points, long length, long inputLength) {
        boolean share = points.stream().allMatch(p -> p[0].abs().compareTo(Rational.ONE) <= 0);
        boolean valueShare = inputLength > 1 && points.stream().allMatch(p -> p[1].abs().compareTo(Rational.ONE) <= 0);
        return points.stream().map(p -> new Rational[] {share ? p[0].times(length) : p[0],
                valueShare ? p[1].times(inputLength) : p[1]}).toList();
    }
}
