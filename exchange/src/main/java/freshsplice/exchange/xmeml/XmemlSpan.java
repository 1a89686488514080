package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Event;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The frames of an event as this XML counts them, and the time-remap filter where its speed asks for one. Under that
 * filter {@code in}, {@code out} and {@code duration} count frames of the retimed clip (common practice): a constant
 * speed is written as one where {@code in} can then be whole, else as a line through keys, which is exact as well.
 *
 * @param in       first frame of what is shown, of the source or of the retimed clip, from the first of its media
 * @param out      the frame after the last
 * @param duration frames of the whole clip as it is played
 * @param speed    against normal; the mean where it is keyed
 * @param keys     retimed frame and source frame of each key; empty where the speed is constant
 */
record XmemlSpan(long in, long out, long duration, Rational speed, List<long[]> keys, boolean smooth,
                 Optional<String> remark) {
    /** @param base source position of the first frame of its media */
    static XmemlSpan of(Event event, FrameRate cutRate, FrameRate rate, long base) {
        Rational perRecordFrame = cutRate.framesOf(rate);
        Rational length = perRecordFrame.times(event.record().length());
        Optional<Rational> slope = event.time().slope();
        if (slope.isEmpty()) {
            return keyed(event, base, perRecordFrame, length);
        }
        Rational speed = slope.get().dividedBy(perRecordFrame);
        Rational from = event.from().minus(Rational.of(base));
        Rational first = speed.signum() < 0 ? from.plus(1).minus(length.times(speed.abs())) : from;
        if (speed.isZero() || speed.equals(Rational.ONE)) {
            return at(event, first, length, speed, beginsBeforeMedia(first, first.isWhole()));
        }
        Rational retimed = first.dividedBy(speed.abs());
        if (first.signum() >= 0 && retimed.isWhole()) {
            return at(event, retimed, length, speed, Optional.empty());
        }
        return line(event, from, length, speed);
    }

    private static XmemlSpan at(Event event, Rational first, Rational length, Rational speed, Optional<String> remark) {
        long in = Math.max(0, first.floor());
        long out = in + Math.max(1, length.round());
        return new XmemlSpan(in, out, duration(event, speed, out), speed, List.of(), false, remark);
    }

    private static Optional<String> beginsBeforeMedia(Rational first, boolean whole) {
        if (first.floor() < 0) {
            return Optional.of("It begins " + Amounts.frames(-first.floor()) + " before its media; written from the first frame");
        }
        return whole ? Optional.empty()
                : Optional.of("It begins between two frames, at " + first + "; written from the frame before");
    }

    /** All of the clip at this speed; where its media's length is not known, as far as it is shown. */
    private static long duration(Event event, Rational speed, long out) {
        Long media = event.source() == null ? null : event.source().length();
        if (media == null || speed == null || speed.isZero()) {
            return out;
        }
        return Math.max(out, Rational.of(media).dividedBy(speed.abs()).round());
    }

    /** A constant speed through two keys at whole frames: exact wherever its first position is whole. */
    private static XmemlSpan line(Event event, Rational from, Rational length, Rational speed) {
        long step = speed.den();
        long frames = Math.max(1, length.round());
        long to = Math.multiplyExact(step, (frames + step - 1) / step);
        long value = from.floor() + speed.times(to).floor();
        long in = Math.max(0, from.floor());
        Optional<String> remark = from.isWhole() ? Optional.empty()
                : Optional.of("It begins between two frames, at " + from + "; written from the frame before");
        return new XmemlSpan(in, in + frames, duration(event, speed, in + frames), speed,
                List.of(new long[] {in, from.floor()}, new long[] {in + to, value}), false, remark);
    }

    private static XmemlSpan keyed(Event event, long base, Rational perRecordFrame, Rational length) {
        long in = Math.max(0, event.from().floor() - base);
        List<long[]> keys = new ArrayList<>();
        boolean whole = true;
        TimeMap time = event.time().within(event.record());
        for (TimeMap.Key key : time.keys()) {
            Rational when = perRecordFrame.times(key.record() - event.record().in()).plus(in);
            Rational value = key.source().minus(Rational.of(base));
            whole &= when.isWhole() && value.isWhole();
            keys.add(new long[] {when.round(), value.floor()});
        }
        Rational mean = event.to().minus(event.from()).dividedBy(length);
        long out = in + Math.max(1, length.round());
        return new XmemlSpan(in, out, out, mean, keys, time.smooth(), whole
                ? Optional.empty()
                : Optional.of("Keys of its speed lie between frames; written at the frame before"));
    }

    void writeRemap(XmlText xml) {
        if (keys.isEmpty() && Rational.ONE.equals(speed)) {
            return;
        }
        xml.element("filter", () -> xml.element("effect", () -> {
            xml.text("name", "Time Remap");
            xml.text("effectid", "timeremap");
            xml.text("effectcategory", "motion");
            xml.text("effecttype", "motion");
            xml.text("mediatype", "video");
            parameter(xml, "variablespeed", keys.isEmpty() ? "0" : "1");
            parameter(xml, "speed", percent(speed.abs()));
            parameter(xml, "reverse", speed.signum() < 0 ? "TRUE" : "FALSE");
            if (!keys.isEmpty()) {
                graph(xml);
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
