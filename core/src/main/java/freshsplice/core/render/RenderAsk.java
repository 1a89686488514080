package freshsplice.core.render;

import freshsplice.core.delivery.Cover;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Section;
import freshsplice.core.master.SeenPiece;
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
    /** Pieces of a shot that are as near as this are drawn in one render: frames of about a second. */
    public static final int NEAR = 24;

    /** Which frames of a shot. */
    public sealed interface Extent {
        /** All that its pieces show: one range over those that are near, else one each. */
        record Pieces() implements Extent {
        }

        /** What its pieces show and no finished render has. */
        record Missing() implements Extent {
        }

        /** @param frames shot frames, at the shot's own speed */
        record Range(FrameRange frames) implements Extent {
        }
    }

    /** All that the pieces of a shot show. */
    public static final RenderAsk PIECES = new RenderAsk(new Extent.Pieces(), 0, 1);

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
     * The ranges to draw of a shot, a render each.
     *
     * @param cut     the shot's cut range, drawn where no piece shows it
     * @param pieces  all pieces that show it
     * @param renders the finished ones
     * @return empty where nothing is missing
     */
    public List<RenderRange> ranges(FrameRange cut, List<SeenPiece> pieces, ShotRenders renders) {
        return wanted(cut, pieces, renders).stream().map(r -> r.withHandles(handles).every(every)).toList();
    }

    private List<RenderRange> wanted(FrameRange cut, List<SeenPiece> pieces, ShotRenders renders) {
        if (extent instanceof Extent.Range range) {
            return List.of(even(range.frames()));
        }
        if (extent instanceof Extent.Missing) {
            return together(pieces.stream().flatMap(p -> missing(p, renders).stream()).toList(), 0);
        }
        return pieces.isEmpty() ? List.of(even(cut))
                : together(pieces.stream().map(p -> RenderRange.of(p.section(), p.seen())).toList(), NEAR);
    }

    private static RenderRange even(FrameRange frames) {
        return new RenderRange(Rational.of(frames.in()), Rational.ONE, frames.length());
    }

    private static List<RenderRange> missing(SeenPiece piece, ShotRenders renders) {
        Cover cover = renders.cover(piece);
        Section section = piece.section();
        return cover.missing().stream().map(gap -> RenderRange.of(section, gap)).toList();
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
