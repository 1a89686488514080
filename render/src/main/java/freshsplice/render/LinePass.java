package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.SetLines;

/** Draws the lines that stand in a set over what was drawn of it, hidden by what is nearer. */
final class LinePass {
    private GlProgram line;
    private int array;
    private int[] buffers = {};
    private SetLines held = SetLines.NONE;

    /** @param thick pixels of a line */
    void draw(DrawnSet set, FrameOrder.Moment moment, int width, int height, float thick) {
        if (set.lines().isEmpty()) {
            return;
        }
        line = line == null ? new GlProgram(Shading.LINE) : line;
        hold(set.lines());
        line.use();
        line.setMatrix("view", moment.view());
        line.setMatrix("projection", moment.projection());
        line.set("upright", -1);
        line.set("size", width, height);
        line.set("wide", Math.max(1, thick));
        glDisable(GL_CULL_FACE);
        glDepthMask(false);
        glEnable(GL_BLEND);
        glBlendFuncSeparate(GL_SRC_ALPHA, GL_ONE_MINUS_SRC_ALPHA, GL_ONE, GL_ONE_MINUS_SRC_ALPHA);
        glBindVertexArray(array);
        glDrawArrays(GL_LINES, 0, held.ends().length / 3);
        glDisable(GL_BLEND);
        glDepthMask(true);
        glEnable(GL_CULL_FACE);
    }

    /** Lines of one set are drawn over many frames: they are taken up when they are others. */
    private void hold(SetLines wanted) {
        if (wanted != held) {
            glDeleteVertexArrays(array);
            glDeleteBuffers(buffers);
            array = glGenVertexArrays();
            glBindVertexArray(array);
            buffers = new int[] {SetParts.attribute(0, wanted.ends()), SetParts.attribute(2, wanted.colours())};
            held = wanted;
        }
    }
}
