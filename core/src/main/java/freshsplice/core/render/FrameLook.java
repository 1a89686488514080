package freshsplice.core.render;

import freshsplice.core.delivery.PictureSize;
import freshsplice.core.refusal.Refusal;
import java.util.List;

/**
 * How frames are drawn.
 *
 * @param width   of the finished picture, pixels
 * @param height  as the width
 * @param percent that they are drawn at and brought to size from: 150 draws 2.25 times the pixels; 50 draws a quarter
 * @param edges   how edges are smoothed
 * @param shutter degrees of a turn that it is open, 0 for no blur of movement, 360 for all the time from one frame to the next
 * @param samples pictures that make one frame where the shutter is open
 * @param blur    whether what is out of focus is blurred
 * @param board   percent of the board that is seen over the camera's picture, 0 for none
 * @param aids    that are drawn, each once; null for none
 */
public record FrameLook(int width, int height, int percent, Edges edges, int shutter, int samples, boolean blur, int board, List<Aid> aids) {
    public static final int FEWEST_SAMPLES = 2;
    public static final int MOST_SAMPLES = 64;
    private static final int SMALLEST = 16;

    /** How edges are smoothed. */
    public enum Edges {
        /** Not at all. */
        PLAIN,
        /** Worked out from the finished picture: quick. */
        QUICK,
        /** Four samples a pixel. */
        FINE
    }

    /** @throws Refusal naming what cannot be, and what can */
    public FrameLook {
        check("wide", width, percent);
        check("high", height, percent);
        within("Frames are drawn at", percent, 25, 400, "percent");
        within("A shutter is open", shutter, 0, 360, "degrees");
        within("Blur of movement takes", samples, FEWEST_SAMPLES, MOST_SAMPLES, "pictures a frame");
        within("A board is seen at", board, 0, 100, "percent");
        aids = aids == null ? List.of() : aids.stream().distinct().sorted().toList();
    }

    /** Without aids. */
    public FrameLook(int width, int height, int percent, Edges edges, int shutter, int samples, boolean blur, int board) {
        this(width, height, percent, edges, shutter, samples, blur, board, List.of());
    }

    private static void check(String word, int pixels, int percent) {
        if (pixels < SMALLEST || pixels > PictureSize.LARGEST) {
            throw new Refusal("A picture is " + SMALLEST + " to " + PictureSize.LARGEST + " pixels " + word + ", not " + pixels);
        }
        if (drawn(pixels, percent) > PictureSize.LARGEST) {
            throw new Refusal(percent + " % of " + pixels + " pixels is more than " + PictureSize.LARGEST + ", the most that can be drawn");
        }
    }

    private static void within(String what, int value, int least, int most, String unit) {
        if (value < least || value > most) {
            throw new Refusal(what + " " + least + " to " + most + " " + unit + ", not " + value);
        }
    }

    private static int drawn(int pixels, int percent) {
        return Math.max(SMALLEST, (int) Math.round(pixels * (double) percent / 100));
    }

    /** Pixels that are drawn, before they are brought to size. */
    public int drawnWidth() {
        return drawn(width, percent);
    }

    public int drawnHeight() {
        return drawn(height, percent);
    }

    public double aspect() {
        return width / (double) height;
    }
}
