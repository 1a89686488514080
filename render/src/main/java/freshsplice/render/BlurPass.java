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
    private int width;
    private int height;
    private int tile;
    private Target sharp;
    private Target largest;
    private Target reach;

    /** A frame buffer whose colour, and depth where it has one, can be read. */
    private record Target(int buffer, int colour, int depth, int width, int height) {
        static Target of(int width, int height, boolean deep) {
            int buffer = glGenFramebuffers();
            glBindFramebuffer(GL_FRAMEBUFFER, buffer);
            int colour = texture(GL_RGBA8, GL_RGBA, GL_UNSIGNED_BYTE, width, height);
            glFramebufferTexture2D(GL_FRAMEBUFFER, GL_COLOR_ATTACHMENT0, GL_TEXTURE_2D, colour, 0);
            int depth = 0;
            if (deep) {
                depth = texture(GL_DEPTH_COMPONENT24, GL_DEPTH_COMPONENT, GL_UNSIGNED_INT, width, height);
                glFramebufferTexture2D(GL_FRAMEBUFFER, GL_DEPTH_ATTACHMENT, GL_TEXTURE_2D, depth, 0);
            }
            if (glCheckFramebufferStatus(GL_FRAMEBUFFER) != GL_FRAMEBUFFER_COMPLETE) {
                throw new CannotDraw("There is not enough memory to blur pictures of " + width + " x " + height + " pixels");
            }
            return new Target(buffer, colour, depth, width, height);
        }

        private static int texture(int format, int layout, int type, int width, int height) {
            int texture = glGenTextures();
            glBindTexture(GL_TEXTURE_2D, texture);
            glTexImage2D(GL_TEXTURE_2D, 0, format, width, height, 0, layout, type, 0L);
            glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_MIN_FILTER, GL_NEAREST);
            glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_MAG_FILTER, GL_NEAREST);
            return texture;
        }

        void drawInto() {
            glBindFramebuffer(GL_FRAMEBUFFER, buffer);
            glViewport(0, 0, width, height);
        }

        void delete() {
            glDeleteFramebuffers(buffer);
            glDeleteTextures(colour);
            if (depth != 0) {
                glDeleteTextures(depth);
            }
        }
    }

    /**
     * Blurs a picture.
     *
     * @param drawn    buffer that the set was drawn into, with samples
     * @param into     buffer for what comes of it, without
     * @param triangle draws one over the whole picture
     */
    void draw(int drawn, int into, int pictureWidth, int pictureHeight, Bake.Blur how, Runnable triangle) {
        size(pictureWidth, pictureHeight);
        glBindFramebuffer(GL_READ_FRAMEBUFFER, drawn);
        glBindFramebuffer(GL_DRAW_FRAMEBUFFER, sharp.buffer);
        glBlitFramebuffer(0, 0, width, height, 0, 0, width, height, GL_COLOR_BUFFER_BIT | GL_DEPTH_BUFFER_BIT, GL_NEAREST);
        glDisable(GL_DEPTH_TEST);
        glFrontFace(GL_CCW);
        glActiveTexture(GL_TEXTURE0);
        glBindTexture(GL_TEXTURE_2D, sharp.depth);
        largest.drawInto();
        ready(circles, how);
        triangle.run();
        reach.drawInto();
        ready(spread, how);
        tiles(spread, largest);
        triangle.run();
        glBindFramebuffer(GL_FRAMEBUFFER, into);
        glViewport(0, 0, width, height);
        ready(blur, how);
        tiles(blur, reach);
        glActiveTexture(GL_TEXTURE2);
        glBindTexture(GL_TEXTURE_2D, sharp.colour);
        blur.setWhole("colours", 2);
        triangle.run();
        glActiveTexture(GL_TEXTURE0);
        glEnable(GL_DEPTH_TEST);
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

    private static void tiles(GlProgram program, Target of) {
        glActiveTexture(GL_TEXTURE1);
        glBindTexture(GL_TEXTURE_2D, of.colour);
        program.setWhole("tiles", 1);
    }

    private void size(int newWidth, int newHeight) {
        if (newWidth == width && newHeight == height) {
            return;
        }
        if (sharp != null) {
            sharp.delete();
            largest.delete();
            reach.delete();
        }
        width = newWidth;
        height = newHeight;
        tile = Math.max(4, (width + TILES - 1) / TILES);
        sharp = Target.of(width, height, true);
        int across = (width + tile - 1) / tile;
        int down = (height + tile - 1) / tile;
        largest = Target.of(across, down, false);
        reach = Target.of(across, down, false);
    }
}
