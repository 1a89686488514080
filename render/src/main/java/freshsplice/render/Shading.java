package freshsplice.render;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;

/** The one source of shading, for the renderer and for the browser. */
public final class Shading {
    /** Names of what window and renderer draw alike: each has a vertex and a fragment part. */
    public static final List<String> PROGRAMS = List.of("item", "sky", "circles", "spread", "blur");
    /** Those that are worked out from what was drawn: their vertex part is one, and they know the lens. */
    private static final Set<String> OF_PICTURES = Set.of("circles", "spread", "blur");

    /** Those that know where points are. */
    private static final Set<String> WITH_PLACES = Set.of("sky", "line");
    /** What the renderer alone draws: lines of aids, and what covers the sky where that is left out. */
    static final String LINE = "line";
    static final String COVER = "cover";
    static final String COVERED = "covered";
    static final List<String> OWN = List.of(LINE, COVER, COVERED);

    private Shading() {
    }

    /** The vertex part of a program, without a version line. */
    public static String vertex(String program) {
        return program.equals("item") ? text("light.glsl") + text("item.vert") : text(WITH_PLACES.contains(program) ? program + ".vert" : "picture.vert");
    }

    /** The fragment part of a program with the light it needs, without a version line. */
    public static String fragment(String program) {
        return text("light.glsl") + (OF_PICTURES.contains(program) ? text("lens.glsl") : "") + text(program + ".frag");
    }

    /** The part of a program between its two others, without a version line; null where it has none. */
    static String geometry(String program) {
        return program.equals(LINE) ? text("line.geom") : null;
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
