package freshsplice.core.delivery;

import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;

/**
 * Which shot positions the frames of a render show: frame k shows {@code from + k·speed}.
 *
 * @param from   exact shot frame of its first frame
 * @param speed  shot frames per frame
 * @param frames how many frames it has
 */
public record RenderRange(Rational from, Rational speed, long frames) {
    public RenderRange {
        if (frames < 1) {
            throw new IllegalArgumentException("A render has at least one frame");
        }
    }

    /** All that a section shows of its shot, the frames under its passages included. */
    public static RenderRange of(Section section, FrameRange seen) {
        return new RenderRange(section.at(seen.in()), section.speed(), seen.length());
    }

    public Rational positionOf(long frame) {
        return from.plus(speed.times(frame));
    }

    /** The timecode frame of its first frame: the shot's own number, so that a cut that names it names our frames. */
    public long startTimecode() {
        return Math.max(0, from.floor());
    }

    /** The record frames it covers where a section shows it; null where its speed is another. */
    public FrameRange on(Section section) {
        if (!speed.equals(section.speed()) || speed.isZero() && !from.equals(section.from())) {
            return null;
        }
        long in = section.record().in()
                + (speed.isZero() ? 0 : from.minus(section.from()).dividedBy(speed).round());
        return FrameRange.ofLength(in, frames);
    }

    /** How many frames of a range a render that lies at {@code place} does not have. */
    public static long missing(FrameRange place, FrameRange wanted) {
        long have = Math.min(place.out(), wanted.out()) - Math.max(place.in(), wanted.in());
        return wanted.length() - Math.max(0, have);
    }
}
