package freshsplice.core.conform;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Transition;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Generator;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;

/**
 * A stretch of a cut that is one shot: one live clip, or several that were joined.
 *
 * @param record   every record frame on which any of it is seen
 * @param edge     from the cut into it to the cut out of it; lies inside {@code record} at a transition
 * @param source   what it shows; null where it shows no clip
 * @param slate    what the edit program draws by itself: a title, a colour, bars; null for a clip
 * @param time     record frame to source position
 * @param still    nothing in it moves
 * @param paths    track and event index of each part, in order
 * @param seams    record frames at which parts were joined
 * @param joined   why parts were joined; null where it has one part
 * @param head     transition into it, null for a plain cut
 * @param tail     transition out of it, null for a plain cut
 */
public record CutClip(FrameRange record, FrameRange edge, Source source, Clip.Content.Slate slate, TimeMap time, boolean still,
                       List<List<Integer>> paths, List<Long> seams, Join joined, Transition head, Transition tail) {
    /** Why neighbouring clips are offered as one shot. */
    public enum Join {
        ONE_STILL("clips of one still"),
        RUNS_ON("clips that run on in one source");

        private final String words;

        Join(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    static CutClip of(LiveEvent clip, FrameRange edge, Transition head, Transition tail) {
        return new CutClip(clip.record(), edge, clip.event().source(), slateOf(clip.event()), clip.time(), clip.event().isStill(),
                List.of(clip.path()), List.of(), null, head, tail);
    }

    private static Clip.Content.Slate slateOf(Event event) {
        return event.kind() != Event.Kind.GENERATOR ? null
                : new Clip.Content.Slate(event.wordsOrName(), new Generator(event.name(), event.kept()));
    }

    /** The same clip as a clip of that name: shots of titles were made once. */
    public CutClip asClip() {
        return new CutClip(record, edge, Source.named(slate.made().name(), null, null), null, time, still, paths, seams, joined, head, tail);
    }

    /** The same clip as a slate, which a list has as a clip that has no media. @param words on it */
    public CutClip asSlate(String words) {
        return new CutClip(record, edge, null, new Clip.Content.Slate(words), time, still, paths, seams, joined, head, tail);
    }

    /** Whether it is a title, a colour or bars: there is nothing to film. */
    public boolean isSlate() {
        return slate != null;
    }

    /** The name to show for what is seen. */
    public String name() {
        return slate != null ? slate.text() : source == null ? "" : source.label();
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

    /** What two clips must share to show the same source. */
    public String identity() {
        return slate != null ? slateKey(slate.text()) : source == null ? "" : source.identity();
    }

    /** What slates of the same words share. */
    public static String slateKey(String words) {
        return "slate:" + words;
    }
}
