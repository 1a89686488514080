package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

import freshsplice.core.camera.CameraPose;
import freshsplice.core.delivery.Bake;

/** Blurs what is out of focus in a drawn picture. Keeps what it works with for one size of picture. */
final class BlurPass {
    /** So many tiles lie side by side: circles are never wider than {@link #MOST} of the picture, six of them. */
    private static final int TILES = 80;
    /** Radii end at this share of the picture's width. */
    private static final float MOST = 6f / TILES;

    private final GlProgram circles = new GlProgram("circles");
    private final GlProgram spread = new GlProgram("spread");
    private final GlProgram blur = new GlProgram("blur");
    private GlProgram cover;
    private GlProgram covered;
    private DrawTarget.Kind kind;
    private int width;
    private int height;
    private int tile;
    private DrawTarget sharp;
    private DrawTarget largest;
    private DrawTarget reach;
    /** What covers the sky, sharp and blurred; only where it is asked for. */
    private DrawTarget sharpCover;
    private DrawTarget blurredCover;
    private DrawTarget blurred;

    /**
     * Blurs a picture.
     *
     * @param drawn    buffer that the set was drawn into, with samples
     * @param into     what comes of it
     * @param kind     how finely both keep colours
     * @param alpha    whether the sky is left out, so that how much of each point is covered is blurred too
     * @param triangle draws one over the whole picture
     */
    void draw(int drawn, DrawTarget into, DrawTarget.Kind kind, Bake.Blur how, boolean alpha, Runnable triangle) {
        size(into.width(), into.height(), kind);
        glBindFramebuffer(GL_READ_FRAMEBUFFER, drawn);
        glBindFramebuffer(GL_DRAW_FRAMEBUFFER, sharp.buffer());
        glBlitFramebuffer(0, 0, width, height, 0, 0, width, height, GL_COLOR_BUFFER_BIT | GL_DEPTH_BUFFER_BIT, GL_NEAREST);
        glDisable(GL_DEPTH_TEST);
        glFrontFace(GL_CCW);
        glActiveTexture(GL_TEXTURE0);
        glBindTexture(GL_TEXTURE_2D, sharp.depth());
        largest.drawInto();
        ready(circles, how);
        triangle.run();
        reach.drawInto();
        ready(spread, how);
        tiles(spread, largest);
        triangle.run();
        if (alpha) {
            blurCovered(into, how, triangle);
        } else {
            blur(sharp, into, how, triangle);
        }
        glActiveTexture(GL_TEXTURE0);
        glEnable(GL_DEPTH_TEST);
    }

    private void blur(DrawTarget colours, DrawTarget into, Bake.Blur how, Runnable triangle) {
        into.drawInto();
        ready(blur, how);
        tiles(blur, reach);
        glActiveTexture(GL_TEXTURE2);
        glBindTexture(GL_TEXTURE_2D, colours.colour());
        blur.setWhole("colours", 2);
        triangle.run();
    }

    private void blurCovered(DrawTarget into, Bake.Blur how, Runnable triangle) {
        if (cover == null) {
            cover = new GlProgram(Shading.COVER);
            covered = new GlProgram(Shading.COVERED);
        }
        if (sharpCover == null) {
            sharpCover = DrawTarget.of(kind, width, height, false);
            blurredCover = DrawTarget.of(kind, width, height, false);
            blurred = DrawTarget.of(kind, width, height, false);
        }
        blur(sharp, blurred, how, triangle);
        one(cover, sharp, sharpCover, triangle);
        glActiveTexture(GL_TEXTURE0);
        glBindTexture(GL_TEXTURE_2D, sharp.depth());
        blur(sharpCover, blurredCover, how, triangle);
        covered.use();
        covered.setWhole("colours", 1);
        glActiveTexture(GL_TEXTURE1);
        glBindTexture(GL_TEXTURE_2D, blurred.colour());
        one(covered, blurredCover, into, triangle);
    }

    /** Works a picture out point by point from another. */
    private static void one(GlProgram program, DrawTarget from, DrawTarget into, Runnable triangle) {
        into.drawInto();
        program.use();
        glActiveTexture(GL_TEXTURE0);
        glBindTexture(GL_TEXTURE_2D, from.colour());
        program.setWhole("drawn", 0);
        triangle.run();
    }

    private void ready(GlProgram program, Bake.Blur how) {
        program.use();
        program.setWhole("depths", 0);
        program.setWhole("tile", tile);
        program.set("range", (float) CameraPose.NEAR, (float) CameraPose.FAR);
        program.set("focus", how.focus());
        program.set("farCircle", how.farCircle() * width);
        program.set("most", MOST * width);
    }

    private static void tiles(GlProgram program, DrawTarget of) {
        glActiveTexture(GL_TEXTURE1);
        glBindTexture(GL_TEXTURE_2D, of.colour());
        program.setWhole("tiles", 1);
    }

    private void size(int newWidth, int newHeight, DrawTarget.Kind newKind) {
        if (newWidth == width && newHeight == height && newKind == kind) {
            return;
        }
        if (sharp != null) {
            sharp.delete();
            largest.delete();
            reach.delete();
        }
        if (sharpCover != null) {
            sharpCover.delete();
            blurredCover.delete();
            blurred.delete();
            sharpCover = null;
        }
        kind = newKind;
        width = newWidth;
        height = newHeight;
        tile = Math.max(4, (width + TILES - 1) / TILES);
        sharp = DrawTarget.of(kind, width, height, true);
        int across = (width + tile - 1) / tile;
        int down = (height + tile - 1) / tile;
        largest = DrawTarget.of(DrawTarget.Kind.BITS_8, across, down, false);
        reach = DrawTarget.of(DrawTarget.Kind.BITS_8, across, down, false);
    }
}
