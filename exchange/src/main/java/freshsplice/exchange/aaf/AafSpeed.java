package freshsplice.exchange.aaf;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Locale;

/**
 * How an operation group changes time, recognised by what it holds: a speed ratio, a curve of positions, or an input
 * of one frame. SpeedRatio is the length of the output against the length of the input, Object Specification 1.1.
 *
 * @param input     the segment that it changes
 * @param speed     input units for each output unit; null where it is keyed
 * @param positions input position over output position, both from the group's own first unit; null where it is constant
 */
record AafSpeed(AafObject input, Rational speed, AafCurve positions) {
    /**
     * @param input the one picture or sound that the group has
     * @return null where the group does not change time
     */
    static AafSpeed of(AafObject group, AafObject input, AafFile file, List<Remark> remarks, String place) {
        Parameters parameters = new Parameters(group, file);
        long length = group.number(AafPid.LENGTH, 0);
        long inputLength = input.number(AafPid.LENGTH, 0);
        if (parameters.positions != null) {
            return curved(input, parameters.positions, remarks, place);
        }
        if (parameters.ratios != null && parameters.ratios.points().size() > 1 && length > 0) {
            return curved(input, AafSpeedCurve.positions(parameters.ratios, length, inputLength), remarks, place);
        }
        if (parameters.ratio != null) {
            return new AafSpeed(input, speed(parameters.ratio, length, inputLength, remarks, place), null);
        }
        if (parameters.warps && inputLength == 1) {
            return new AafSpeed(input, Rational.ZERO, null);
        }
        if (parameters.warps && length > 0 && inputLength > 0 && length != inputLength) {
            remarks.add(Remark.doubt(place, "It changes speed and does not say how; its lengths say "
                    + Rational.of(inputLength, length)));
            return new AafSpeed(input, Rational.of(inputLength, length), null);
        }
        return null;
    }

    private static AafSpeed curved(AafObject input, AafCurve curve, List<Remark> remarks, String place) {
        if (!curve.straight()) {
            String text = "Its speed is eased between " + curve.points().size() + " points; read straight from point to point";
            remarks.add(curve.points().size() > 2 ? Remark.loss(place, text) : Remark.doubt(place, text));
        }
        return new AafSpeed(input, null, curve);
    }

    /** What the parameters of a group say about time. */
    private static final class Parameters {
        final boolean warps;
        private Rational ratio;
        private AafCurve ratios;
        private AafCurve positions;
        /** Whether the curve of positions is called one: a curve of something else gives way to it. */
        private boolean named;

        Parameters(AafObject group, AafFile file) {
            String id = group.definition(AafPid.OPERATION);
            AafFile.Operation operation = id == null ? null : file.operations.get(id);
            warps = operation != null && Boolean.TRUE.equals(operation.timeWarp()) || AafIds.SPEED_CONTROL.equals(id);
            long length = group.number(AafPid.LENGTH, 0);
            for (AafObject parameter : group.objects(AafPid.PARAMETERS)) {
                read(parameter, file, length);
            }
        }

        private void read(AafObject parameter, AafFile file, long length) {
            String definition = parameter.id(AafPid.PARAMETER_DEFINITION);
            boolean isRatio = AafIds.SPEED_RATIO.equals(definition);
            if (parameter.type == AafClass.CONSTANT_VALUE) {
                if (isRatio && parameter.typed(AafPid.CONSTANT) instanceof Rational r) {
                    ratio = r;
                }
            } else if (parameter.type == AafClass.VARYING_VALUE && (isRatio || warps)) {
                AafCurve curve = AafCurve.of(parameter, length);
                String name = file.parameters.getOrDefault(definition, "").toLowerCase(Locale.ROOT);
                boolean saysPosition = name.contains("offset") || name.contains("position");
                if (curve != null && (isRatio || name.contains("speed") && !saysPosition)) {
                    ratios = curve;
                } else if (curve != null && (positions == null || saysPosition && !named
                        || saysPosition == named && curve.points().size() > positions.points().size())) {
                    positions = curve;
                    named = saysPosition;
                }
            }
        }
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
}
