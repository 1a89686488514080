package freshsplice.render;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** The one source of shading, for the renderer and for the browser. */
public final class Shading {
    /** Names of what is drawn: each has a vertex and a fragment part. */
    public static final List<String> PROGRAMS = List.of("item", "sky");

    private Shading() {
    }

    /** The vertex part of a program, without a version line. */
    public static String vertex(String program) {
        return text(program + ".vert");
    }

    /** The fragment part of a program with the light it needs, without a version line. */
    public static String fragment(String program) {
        return text("light.glsl") + text(program + ".frag");
    }

    private static String text(String name) {
        try (InputStream in = Shading.class.getResourceAsStream("/shading/" + name)) {
            if (in == null) {
                throw new IllegalArgumentException("There is no shading " + name);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException("Shading " + name + " cannot be read", e);
        }
    }
}
