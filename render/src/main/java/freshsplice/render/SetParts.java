package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

import freshsplice.core.render.DrawnSet;
import freshsplice.core.stage.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Meshes where the drawing is done. A few sets are kept at hand, so that a master that goes to and fro takes each up once. */
final class SetParts {
    /** Where the four columns of a place come in. */
    private static final int PLACE = 3;
    private static final int SETS = 6;
    private static final int MATRIX = 16;

    /** @param places buffer that the places of those drawn at once come into; @param buffers all that it is kept in */
    private record Part(int array, int corners, int places, int[] buffers) {
        void draw(float[] shown) {
            if (shown.length > 0) {
                glBindVertexArray(array);
                glBindBuffer(GL_ARRAY_BUFFER, places);
                glBufferData(GL_ARRAY_BUFFER, shown, GL_STREAM_DRAW);
                glDrawElementsInstanced(GL_TRIANGLES, corners, GL_UNSIGNED_INT, 0, shown.length / MATRIX);
            }
        }

        void delete() {
            glDeleteVertexArrays(array);
            glDeleteBuffers(buffers);
        }
    }

    /** Things that look alike, drawn at once. @param things their places among all */
    private record Alike(Part part, List<Integer> things) {
        /** The places of those that are shown, one after another. */
        float[] shown(float[] places) {
            float[] shown = new float[things.size() * MATRIX];
            int count = 0;
            for (int thing : things) {
                int at = thing * MATRIX;
                if (places[at] != 0 || places[at + 5] != 0 || places[at + 10] != 0 || places[at + 2] != 0) {
                    System.arraycopy(places, at, shown, count++ * MATRIX, MATRIX);
                }
            }
            return Arrays.copyOf(shown, count * MATRIX);
        }
    }

    private final Map<String, List<Alike>> sets = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, List<Alike>> eldest) {
            boolean many = size() > SETS;
            if (many) {
                eldest.getValue().forEach(a -> a.part().delete());
            }
            return many;
        }
    };
    private final Part triangle = upload(new Mesh(new float[] {-1, -1, 0, 3, -1, 0, -1, 3, 0}, new float[9], new float[9],
            new int[] {0, 1, 2}));

    /** Draws all things of a set. @param places thing to world, a matrix each */
    void draw(DrawnSet set, float[] places) {
        for (Alike alike : sets.computeIfAbsent(set.key(), key -> upload(set))) {
            alike.part().draw(alike.shown(places));
        }
    }

    /** How many corners all things of a set have. */
    int corners(DrawnSet set) {
        return sets.computeIfAbsent(set.key(), key -> upload(set)).stream().mapToInt(a -> a.part().corners() * a.things().size()).sum();
    }

    /** Draws a triangle over the whole picture. */
    void drawTriangle() {
        glBindVertexArray(triangle.array());
        glDrawElements(GL_TRIANGLES, triangle.corners(), GL_UNSIGNED_INT, 0);
    }

    private static List<Alike> upload(DrawnSet set) {
        Map<Mesh, Alike> parts = new IdentityHashMap<>();
        List<Alike> inOrder = new ArrayList<>();
        for (int i = 0; i < set.meshes().size(); i++) {
            Alike alike = parts.get(set.meshes().get(i));
            if (alike == null) {
                alike = new Alike(upload(set.meshes().get(i)), new ArrayList<>());
                parts.put(set.meshes().get(i), alike);
                inOrder.add(alike);
            }
            alike.things().add(i);
        }
        return inOrder;
    }

    private static Part upload(Mesh mesh) {
        int array = glGenVertexArrays();
        glBindVertexArray(array);
        int positions = attribute(0, mesh.positions());
        int normals = attribute(1, mesh.normals());
        int colours = attribute(2, mesh.colours());
        int indices = glGenBuffers();
        glBindBuffer(GL_ELEMENT_ARRAY_BUFFER, indices);
        glBufferData(GL_ELEMENT_ARRAY_BUFFER, mesh.indices(), GL_STATIC_DRAW);
        int places = glGenBuffers();
        glBindBuffer(GL_ARRAY_BUFFER, places);
        for (int column = 0; column < 4; column++) {
            glEnableVertexAttribArray(PLACE + column);
            glVertexAttribPointer(PLACE + column, 4, GL_FLOAT, false, 64, column * 16L);
            glVertexAttribDivisor(PLACE + column, 1);
        }
        return new Part(array, mesh.indices().length, places, new int[] {positions, normals, colours, indices, places});
    }

    /** Three values for each corner of the array that is bound. @return the buffer that they are in */
    static int attribute(int place, float[] values) {
        int store = glGenBuffers();
        glBindBuffer(GL_ARRAY_BUFFER, store);
        glBufferData(GL_ARRAY_BUFFER, values, GL_STATIC_DRAW);
        glEnableVertexAttribArray(place);
        glVertexAttribPointer(place, 3, GL_FLOAT, false, 0, 0);
        return store;
    }
}
