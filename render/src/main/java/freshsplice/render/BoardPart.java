package freshsplice.render;

import java.io.IOException;
import java.nio.file.Path;

/**
 * What of a board is seen in a picture, where the whole of it at its size there would be many times the picture: a board that is
 * cropped to a tenth, or laid far larger than the picture. Only that part is read and scaled.
 *
 * @param left pixels of the board itself, from its left
 * @param top  from its top
 * @param wide how many, 1 at least
 * @param at   where they lie in the picture
 */
record BoardPart(int left, int top, int wide, int high, Pixels.Box at) {
    /** Up to so many times the picture a board is scaled as a whole. */
    private static final long LARGE = 4;

    /** Whether the whole is too large to be scaled. @param all where it lies, in pixels of the picture; @param pixels of the picture */
    static boolean isNeeded(Pixels.Box all, long pixels) {
        return (long) all.wide() * all.high() > LARGE * pixels;
    }

    /**
     * @param all  where the whole board lies, in pixels of the picture
     * @param seen what of that is seen
     * @throws IOException if the board cannot be looked at
     */
    static BoardPart of(Path board, Pixels.Box all, Pixels.Box seen) throws IOException {
        Probe probe = Probe.of(board);
        return of(probe.width(), probe.height(), all, seen);
    }

    /** @param width pixels of the board; @param height likewise */
    static BoardPart of(int width, int height, Pixels.Box all, Pixels.Box seen) {
        double across = all.wide() / (double) width;
        double down = all.high() / (double) height;
        int left = within((int) Math.floor((seen.left() - all.left()) / across) - 1, width - 1);
        int top = within((int) Math.floor((seen.top() - all.top()) / down) - 1, height - 1);
        int right = within((int) Math.ceil((seen.left() + seen.wide() - all.left()) / across) + 1, width);
        int bottom = within((int) Math.ceil((seen.top() + seen.high() - all.top()) / down) + 1, height);
        int wide = Math.max(1, right - left);
        int high = Math.max(1, bottom - top);
        int x = all.left() + (int) Math.round(left * across);
        int y = all.top() + (int) Math.round(top * down);
        return new BoardPart(left, top, wide, high, new Pixels.Box(x, y, Math.max(1, all.left() + (int) Math.round((left + wide) * across) - x),
                Math.max(1, all.top() + (int) Math.round((top + high) * down) - y)));
    }

    private static int within(int value, int most) {
        return Math.max(0, Math.min(most, value));
    }

    /** The filter by which ffmpeg takes it. */
    String filter() {
        return "crop=" + wide + ":" + high + ":" + left + ":" + top + ":exact=1";
    }
}
