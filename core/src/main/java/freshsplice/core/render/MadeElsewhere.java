package freshsplice.core.render;

import freshsplice.core.delivery.RenderRange;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * A movie or a run of pictures that another program made of a shot, held against the shot before it is taken in as a version of it.
 *
 * @param range what of the shot it shows; null where it cannot be taken in
 * @param wrong why it cannot; empty where it can
 * @param words what somebody should know before
 */
public record MadeElsewhere(RenderRange range, String wrong, List<String> words) {
    /**
     * What there is.
     *
     * @param run    whether it is numbered pictures, else a movie
     * @param frames how many
     * @param first  number of the first picture, or the first frame by the movie's timecode; 0 where it says none
     * @param rate   of a movie; of a run the project's
     * @param sizes  width and height of its pictures, each once
     * @param gaps   numbers that a run has not
     */
    public record Facts(boolean run, long frames, long first, FrameRate rate, List<Size> sizes, List<Long> gaps) {
    }

    /** In pixels. */
    public record Size(int width, int height) {
        @Override
        public String toString() {
            return width + " x " + height;
        }
    }

    private static final int NAMED_GAPS = 4;
    /** Shapes that differ by less are one. */
    private static final double SAME_SHAPE = 0.01;

    public MadeElsewhere {
        words = List.copyOf(words);
    }

    public boolean canBe() {
        return wrong.isEmpty();
    }

    /**
     * @param shot    what there is of it
     * @param project the project's rate, that shot frames are counted at
     * @param aspect  width over height of the project's pictures
     */
    public static MadeElsewhere of(Facts given, ShotFrames shot, FrameRate project, double aspect) {
        String wrong = wrong(given);
        if (!wrong.isEmpty()) {
            return new MadeElsewhere(null, wrong, List.of());
        }
        List<String> words = new ArrayList<>();
        Rational each = project.framesOf(given.rate());
        Rational speed = Rational.ONE.dividedBy(each);
        long length = -speed.times(given.frames()).negate().floor();
        long from = from(given, shot, length, words);
        if (!given.rate().equals(project)) {
            words.add("it has " + given.rate() + " frames a second, the project " + project + ": it stands for no clip frame by frame");
        }
        Size size = given.sizes().get(0);
        if (Math.abs(size.width() / (double) size.height() / aspect - 1) > SAME_SHAPE) {
            words.add(size + " is of another shape than the project's pictures");
        }
        FrameRange shown = FrameRange.ofLength(from, length);
        FrameRange needed = needed(shot);
        long missing = needed.length() - shown.sharedWith(needed).length();
        if (missing > 0) {
            words.add(missing + " of " + needed.length() + " frames that the master shows are not in it");
        }
        return new MadeElsewhere(new RenderRange(Rational.of(from), speed, given.frames()), "", words);
    }

    private static String wrong(Facts given) {
        if (given.frames() < 1) {
            return "there is no picture in it";
        }
        if (given.sizes().size() > 1) {
            return "its pictures are of several sizes: " + given.sizes().get(0) + " and " + given.sizes().get(1);
        }
        if (!given.gaps().isEmpty()) {
            List<String> named = given.gaps().stream().limit(NAMED_GAPS).map(String::valueOf).toList();
            return "it has gaps: " + String.join(", ", named) + (given.gaps().size() > NAMED_GAPS ? " and " + (given.gaps().size() - NAMED_GAPS) + " more" : "")
                    + (given.gaps().size() == 1 ? " is missing" : " are missing");
        }
        return "";
    }

    /** The first shot frame: as its number says, else as its length does. */
    private static long from(Facts given, ShotFrames shot, long length, List<String> words) {
        FrameRange needed = needed(shot);
        FrameRange numbered = FrameRange.ofLength(given.first(), length);
        if (given.first() > 1 && numbered.overlaps(needed)) {
            return given.first();
        }
        long from = length == shot.shot().frames().length() && length != needed.length() ? shot.shot().frames().in() : needed.in();
        words.add("its first number, " + given.first() + ", is none of the shot's: taken to begin at " + from);
        return from;
    }

    /** From the first frame that any clip shows to the last. */
    private static FrameRange needed(ShotFrames shot) {
        FrameRange all = null;
        for (var clip : shot.clips()) {
            RenderRange shown = RenderRange.of(clip.clip(), clip.seen());
            Rational first = shown.positionOf(0);
            Rational last = shown.positionOf(shown.frames() - 1);
            FrameRange one = FrameRange.of(Math.min(first.floor(), last.floor()), Math.max(first.floor(), last.floor()) + 1);
            all = all == null ? one : FrameRange.of(Math.min(all.in(), one.in()), Math.max(all.out(), one.out()));
        }
        return all == null ? shot.cut() : all;
    }
}
