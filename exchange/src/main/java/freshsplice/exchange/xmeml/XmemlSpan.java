package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Event;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The source frames of an event as this XML counts them, and the time-remap filter where its speed asks for one.
 *
 * @param in    first source frame of what is shown, from the first of its media
 * @param out   the source frame after the last
 * @param speed against normal; null where it is keyed
 * @param keys  clip frame and source frame of each key, where the speed is keyed
 */
record XmemlSpan(long in, long out, Rational speed, List<long[]> keys, boolean smooth, Optional<String> remark) {
    /** @param base source position of the first frame of its media */
    static XmemlSpan of(Event event, FrameRate cutRate, FrameRate rate, long base) {
        Rational from = event.from().minus(Rational.of(base));
        Rational perRecordFrame = cutRate.framesOf(rate);
        Rational length = perRecordFrame.times(event.record().length());
        Optional<Rational> slope = event.time().slope();
        if (slope.isEmpty()) {
            return keyed(event, base, perRecordFrame, length);
        }
        Rational speed = slope.get().dividedBy(perRecordFrame);
        Rational span = length.times(speed.abs());
        Rational first = speed.signum() < 0 ? from.plus(1).minus(span) : from;
        long in = Math.max(0, first.floor());
        long out = in + (speed.isZero() ? length.round() : Math.max(1, span.round()));
        Optional<String> remark = first.floor() < 0
                ? Optional.of("It begins " + -first.floor() + " frames before its media; written from the first frame")
                : first.isWhole() ? Optional.empty()
                : Optional.of("It begins between two frames, at " + first + "; written from the frame before");
        return new XmemlSpan(in, out, speed, List.of(), false, remark);
    }

    private static XmemlSpan keyed(Event event, long base, Rational perRecordFrame, Rational length) {
        long in = Math.max(0, event.from().floor() - base);
        List<long[]> keys = new ArrayList<>();
        boolean whole = true;
        for (TimeMap.Key key : event.time().keys()) {
            Rational when = perRecordFrame.times(key.record() - event.record().in()).plus(in);
            Rational value = key.source().minus(Rational.of(base));
            whole &= when.isWhole() && value.isWhole();
            keys.add(new long[] {when.round(), value.floor()});
        }
        return new XmemlSpan(in, in + Math.max(1, length.round()), null, keys, event.time().smooth(), whole
                ? Optional.empty()
                : Optional.of("Keys of its speed lie between frames; written at the frame before"));
    }

    void writeRemap(XmlText xml) {
        if (Rational.ONE.equals(speed)) {
            return;
        }
        xml.element("filter", () -> xml.element("effect", () -> {
            xml.text("name", "Time Remap");
            xml.text("effectid", "timeremap");
            xml.text("effectcategory", "motion");
            xml.text("effecttype", "motion");
            xml.text("mediatype", "video");
            parameter(xml, "variablespeed", speed == null ? "1" : "0");
            if (speed == null) {
                graph(xml);
            } else {
                parameter(xml, "speed", percent(speed.abs()));
                parameter(xml, "reverse", speed.signum() < 0 ? "TRUE" : "FALSE");
            }
            parameter(xml, "frameblending", "FALSE");
        }));
    }

    private static String percent(Rational speed) {
        Rational hundred = speed.times(100);
        return hundred.isWhole() ? hundred.toString() : String.format(Locale.ROOT, "%.12f", hundred.toDouble());
    }

    private static void parameter(XmlText xml, String id, String value) {
        xml.element("parameter", () -> {
            xml.text("parameterid", id);
            xml.text("name", id);
            xml.text("value", value);
        });
    }

    private void graph(XmlText xml) {
        xml.element("parameter", () -> {
            xml.text("parameterid", "graphdict");
            xml.text("name", "graphdict");
            for (long[] key : keys) {
                xml.element("keyframe", () -> {
                    xml.text("when", key[0]);
                    xml.text("value", key[1]);
                    xml.element("interpolation", () -> xml.text("name", smooth ? "FCPCurve" : "linear"));
                });
            }
        });
    }
}
