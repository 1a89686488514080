package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.SetLines;

/** Draws the lines that stand in a set over what was drawn of it, hidden by what is nearer. */
final class LinePass {
    private GlProgram line;
    private int array;
    private int ends;
    private int colours;
    private SetLines held = SetLines.NONE;

    /** @param thick pixels of a line */
    void draw(DrawnSet set, FrameOrder.Moment moment, int width, int height, float thick) {
        if (set.lines().isEmpty()) {
            return;
        }
        if (line == null) {
            prepare();
        }
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

    private void prepare() {
        line = new GlProgram(Shading.LINE);
        array = glGenVertexArrays();
        glBindVertexArray(array);
        ends = attribute(0);
        colours = attribute(2);
    }

    private static int attribute(int place) {
        int store = glGenBuffers();
        glBindBuffer(GL_ARRAY_BUFFER, store);
        glEnableVertexAttribArray(place);
        glVertexAttribPointer(place, 3, GL_FLOAT, false, 0, 0);
        return store;
    }

    private void hold(SetLines wanted) {
        if (wanted != held) {
            held = wanted;
            glBindBuffer(GL_ARRAY_BUFFER, ends);
            glBufferData(GL_ARRAY_BUFFER, wanted.ends(), GL_STATIC_DRAW);
            glBindBuffer(GL_ARRAY_BUFFER, colours);
            glBufferData(GL_ARRAY_BUFFER, wanted.colours(), GL_STATIC_DRAW);
        }
    }
}
