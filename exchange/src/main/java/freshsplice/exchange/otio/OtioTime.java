package freshsplice.exchange.otio;

import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.Grain;
import java.util.LinkedHashMap;
import java.util.Map;

/** Times as the format writes them: a count at a rate, both as floating point. They are made exact at once. */
record OtioTime(Rational value, FrameRate rate) {
    static OtioTime of(Object node) {
        if (!(node instanceof Map<?, ?> map) || !(map.get("value") instanceof Number value)
                || !(map.get("rate") instanceof Number rate)) {
            return null;
        }
        try {
            return new OtioTime(exact(value), rate(rate));
        } catch (IllegalArgumentException | ArithmeticException e) {
            return null;
        }
    }

    private static Rational exact(Number value) {
        double d = value.doubleValue();
        return d == Math.rint(d) && Math.abs(d) < 1e15 ? Rational.of((long) d) : Grain.speed(d);
    }

    /** Rounded rates mean the exact ones: 23.976, 23.98 and 23.976023976023978 are all 24000/1001. */
    static FrameRate rate(Number written) {
        return FrameRate.meant(Rational.near(written.doubleValue()));
    }

    /** The same time counted at another rate. */
    Rational at(FrameRate other) {
        return other.equals(rate) ? value : value.times(rate.framesOf(other));
    }

    static Map<String, Object> written(Rational value, FrameRate rate) {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("OTIO_SCHEMA", "RationalTime.1");
        map.put("rate", rate.fps().toDouble());
        map.put("value", value.toDouble());
        return map;
    }

    /**
     * A range of time.
     *
     * @param start    its first time
     * @param duration how long it is
     */
    record Range(OtioTime start, OtioTime duration) {
        static Range of(Object node) {
            if (!(node instanceof Map<?, ?> map)) {
                return null;
            }
            OtioTime start = OtioTime.of(map.get("start_time"));
            OtioTime duration = OtioTime.of(map.get("duration"));
            return start == null || duration == null ? null : new Range(start, duration);
        }

        static Map<String, Object> written(Rational start, Rational duration, FrameRate rate) {
            Map<String, Object> map = new LinkedHashMap<>();
            map.put("OTIO_SCHEMA", "TimeRange.1");
            map.put("duration", OtioTime.written(duration, rate));
            map.put("start_time", OtioTime.written(start, rate));
            return map;
        }
    }
}
