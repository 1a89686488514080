package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

/** Lays pictures together in linear light and brings them to size: several moments of one frame, or one that was drawn larger. */
final class SumPass {
    private final GlProgram gather = new GlProgram("gather");
    private final GlProgram finish = new GlProgram("finish");
    private final DrawTarget sum;

    /** @param width pixels of what comes of it */
    SumPass(int width, int height) {
        sum = DrawTarget.of(DrawTarget.Kind.FLOATS, width, height, false);
    }

    void clear() {
        sum.drawInto();
        glClearColor(0, 0, 0, 0);
        glClear(GL_COLOR_BUFFER_BIT);
    }

    /** Adds a picture of any size. @param share of the whole, 0 to 1 */
    void add(DrawTarget drawn, float share, Runnable triangle) {
        sum.drawInto();
        gather.use();
        glActiveTexture(GL_TEXTURE0);
        drawn.mixes(true);
        gather.setWhole("drawn", 0);
        gather.set("ratio", drawn.width() / (float) sum.width(), drawn.height() / (float) sum.height());
        gather.set("share", share);
        glEnable(GL_BLEND);
        glBlendFunc(GL_ONE, GL_ONE);
        triangle.run();
        glDisable(GL_BLEND);
        drawn.mixes(false);
    }

    /** Writes what was laid together as a screen shows it. */
    void finish(DrawTarget into, Runnable triangle) {
        into.drawInto();
        finish.use();
        glActiveTexture(GL_TEXTURE0);
        glBindTexture(GL_TEXTURE_2D, sum.colour());
        finish.setWhole("sums", 0);
        triangle.run();
    }

    void delete() {
        sum.delete();
    }
}
