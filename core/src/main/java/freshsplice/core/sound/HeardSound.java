package freshsplice.core.sound;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A sound as far as it is heard in a movie, told so that what sounds the same is the same: clips that were only split are one, and
 * a fade that lies outside is none.
 *
 * @param source  the file, and which of its channels
 * @param from    seconds into the file at its first frame
 * @param at      first frame, counted from the movie's
 * @param frames  how many
 * @param gain    1 as it was recorded
 * @param gone    frames of a fade in that lie before it
 * @param fadeIn  frames of that fade, 0 where none of it is heard
 * @param left    frames of a fade out that lie after it
 * @param fadeOut frames of that fade, 0 where none of it is heard
 */
public record HeardSound(String source, Rational from, long at, long frames, double gain, long gone, long fadeIn, long left, long fadeOut) {
    public HeardSound {
        if (gone >= fadeIn) {
            gone = 0;
            fadeIn = 0;
        }
        if (left >= fadeOut) {
            left = 0;
            fadeOut = 0;
        }
    }

    /** What sounds the same is the same list. @param frame seconds of one frame */
    public static List<HeardSound> joined(List<HeardSound> heard, Rational frame) {
        List<HeardSound> inOrder = new ArrayList<>(heard);
        inOrder.sort(Comparator.comparing(HeardSound::source).thenComparingDouble(HeardSound::gain).thenComparing(HeardSound::at).thenComparing(HeardSound::from));
        List<HeardSound> joined = new ArrayList<>();
        for (HeardSound one : inOrder) {
            HeardSound last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            if (last != null && last.goesOnIn(one, frame)) {
                joined.set(joined.size() - 1, new HeardSound(last.source, last.from, last.at, last.frames + one.frames, last.gain, last.gone, last.fadeIn,
                        one.left, one.fadeOut));
            } else {
                joined.add(one);
            }
        }
        return joined;
    }

    private boolean goesOnIn(HeardSound next, Rational frame) {
        return source.equals(next.source) && gain == next.gain && at + frames == next.at && from.plus(frame.times(frames)).equals(next.from)
                && fadeOut == 0 && next.fadeIn == 0;
    }
}
