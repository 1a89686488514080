package freshsplice.core.conform;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.LivePiece;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;

/**
 * A stretch of a cut that is one shot: one live piece, or several that were joined.
 *
 * @param record   every record frame on which any of it is seen
 * @param edge     from the cut into it to the cut out of it; lies inside {@code record} at a transition
 * @param source   what it shows
 * @param time     record frame to source position
 * @param still    nothing in it moves
 * @param paths    lane and event index of each part, in order
 * @param seams    record frames at which parts were joined
 * @param joined   why parts were joined; null where it has one part
 * @param head     transition into it, null for a plain cut
 * @param tail     transition out of it, null for a plain cut
 */
public record CutPiece(FrameRange record, FrameRange edge, Source source, TimeMap time, boolean still,
                       List<List<Integer>> paths, List<Long> seams, Join joined, Transition head, Transition tail) {
    /** Why neighbouring pieces are offered as one shot. */
    public enum Join {
        ONE_STILL("pieces of one still"),
        RUNS_ON("pieces that run on in one source");

        private final String words;

        Join(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    static CutPiece of(LivePiece piece, FrameRange edge, Transition head, Transition tail) {
        return new CutPiece(piece.record(), edge, sourceOf(piece.event()), piece.time(), piece.event().isStill(),
                List.of(piece.path()), List.of(), null, head, tail);
    }

    /** A generator has no source; its name stands for one, so that it keeps its name and is told apart. */
    private static Source sourceOf(Event event) {
        return event.source() != null || event.name().isBlank() ? event.source()
                : Source.named(event.name(), null, null);
    }

    /** The name to show for what is seen. */
    public String name() {
        return source == null ? "" : source.label();
    }

    /** Exact source position at the cut into it. */
    public Rational from() {
        return time.at(edge.in());
    }

    /** Source frames per record frame from cut to cut; the mean where its speed changes. */
    public Rational slope() {
        return time.at(edge.out()).minus(from()).dividedBy(Rational.of(edge.length()));
    }

    /** Speed against real time from cut to cut, 1 being normal; the mean where it changes. */
    public Rational speed(FrameRate cutRate) {
        return slope().dividedBy(Event.normalSlope(source, cutRate));
    }

    /** What two pieces must share to show the same source. */
    public String identity() {
        return source == null ? "" : source.identity();
    }
}
