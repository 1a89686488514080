package freshsplice.exchange.aaf;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * From units of a slot to record frames, and what is seen there.
 *
 * @param cutRate the rate of the record clock
 * @param rate    the slot's own rate
 * @param zero    record frame of the slot's unit 0
 */
record AafClock(FrameRate cutRate, FrameRate rate, long zero) {
    /** Record frame of a unit. */
    long frame(Rational unit) {
        return zero + (rate.equals(cutRate) ? unit : unit.times(rate.framesOf(cutRate))).round();
    }

    FrameRange record(Rational at, Rational length) {
        return FrameRange.of(frame(at), Math.max(frame(at), frame(at.plus(length))));
    }

    /** The same rates, in a cut of its own that begins at frame 0. */
    AafClock inner() {
        return new AafClock(cutRate, rate, 0);
    }

    /**
     * @param speed   how time changes; null at normal speed
     * @param from    source position of the input's first unit
     * @param length  units of the input
     * @param perUnit source frames for each unit of the slot
     */
    TimeMap map(FrameRange record, AafSpeed speed, Rational from, Rational length, Rational perUnit) {
        Rational perFrame = cutRate.framesOf(rate).times(perUnit);
        if (speed == null) {
            return TimeMap.constant(record, from, perFrame);
        }
        if (speed.positions() != null) {
            return keyed(record, speed.positions(), from, perUnit);
        }
        if (speed.speed().signum() < 0) {
            Rational last = from.plus(length.times(perUnit)).minus(Rational.ONE);
            return TimeMap.constant(record, last, perFrame.times(speed.speed()));
        }
        return TimeMap.constant(record, from, perFrame.times(speed.speed()));
    }

    /** The curve as it is at whole record frames: points between frames are seen at the frames around them. */
    private TimeMap keyed(FrameRange record, AafCurve curve, Rational from, Rational perUnit) {
        TreeSet<Long> frames = new TreeSet<>(List.of(record.in(), record.out()));
        Rational framesPerUnit = rate.framesOf(cutRate);
        for (AafCurve.Point point : curve.points()) {
            Rational at = point.at().times(framesPerUnit).plus(record.in());
            addInside(frames, record, at.floor());
            addInside(frames, record, at.isWhole() ? at.floor() : at.floor() + 1);
        }
        Rational unitsPerFrame = cutRate.framesOf(rate);
        List<TimeMap.Key> keys = new ArrayList<>();
        for (long frame : frames) {
            Rational value = curve.at(unitsPerFrame.times(frame - record.in()));
            keys.add(new TimeMap.Key(frame, from.plus(value.times(perUnit))));
        }
        return new TimeMap(keys, false).withoutStraightKeys();
    }

    private static void addInside(TreeSet<Long> frames, FrameRange record, long frame) {
        if (frame > record.in() && frame < record.out()) {
            frames.add(frame);
        }
    }
}
