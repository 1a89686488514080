package freshsplice.core.delivery;

import freshsplice.core.master.Clip;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;

/**
 * Which shot positions the frames of a render show: frame k shows {@code from + k·speed}, or what its retimeKeys say.
 *
 * @param from   exact shot frame of its first frame
 * @param speed  shot frames per frame; the mean where it changes
 * @param frames how many frames it has
 * @param retimeKeys  where its speed changes, counted from its first frame; empty for a constant one
 */
public record RenderRange(Rational from, Rational speed, long frames, List<RetimeKey> retimeKeys) {
    public RenderRange {
        if (frames < 1) {
            throw new Refusal("A render has at least one frame");
        }
        retimeKeys = List.copyOf(retimeKeys);
    }

    /** One of a constant speed. */
    public RenderRange(Rational from, Rational speed, long frames) {
        this(from, speed, frames, List.of());
    }

    /** All that a clip shows of its shot, the frames under its transitions included. */
    public static RenderRange of(Clip clip, FrameRange seen) {
        Clip whole = clip.over(seen);
        return new RenderRange(whole.from(), clip.speed(), seen.length(), whole.retimeKeys());
    }

    public Rational positionOf(long frame) {
        return retimeKeys.isEmpty() ? from.plus(speed.times(frame)) : RetimeKey.at(retimeKeys, Rational.of(frame));
    }

    /** The timecode frame of its first frame: the shot's own number, so that a cut that names it names our frames. */
    public long startTimecode() {
        return Math.max(0, from.floor());
    }

    /** The record frames it covers where a clip shows it; null where its speed is another, or its frames lie between the clip's. */
    public FrameRange on(Clip clip) {
        if (!retimeKeys.isEmpty() || !clip.isEven()) {
            return retimedOn(clip);
        }
        if (!speed.equals(clip.speed()) || speed.isZero() && !from.equals(clip.from())) {
            return null;
        }
        Rational later = speed.isZero() ? Rational.ZERO : from.minus(clip.from()).dividedBy(speed);
        return later.isWhole() ? FrameRange.ofLength(clip.record().in() + later.floor(), frames) : null;
    }

    /**
     * Which of its frames shows what a clip shows at a record frame: the one at the same position of the shot. −1 where it
     * has none.
     */
    public long frameAt(Clip clip, long record) {
        FrameRange place = on(clip);
        long frame;
        if (place != null) {
            frame = record - place.in();
        } else if (retimeKeys.isEmpty() && !speed.isZero()) {
            frame = clip.at(record).minus(from).dividedBy(speed).floor();
        } else {
            frame = retimeKeys.isEmpty() && clip.at(record).floor() == from.floor() ? 0 : -1;
        }
        return frame >= 0 && frame < frames ? frame : -1;
    }

    /** A changing speed lies where its keys lie: all by the same number of frames beside those of the clip. */
    private FrameRange retimedOn(Clip clip) {
        if (retimeKeys.isEmpty() || retimeKeys.size() != clip.retimeKeys().size()) {
            return null;
        }
        Rational by = clip.retimeKeys().get(0).at().minus(retimeKeys.get(0).at());
        for (int i = 0; i < retimeKeys.size(); i++) {
            RetimeKey ours = retimeKeys.get(i);
            RetimeKey theirs = clip.retimeKeys().get(i);
            if (!theirs.at().minus(ours.at()).equals(by) || !theirs.position().equals(ours.position())
                    || theirs.interpolation() != ours.interpolation()) {
                return null;
            }
        }
        return by.isWhole() ? FrameRange.ofLength(clip.record().in() + by.floor(), frames) : null;
    }

    /** The same course with more frames before and after. @param frames how many at either end, drawn because the camera has them */
    public RenderRange withHandles(int frames) {
        return part(-frames, this.frames + 2L * frames);
    }

    /** Some of its frames, or some beyond its ends. @param first counted from its own first */
    public RenderRange part(long first, long count) {
        return new RenderRange(positionOf(first), speed, count, RetimeKey.shifted(retimeKeys, -first));
    }

    /** Its first frame and every nth after it. @param nth from 1 */
    public RenderRange every(int nth) {
        return thinned(Rational.of(nth));
    }

    /** What it shows seen at another rate: each frame at its exact moment, between two frames where it falls so. */
    public RenderRange at(FrameRate own, FrameRate wanted) {
        return own.equals(wanted) ? this : thinned(wanted.framesOf(own));
    }

    /**
     * The same course with all frames of the project's clock, of a range that shows every nth of them or was seen at another rate.
     *
     * @param step   the project's frames from one of this range to the next
     * @param frames how many there are then
     */
    public RenderRange filled(Rational step, long frames) {
        return new RenderRange(from, speed.dividedBy(step), frames, RetimeKey.stretched(retimeKeys, step));
    }

    /** @param step frames from one to the next */
    private RenderRange thinned(Rational step) {
        long count = Rational.of(frames).dividedBy(step).negate().floor() * -1;
        return new RenderRange(from, speed.times(step), count, RetimeKey.stretched(retimeKeys, Rational.ONE.dividedBy(step)));
    }

    /**
     * One range over this and another, where both lie on one course and no more than so many frames between them.
     *
     * @return null where they cannot be one
     */
    public RenderRange with(RenderRange other, long near) {
        Long offset = offsetOf(other);
        if (offset == null) {
            return null;
        }
        long first = Math.min(0, offset);
        boolean far = offset > frames + near || offset + other.frames + near < 0;
        return far ? null : part(first, Math.max(frames, offset + other.frames) - first);
    }

    /**
     * How far another range begins after this one where both lie on one course: in frames of this one, negative before it; null where
     * they show the shot at another speed or between each other's frames.
     */
    private Long offsetOf(RenderRange other) {
        if (retimeKeys.size() != other.retimeKeys.size()) {
            return null;
        }
        if (!retimeKeys.isEmpty()) {
            Rational by = retimeKeys.get(0).at().minus(other.retimeKeys.get(0).at());
            return by.isWhole() && RetimeKey.shifted(other.retimeKeys, by.floor()).equals(retimeKeys) ? (Long) by.floor() : null;
        }
        if (!speed.equals(other.speed) || speed.isZero()) {
            return speed.equals(other.speed) && from.equals(other.from) ? (Long) 0L : null;
        }
        Rational frames = other.from.minus(from).dividedBy(speed);
        return frames.isWhole() ? (Long) frames.floor() : null;
    }
}
