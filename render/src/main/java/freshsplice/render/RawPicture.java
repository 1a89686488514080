package freshsplice.render;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.stream.IntStream;

/**
 * A picture as it came from the graphics card: four values of each point, its edges not smoothed yet. What makes it a finished picture
 * needs no graphics card, so that another thread can do it while the next is drawn.
 */
final class RawPicture {
    /** Four bytes of an array as one number. */
    static final VarHandle FOUR = MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);

    private StagePainter.Way way;
    private byte[] points = new byte[0];

    /** Room for a picture of a kind; what was in it is let go. */
    byte[] room(StagePainter.Way drawn) {
        if (!drawn.equals(way)) {
            way = drawn;
            points = new byte[drawn.width() * drawn.height() * 4 * size()];
        }
        return points;
    }

    private int size() {
        return way.deep() ? 2 : 1;
    }

    /** Smooths its edges. @param into of the size and kind that it was drawn for, as {@code edges} are */
    void smooth(SmoothEdges edges, Pixels into) {
        edges.smooth(points, into);
    }

    /** As it is. @param picture receives red, green and blue, and what covers where the sky is left out */
    void take(byte[] picture) {
        if (way.alpha()) {
            System.arraycopy(points, 0, picture, 0, points.length);
        } else {
            int width = way.width();
            IntStream.range(0, way.height()).parallel().forEach(y -> withoutFourth(picture, y * width, (y + 1) * width));
        }
    }

    private void withoutFourth(byte[] picture, int from, int to) {
        if (!way.deep()) {
            threeOfFour(points, picture, from, to);
            return;
        }
        for (int i = from; i < to; i++) {
            System.arraycopy(points, i * 8, picture, i * 6, 6);
        }
    }

    /** Takes three of the four bytes of each pixel. @param from the first; @param to after the last */
    static void threeOfFour(byte[] points, byte[] picture, int from, int to) {
        // four are put down at once: the fourth is the next pixel's, and written over by it; the next of the last one is another's
        for (int i = from; i < to - 1; i++) {
            FOUR.set(picture, i * 3, (int) FOUR.get(points, i * 4));
        }
        System.arraycopy(points, to * 4 - 4, picture, to * 3 - 3, 3);
    }
}
