package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.Timecode;
import java.util.List;

/** Rates and timecodes as this XML writes them: a whole {@code timebase}, slowed by 1000/1001 where {@code ntsc}. */
final class XmemlRates {
    private final List<Remark> remarks;

    XmemlRates(List<Remark> remarks) {
        this.remarks = remarks;
    }

    /** The rate of a {@code rate} element; null where there is none or it is none. */
    FrameRate of(XmlNode rate) {
        if (rate == null) {
            return null;
        }
        try {
            Rational base = Rational.parse(rate.textOf("timebase"));
            FrameRate whole = base.isWhole() ? new FrameRate(base) : FrameRate.parse(rate.textOf("timebase"));
            boolean slowed = rate.flag(false, "ntsc") && whole.fps().isWhole();
            return slowed ? new FrameRate(whole.fps().times(Rational.of(1000, 1001))) : whole;
        } catch (IllegalArgumentException e) {
            remarks.add(Remark.doubt("rate, line " + rate.line, "\"" + rate.textOf("timebase")
                    + "\" is no rate; the rate around it stands in"));
            return null;
        }
    }

    static boolean drops(XmlNode timecode) {
        return timecode.textOf("displayformat").equalsIgnoreCase("DF");
    }

    /**
     * The frame of a {@code timecode} element: counted where it says so, else by its label.
     *
     * @param rate the rate of what it belongs to, used where it has none of its own; may be null
     */
    Long frameOf(XmlNode timecode, FrameRate rate) {
        FrameRate own = of(timecode.child("rate"));
        FrameRate counted = own == null ? rate : own;
        Long frame = timecode.longOf("frame");
        String label = timecode.textOf("string");
        Long labelled = counted == null || label.isEmpty() ? null : labelled(timecode, label, counted);
        if (frame == null) {
            return labelled;
        }
        if (labelled != null && !labelled.equals(frame)) {
            remarks.add(Remark.doubt("timecode, line " + timecode.line, "It says frame " + frame + " and " + label
                    + ", which is frame " + labelled + "; the frame is taken"));
        }
        return frame;
    }

    private Long labelled(XmlNode timecode, String label, FrameRate rate) {
        boolean drop = rate.hasDropFrame() && (drops(timecode) || label.indexOf(';') >= 0);
        try {
            return Timecode.parse(label.replace(';', ':'), rate, drop).frame();
        } catch (IllegalArgumentException e) {
            remarks.add(Remark.doubt("timecode, line " + timecode.line, e.getMessage()));
            return null;
        }
    }
}
