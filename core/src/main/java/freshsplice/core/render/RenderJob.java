package freshsplice.core.render;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;

/**
 * A render as it was asked for, with nothing left to look up: which frames, how, into which files under which names.
 *
 * @param names    of its files
 * @param recipe   how it is made
 * @param range    what of the shot it shows, frame by frame at the movie's rate; of a whole master its record frames
 * @param rate     frames/s of its movies
 * @param timecode label of its first frame
 * @param held     for how many frames of a movie each drawn frame is held, from 1; null in what was kept before there was that
 * @param played   frames of a movie; null likewise
 */
public record RenderJob(FileNames names, Recipe recipe, RenderRange range, FrameRate rate, String timecode, Integer held, Long played) {
    /** A movie of more frames than a day at 100 frames/s was not meant. */
    public static final long MOST_FRAMES = 8_640_000;

    /** One whose movies play each frame once. */
    public RenderJob(FileNames names, Recipe recipe, RenderRange range, FrameRate rate, String timecode) {
        this(names, recipe, range, rate, timecode, 1, range.frames());
    }

    public RenderJob {
        held = held == null ? 1 : held;
        played = played == null ? (Long) range.frames() : played;
        if (range.frames() > MOST_FRAMES) {
            throw new Refusal("A render has at most " + MOST_FRAMES + " frames, not " + range.frames());
        }
        recipe.written().stream().filter(o -> !o.kind().isMovie()).forEach(o -> o.numbering().of(range));
    }

    public long frames() {
        return range.frames();
    }

    /** How long its movies are. */
    public Rational seconds() {
        return rate.seconds(played);
    }

    /** Drawn frames/s of its movies. */
    public Rational drawnRate() {
        return rate.fps().dividedBy(Rational.of(held));
    }

    /** The stretches that it is drawn in, frames counted from 0. */
    public List<FrameRange> chunks() {
        return Chunks.of(frames(), recipe.look());
    }

    /** Whether it is encoded to be there soon rather than to be small. */
    public boolean quick() {
        return names.grade() != Grade.FINAL;
    }

    public FrameNumbers.Run numbers(Output output) {
        return output.numbering().of(range);
    }
}
