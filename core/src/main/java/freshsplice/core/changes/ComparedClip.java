package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Transition;
import freshsplice.core.identity.SameSources;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * One clip of either side, as far as comparing needs it.
 *
 * @param record every record frame on which it is seen
 * @param edge   from the cut into it to the cut out of it
 * @param key    what it shows: equal keys are the same source
 * @param from   source position at {@code edge.in}
 * @param slope  source frames per record frame; the mean where the speed is keyed
 * @param course where its speed changes, each frame; null where it goes evenly
 * @param still  positions in the source mean nothing: a still picture
 * @param name   for people
 * @param head   length and kind of the transition into it; empty text for a plain cut
 * @param tail   the same at its end
 */
public record ComparedClip(FrameRange record, FrameRange edge, String key, Rational from, Rational slope, Course course,
                    boolean still, String name, String head, String tail) {
    /** Lists write speeds with a decimal or two: by this much they may be off. */
    static final Rational ROUNDED_SPEED = Rational.of(3, 1000);
    private static final Rational QUARTER = Rational.of(1, 4);

    public static ComparedClip of(CutClip clip) {
        boolean still = clip.isSlate() || clip.source() != null && clip.source().isStill();
        return new ComparedClip(clip.record(), clip.edge(), clip.identity(), clip.from(), clip.slope(), courseOf(clip), still, clip.name(),
                describe(clip.head()), describe(clip.tail()));
    }

    /** Whether it is a title, a colour or bars. */
    boolean isSlate() {
        return key.startsWith(CutClip.slateKey(""));
    }

    private static Course courseOf(CutClip clip) {
        return clip.time().withoutStraightKeys().slope().isPresent() ? null : Course.of(clip.edge(), clip.time());
    }

    /** The same clip under another identity, its positions as that source counts. */
    ComparedClip as(String otherKey, SameSources.Link link, boolean isStill) {
        return link == null ? new ComparedClip(record, edge, otherKey, from, slope, course, isStill, name, head, tail)
                : new ComparedClip(record, edge, otherKey, link.position(from), slope.times(link.scale()),
                        course == null ? null : course.as(link::position), isStill, name, head,
                tail);
    }

    /**
     * Whether both run at one speed. Lists write speeds with a decimal or two: a difference that small, and that moves
     * nothing by a quarter of a frame, is no retime.
     */
    boolean runsAs(ComparedClip other) {
        if (isKeyed() || other.isKeyed()) {
            OptionalLong head = eachFrame().headOf(other.eachFrame());
            return head.isPresent() && eachFrame().goesOnIn(other.eachFrame(), head.getAsLong()) || eachFrame().slipTo(other.eachFrame()).isPresent();
        }
        Rational off = slope.minus(other.slope).abs();
        return off.isZero() || off.compareTo(ROUNDED_SPEED) < 0 && off.times(length()).compareTo(QUARTER) < 0;
    }

    /** Whether its speed changes on the way. */
    boolean isKeyed() {
        return course != null;
    }

    /** Where it is at each frame, whether its speed changes or not. */
    Course eachFrame() {
        return course != null ? course : new Course(edge, r -> from.plus(slope.times(r - edge.in())));
    }

    /** A transition as text that is equal when nothing about it changed. */
    public static String describe(Transition transition) {
        return transition == null ? "" : transition.kind().word() + " " + transition.record().length() + " at "
                + (transition.cut() - transition.record().in())
                + Optional.ofNullable(transition.wipe()).map(w -> " " + w).orElse("");
    }

    long length() {
        return edge.length();
    }

    Rational to() {
        return from.plus(slope.times(length()));
    }

    /** Lower end of what is seen of the source, in its order. */
    Rational low() {
        return isKeyed() ? course.low() : slope.signum() < 0 ? to() : from;
    }

    /** Upper end, at least one frame above the lower. */
    Rational high() {
        Rational high = isKeyed() ? course.high() : slope.signum() < 0 ? from : to();
        return Rational.max(high, low().plus(1));
    }

    /** Source frames that both show; the shorter length for stills of one key. */
    double overlapWith(ComparedClip other) {
        if (!key.equals(other.key)) {
            return 0;
        }
        if (still && other.still) {
            return Math.min(length(), other.length());
        }
        return Math.max(0, Rational.min(high(), other.high()).minus(Rational.max(low(), other.low())).toDouble());
    }

    double sourceLength() {
        return still ? length() : high().minus(low()).toDouble();
    }
}
