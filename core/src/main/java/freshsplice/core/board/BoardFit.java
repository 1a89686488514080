package freshsplice.core.board;

import freshsplice.core.refusal.Refusal;

/**
 * How a board lies over the delivery frame: what is left of it after cropping is fitted or filled, scaled about the middle, shifted.
 *
 * @param filled whether it covers all of the frame and what is too much is cut; otherwise all of it is seen (common practice)
 * @param scale  factor, 1 for as it was fitted
 * @param right  shift to the right, share of the frame's width
 * @param up     shift up, share of the frame's height
 * @param crop   what is left out at its edges
 */
public record BoardFit(boolean filled, double scale, double right, double up, Crop crop) {
    public static final BoardFit PLAIN = new BoardFit(false, 1, 0, 0, new Crop(0, 0, 0, 0));
    private static final double SMALLEST = 0.05;
    private static final double LARGEST = 20;
    private static final double FARTHEST = 2;
    /** So much of a board is left at least, as a share of a side. */
    private static final double LEAST = 0.05;

    /** Shares of the board's sides that are left out. */
    public record Crop(double left, double right, double top, double bottom) {
        /** @throws Refusal if a share is none, or nothing would be left */
        public Crop {
            check(left, right, "left and right");
            check(top, bottom, "top and bottom");
        }

        private static void check(double one, double other, String sides) {
            if (!(one >= 0 && other >= 0 && one + other <= 1 - LEAST)) {
                throw new Refusal("Cropped at " + sides + ", a board keeps " + Math.round(LEAST * 100) + " % of its side at least: "
                        + one * 100 + " % and " + other * 100 + " %");
            }
        }
    }

    /** Where the part of a board that is left lies, in shares of the frame's sides, from its top left. */
    public record Place(double left, double top, double width, double height) {
    }

    /** @throws Refusal if it would be too small or large to be seen, or shifted out of all reach */
    public BoardFit {
        if (!(scale >= SMALLEST && scale <= LARGEST)) {
            throw new Refusal("A board is scaled by " + SMALLEST + " to " + LARGEST + ", not " + scale);
        }
        if (!(Math.abs(right) <= FARTHEST && Math.abs(up) <= FARTHEST)) {
            throw new Refusal("A board is shifted by up to " + (int) FARTHEST + " frames, not " + right + " and " + up);
        }
    }

    /** @param board width over height of the whole board, in square pixels; @param frame of the delivery frame */
    public Place in(double board, double frame) {
        double own = board * (1 - crop.left - crop.right) / (1 - crop.top - crop.bottom);
        boolean byWidth = filled ? own < frame : own > frame;
        double width = scale * (byWidth ? 1 : own / frame);
        double height = scale * (byWidth ? frame / own : 1);
        return new Place((1 - width) / 2 + right, (1 - height) / 2 - up, width, height);
    }

    /** Whether two boards have one shape, to half a pixel: they take the same fit. */
    public static boolean sameShape(int width, int height, int otherWidth, int otherHeight) {
        return Math.abs((double) width * otherHeight / otherWidth - height) <= 0.5
                || Math.abs((double) otherWidth * height / width - otherHeight) <= 0.5;
    }
}
