package freshsplice.render;

import java.util.stream.IntStream;

/**
 * A picture as it came from the graphics card: four values of each point, its edges not smoothed yet. What makes it a finished picture
 * needs no graphics card, so that another thread can do it while the next is drawn.
 */
final class RawPicture {
    private PictureForm form;
    private byte[] points = new byte[0];

    /** Room for a picture of a kind; what was in it is let go. */
    byte[] room(PictureForm drawn) {
        if (!drawn.equals(form)) {
            form = drawn;
            points = new byte[drawn.width() * drawn.height() * 4 * size()];
        }
        return points;
    }

    private int size() {
        return form.deep() ? 2 : 1;
    }

    /** Smooths its edges. @param into of the size and kind that it was drawn for, as {@code edges} are */
    void smooth(SmoothEdges edges, Pixels into) {
        edges.smooth(points, into);
    }

    /** As it is. @param picture receives red, green and blue, and what covers where the sky is left out */
    void take(byte[] picture) {
        if (form.alpha()) {
            System.arraycopy(points, 0, picture, 0, points.length);
        } else {
            int width = form.width();
            IntStream.range(0, form.height()).parallel().forEach(y -> withoutFourth(picture, y * width, (y + 1) * width));
        }
    }

    private void withoutFourth(byte[] picture, int from, int to) {
        if (!form.deep()) {
            FourBytes.threeOfEach(points, picture, from, to);
            return;
        }
        for (int i = from; i < to; i++) {
            System.arraycopy(points, i * 8, picture, i * 6, 6);
        }
    }
}
