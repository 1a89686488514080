package freshsplice.core.render;

import freshsplice.core.delivery.Cover;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Clip;
import freshsplice.core.master.SeenClip;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * What of a shot is asked for.
 *
 * @param extent  which of its frames
 * @param handles frames to spare at both ends of each range, drawn because the camera has them
 * @param every   1 for every frame, n for every nth
 */
public record RenderAsk(Extent extent, int handles, int every) {
    /** More to spare than any edit room trims is a slip of the hand. */
    public static final int MOST_HANDLES = 1000;
    public static final int MOST_EVERY = 1000;
    /** Clips of a shot that are as near as this are drawn in one render: frames of about a second. */
    public static final int NEAR = 24;

    /** Which frames of a shot. */
    public sealed interface Extent {
        /** All that its clips show: one range over those that are near, else one each. */
        record Clips() implements Extent {
        }

        /** What its clips show and no finished render has. */
        record Missing() implements Extent {
        }

        /** @param frames shot frames, at the shot's own speed */
        record Range(FrameRange frames) implements Extent {
        }

        /** The whole action of its scene, as its camera sees it. */
        record Action() implements Extent {
        }

        /** One picture of it. */
        record Still(When when) implements Extent {
        }

        /** One picture of it, at a moment of the action that is one for all shots of a scene. */
        record Moment(long actionFrame) implements Extent {
        }
    }

    /** Which frame of a shot's cut range a picture is of. */
    public enum When { FIRST, MIDDLE, LAST }

    /** All that the clips of a shot show. */
    public static final RenderAsk CLIPS = new RenderAsk(new Extent.Clips(), 0, 1);

    public RenderAsk {
        if (handles < 0 || handles > MOST_HANDLES) {
            throw new Refusal("Frames to spare are 0 to " + MOST_HANDLES + ", not " + handles);
        }
        if (every < 1 || every > MOST_EVERY) {
            throw new Refusal("Every frame, or every 2nd to " + MOST_EVERY + "th is drawn, not every " + every + "th");
        }
        if (extent instanceof Extent.Range range && range.frames().isEmpty()) {
            throw new Refusal("A range has at least one frame: set its out behind its in");
        }
    }

    /**
     * The ranges of a shot, a render each; which of their frames are drawn says {@link #drawn}.
     *
     * @param renders the finished ones
     * @return empty where nothing is missing
     */
    public List<RenderRange> ranges(ShotFrames of, ShotRenders renders) {
        List<RenderRange> wanted = wanted(of, renders);
        return isStill() ? wanted : wanted.stream().map(r -> r.withHandles(handles)).toList();
    }

    /** Those of a range's frames that are drawn. */
    public RenderRange drawn(RenderRange range) {
        return isStill() ? range : range.every(every);
    }

    /** For how many frames of its movie a drawn frame is held: what is drawn in part plays as long as the whole. */
    public int held() {
        return isStill() ? 1 : every;
    }

    /** Whether it is one picture of each shot, which has nothing to spare and no nth. */
    public boolean isStill() {
        return extent instanceof Extent.Still || extent instanceof Extent.Moment;
    }

    private List<RenderRange> wanted(ShotFrames of, ShotRenders renders) {
        if (extent instanceof Extent.Missing) {
            return together(of.clips().stream().flatMap(p -> missing(p, renders).stream()).toList(), 0);
        }
        if (extent instanceof Extent.Clips && !of.clips().isEmpty()) {
            return together(of.clips().stream().map(p -> RenderRange.of(p.clip(), p.seen())).toList(), NEAR);
        }
        return List.of(even(frames(of)));
    }

    private FrameRange frames(ShotFrames of) {
        if (extent instanceof Extent.Range range) {
            return range.frames();
        }
        if (extent instanceof Extent.Still still) {
            return FrameRange.ofLength(frame(of.cut(), still.when()), 1);
        }
        if (extent instanceof Extent.Moment moment) {
            return FrameRange.ofLength(of.frameAt(moment.actionFrame()), 1);
        }
        return extent instanceof Extent.Action ? of.wholeAction() : of.cut();
    }

    private static long frame(FrameRange cut, When when) {
        return switch (when) {
            case FIRST -> cut.in();
            case MIDDLE -> cut.in() + cut.length() / 2;
            case LAST -> cut.out() - 1;
        };
    }

    private static RenderRange even(FrameRange frames) {
        return new RenderRange(Rational.of(frames.in()), Rational.ONE, frames.length());
    }

    private static List<RenderRange> missing(SeenClip seen, ShotRenders renders) {
        Cover cover = renders.cover(seen);
        Clip clip = seen.clip();
        return cover.missing().stream().map(gap -> RenderRange.of(clip, gap)).toList();
    }

    /**
     * As few ranges as show all of some: those on one course are one where they overlap or are near.
     *
     * @param near frames that may lie between
     */
    static List<RenderRange> together(List<RenderRange> ranges, long near) {
        List<RenderRange> joined = new ArrayList<>();
        for (RenderRange range : ranges) {
            RenderRange grown = range;
            for (boolean grew = true; grew;) {
                grew = false;
                for (RenderRange other : List.copyOf(joined)) {
                    RenderRange both = other.with(grown, near);
                    if (both != null) {
                        joined.remove(other);
                        grown = both;
                        grew = true;
                    }
                }
            }
            joined.add(grown);
        }
        return joined;
    }
}
