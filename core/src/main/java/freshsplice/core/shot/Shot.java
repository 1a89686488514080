package freshsplice.core.shot;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;

/**
 * A shot. Its frame numbers stay attached to the action for life: a longer head runs to lower numbers, nothing is
 * renumbered.
 *
 * @param id           its id in the project
 * @param code         sh0010
 * @param cutRange     frames that the master shows of it
 * @param handles      frames of camera work beyond the cut range, at either end
 * @param actionOffset action frame = shot frame + this
 * @param anchor       what of the edit it was made from
 */
public record Shot(long id, String code, FrameRange cutRange, int handles, long actionOffset, Anchor anchor) {
    /**
     * The lasting relation of shot frames to the edit's source.
     *
     * @param key       the source's identity
     * @param name      the source's name, for people
     * @param shotFrame a shot frame
     * @param source    the source position seen at it
     * @param slope     source frames per shot frame
     * @param still     the source is a still picture
     * @param course    shot frame to source position where the edit's speed changes; {@code slope} is its mean then. Null where
     *                  it is even
     */
    public record Anchor(String key, String name, long shotFrame, Rational source, Rational slope, boolean still, TimeMap course) {
        /** Of a source that runs evenly. */
        public Anchor(String key, String name, long shotFrame, Rational source, Rational slope, boolean still) {
            this(key, name, shotFrame, source, slope, still, null);
        }

        /** Source position at an exact shot frame. */
        public Rational sourceAt(Rational frame) {
            return course != null ? course.at(frame) : source.plus(slope.times(frame.minus(Rational.of(shotFrame))));
        }

        /** Whether every source position belongs to one shot frame, that {@link #frameAt} can tell. */
        public boolean tellsFrames() {
            return !still && (course != null ? course.isOneWay() : !slope.isZero());
        }

        /** The exact shot frame at a source position; only where it {@link #tellsFrames}. */
        public Rational frameAt(Rational position) {
            return course != null ? course.recordAt(position) : position.minus(source).dividedBy(slope).plus(shotFrame);
        }
    }

    public Shot {
        if (cutRange.isEmpty() || handles < 0) {
            throw new Refusal("A shot has at least one frame and no negative handles: " + code);
        }
    }

    /** All frames it has: the cut range and its handles. */
    public FrameRange frames() {
        return FrameRange.of(cutRange.in() - handles, cutRange.out() + handles);
    }

    public Moment momentAt(Rational shotFrame) {
        return new Moment(shotFrame, actionAt(shotFrame));
    }

    /** The {@link #actionOffset} with which its cut range would begin at another frame of the action. */
    public long offsetForFirst(long actionFrame) {
        return actionFrame - cutRange.in();
    }

    public Rational actionAt(Rational shotFrame) {
        return shotFrame.plus(actionOffset);
    }
}
