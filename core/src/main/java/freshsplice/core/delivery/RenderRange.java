package freshsplice.core.delivery;

import freshsplice.core.master.Bend;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;

/**
 * Which shot positions the frames of a render show: frame k shows {@code from + k·speed}, or what its bends say.
 *
 * @param from   exact shot frame of its first frame
 * @param speed  shot frames per frame; the mean where it changes
 * @param frames how many frames it has
 * @param bends  where its speed changes, counted from its first frame; empty for a constant one
 */
public record RenderRange(Rational from, Rational speed, long frames, List<Bend> bends) {
    public RenderRange {
        if (frames < 1) {
            throw new Refusal("A render has at least one frame");
        }
        bends = List.copyOf(bends);
    }

    /** One of a constant speed. */
    public RenderRange(Rational from, Rational speed, long frames) {
        this(from, speed, frames, List.of());
    }

    /** All that a section shows of its shot, the frames under its transitions included. */
    public static RenderRange of(Section section, FrameRange seen) {
        Section whole = section.over(seen);
        return new RenderRange(whole.from(), section.speed(), seen.length(), whole.bends());
    }

    public Rational positionOf(long frame) {
        return bends.isEmpty() ? from.plus(speed.times(frame)) : Bend.at(bends, Rational.of(frame));
    }

    /** The timecode frame of its first frame: the shot's own number, so that a cut that names it names our frames. */
    public long startTimecode() {
        return Math.max(0, from.floor());
    }

    /** The record frames it covers where a section shows it; null where its speed is another. */
    public FrameRange on(Section section) {
        if (!bends.isEmpty() || !section.isEven()) {
            return bentOn(section);
        }
        if (!speed.equals(section.speed()) || speed.isZero() && !from.equals(section.from())) {
            return null;
        }
        long in = section.record().in()
                + (speed.isZero() ? 0 : from.minus(section.from()).dividedBy(speed).round());
        return FrameRange.ofLength(in, frames);
    }

    /**
     * Which of its frames shows what a section shows at a record frame: the one at the same position of the shot. −1 where it
     * has none.
     */
    public long frameAt(Section section, long record) {
        FrameRange place = on(section);
        long frame;
        if (place != null) {
            frame = record - place.in();
        } else if (bends.isEmpty() && !speed.isZero()) {
            frame = section.at(record).minus(from).dividedBy(speed).floor();
        } else {
            frame = bends.isEmpty() && section.at(record).floor() == from.floor() ? 0 : -1;
        }
        return frame >= 0 && frame < frames ? frame : -1;
    }

    /** A changing speed lies where its keys lie: all by the same number of frames beside those of the section. */
    private FrameRange bentOn(Section section) {
        if (bends.isEmpty() || bends.size() != section.bends().size()) {
            return null;
        }
        Rational by = section.bends().get(0).at().minus(bends.get(0).at());
        for (int i = 0; i < bends.size(); i++) {
            Bend ours = bends.get(i);
            Bend theirs = section.bends().get(i);
            if (!theirs.at().minus(ours.at()).equals(by) || !theirs.position().equals(ours.position())
                    || theirs.pace() != ours.pace()) {
                return null;
            }
        }
        return FrameRange.ofLength(section.record().in() + by.round(), frames);
    }

    /** How many frames of a range a render that lies at {@code place} does not have. */
    public static long missing(FrameRange place, FrameRange wanted) {
        long have = Math.min(place.out(), wanted.out()) - Math.max(place.in(), wanted.in());
        return wanted.length() - Math.max(0, have);
    }
}
