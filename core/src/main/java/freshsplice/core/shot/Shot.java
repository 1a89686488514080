package freshsplice.core.shot;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;

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
     */
    public record Anchor(String key, String name, long shotFrame, Rational source, Rational slope, boolean still) {
        /** Source position at an exact shot frame. */
        public Rational sourceAt(Rational frame) {
            return source.plus(slope.times(frame.minus(Rational.of(shotFrame))));
        }

        /** The exact shot frame at a source position; only where the slope is not zero. */
        public Rational frameAt(Rational position) {
            return position.minus(source).dividedBy(slope).plus(shotFrame);
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
