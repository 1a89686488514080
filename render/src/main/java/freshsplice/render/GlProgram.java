package freshsplice.render;

import static org.lwjgl.opengl.GL33C.GL_COMPILE_STATUS;
import static org.lwjgl.opengl.GL33C.GL_FRAGMENT_SHADER;
import static org.lwjgl.opengl.GL33C.GL_GEOMETRY_SHADER;
import static org.lwjgl.opengl.GL33C.GL_LINK_STATUS;
import static org.lwjgl.opengl.GL33C.GL_TRUE;
import static org.lwjgl.opengl.GL33C.GL_VERTEX_SHADER;
import static org.lwjgl.opengl.GL33C.glAttachShader;
import static org.lwjgl.opengl.GL33C.glBindAttribLocation;
import static org.lwjgl.opengl.GL33C.glCompileShader;
import static org.lwjgl.opengl.GL33C.glCreateProgram;
import static org.lwjgl.opengl.GL33C.glCreateShader;
import static org.lwjgl.opengl.GL33C.glDeleteShader;
import static org.lwjgl.opengl.GL33C.glGetProgramInfoLog;
import static org.lwjgl.opengl.GL33C.glGetProgrami;
import static org.lwjgl.opengl.GL33C.glGetShaderInfoLog;
import static org.lwjgl.opengl.GL33C.glGetShaderi;
import static org.lwjgl.opengl.GL33C.glGetUniformLocation;
import static org.lwjgl.opengl.GL33C.glLinkProgram;
import static org.lwjgl.opengl.GL33C.glShaderSource;
import static org.lwjgl.opengl.GL33C.glUniform1f;
import static org.lwjgl.opengl.GL33C.glUniform1i;
import static org.lwjgl.opengl.GL33C.glUniform2f;
import static org.lwjgl.opengl.GL33C.glUniform3f;
import static org.lwjgl.opengl.GL33C.glUniformMatrix4fv;
import static org.lwjgl.opengl.GL33C.glUseProgram;

import java.util.HashMap;
import java.util.Map;

/** A linked shading program. */
final class GlProgram {
    private static final String VERSION = "#version 330 core\n";

    private final int id;
    private final Map<String, Integer> places = new HashMap<>();

    GlProgram(String name) {
        id = glCreateProgram();
        int vertex = compile(GL_VERTEX_SHADER, VERSION + Shading.vertex(name));
        int fragment = compile(GL_FRAGMENT_SHADER, VERSION + Shading.fragment(name));
        String between = Shading.geometry(name);
        if (between != null) {
            int geometry = compile(GL_GEOMETRY_SHADER, VERSION + between);
            glAttachShader(id, geometry);
            glDeleteShader(geometry);
        }
        glAttachShader(id, vertex);
        glAttachShader(id, fragment);
        glBindAttribLocation(id, 0, "position");
        glBindAttribLocation(id, 1, "normal");
        glBindAttribLocation(id, 2, "colour");
        glBindAttribLocation(id, 3, "place");
        glLinkProgram(id);
        glDeleteShader(vertex);
        glDeleteShader(fragment);
        if (glGetProgrami(id, GL_LINK_STATUS) != GL_TRUE) {
            throw new CannotDraw("The shading does not link: " + glGetProgramInfoLog(id));
        }
    }

    private static int compile(int kind, String source) {
        int shader = glCreateShader(kind);
        glShaderSource(shader, source);
        glCompileShader(shader);
        if (glGetShaderi(shader, GL_COMPILE_STATUS) != GL_TRUE) {
            throw new CannotDraw("The shading does not compile: " + glGetShaderInfoLog(shader));
        }
        return shader;
    }

    void use() {
        glUseProgram(id);
    }

    void set(String name, float value) {
        glUniform1f(place(name), value);
    }

    /** A whole number, or where a picture is read from. */
    void setWhole(String name, int value) {
        glUniform1i(place(name), value);
    }

    void set(String name, float x, float y) {
        glUniform2f(place(name), x, y);
    }

    void set(String name, float x, float y, float z) {
        glUniform3f(place(name), x, y, z);
    }

    void setMatrix(String name, float[] columns) {
        glUniformMatrix4fv(place(name), false, columns);
    }

    private int place(String name) {
        return places.computeIfAbsent(name, n -> glGetUniformLocation(id, n));
    }
}
