package freshsplice.render;

import freshsplice.core.delivery.PictureSize;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.render.FrameLook;

/**
 * What kind of pictures are drawn.
 *
 * @param width       of the finished picture, pixels
 * @param drawnWidth  of what is drawn, before it is brought to size
 * @param edges       how they are smoothed
 * @param alpha       whether the sky is left out
 * @param deep        16 bits of each colour, else 8
 */
public record PictureForm(int width, int height, int drawnWidth, int drawnHeight, FrameLook.Edges edges, boolean alpha, boolean deep) {
    /** @throws Refusal if a side is under 16 or over {@link PictureSize#LARGEST} */
    public PictureForm {
        check(width, height);
        check(drawnWidth, drawnHeight);
    }

    private static void check(int width, int height) {
        if (width < 16 || height < 16 || width > PictureSize.LARGEST || height > PictureSize.LARGEST) {
            throw new Refusal("A picture has 16 to " + PictureSize.LARGEST + " pixels a side: " + width + " x " + height);
        }
    }

    public static PictureForm of(FrameLook look, boolean alpha, boolean deep) {
        return new PictureForm(look.width(), look.height(), look.drawnWidth(), look.drawnHeight(), look.edges(), alpha, deep);
    }

    /** Eight bits, with four samples a pixel, at its own size. */
    public static PictureForm plain(int width, int height) {
        return new PictureForm(width, height, width, height, FrameLook.Edges.FINE, false, false);
    }

    boolean isAtSize() {
        return width == drawnWidth && height == drawnHeight;
    }
}
