package freshsplice.render;

import freshsplice.core.render.SetLines;
import freshsplice.core.stage.Mesh;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;

/** Meshes as binary glTF 2.0 (Khronos, section 4.4): one node a thing. */
public final class Gltf {
    private static final int FLOAT = 5126;
    private static final int UNSIGNED_INT = 5125;
    /** Kinds of primitives (Khronos, section 5.24.5). */
    static final int LINES = 1;
    static final int TRIANGLES = 4;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final List<byte[]> parts = new ArrayList<>();
    private final List<Map<String, Object>> views = new ArrayList<>();
    private final List<Map<String, Object>> accessors = new ArrayList<>();
    private final List<Map<String, Object>> meshes = new ArrayList<>();
    private final List<Map<String, Object>> nodes = new ArrayList<>();
    private final Map<Mesh, Integer> known = new IdentityHashMap<>();
    private int length;

    /** Adds a thing that has its place elsewhere. Those of one mesh share it: a crowd is as small as one of it. */
    public void add(String name, Mesh mesh) {
        nodes.add(Map.of("name", name, "mesh", known.computeIfAbsent(mesh, this::mesh)));
    }

    /** Adds a thing. @param place thing to world, columns first */
    public void add(String name, Mesh mesh, float[] place) {
        nodes.add(Map.of("name", name, "mesh", known.computeIfAbsent(mesh, this::mesh), "matrix", place));
    }

    /** Adds lines that stand in the world. */
    public void add(String name, SetLines lines) {
        meshes.add(Map.of("primitives", List.of(Map.of("mode", LINES, "attributes",
                Map.of("POSITION", floats(lines.ends(), true), "COLOR_0", floats(lines.colours(), false))))));
        nodes.add(Map.of("name", name, "mesh", meshes.size() - 1));
    }

    private int mesh(Mesh mesh) {
        int positions = floats(mesh.positions(), true);
        int normals = floats(mesh.normals(), false);
        int colours = floats(mesh.colours(), false);
        ByteBuffer indices = ByteBuffer.allocate(mesh.indices().length * 4).order(ByteOrder.LITTLE_ENDIAN);
        indices.asIntBuffer().put(mesh.indices());
        accessors.add(Map.of("bufferView", view(indices.array()), "componentType", UNSIGNED_INT, "type", "SCALAR",
                "count", mesh.indices().length));
        meshes.add(Map.of("primitives", List.of(Map.of("indices", accessors.size() - 1, "attributes",
                Map.of("POSITION", positions, "NORMAL", normals, "COLOR_0", colours)))));
        return meshes.size() - 1;
    }

    private int floats(float[] values, boolean withBounds) {
        ByteBuffer bytes = ByteBuffer.allocate(values.length * 4).order(ByteOrder.LITTLE_ENDIAN);
        bytes.asFloatBuffer().put(values);
        Map<String, Object> accessor = new java.util.TreeMap<>(Map.of("bufferView", view(bytes.array()),
                "componentType", FLOAT, "type", "VEC3", "count", values.length / 3));
        if (withBounds) {
            accessor.put("min", bound(values, Math::min));
            accessor.put("max", bound(values, Math::max));
        }
        accessors.add(accessor);
        return accessors.size() - 1;
    }

    private static List<Float> bound(float[] values, java.util.function.BinaryOperator<Float> of) {
        List<Float> bound = new ArrayList<>(List.of(values[0], values[1], values[2]));
        for (int i = 3; i < values.length; i++) {
            bound.set(i % 3, of.apply(bound.get(i % 3), values[i]));
        }
        return bound;
    }

    private int view(byte[] bytes) {
        parts.add(bytes);
        views.add(Map.of("buffer", 0, "byteOffset", length, "byteLength", bytes.length));
        length += bytes.length;
        return views.size() - 1;
    }

    /** The file. */
    public byte[] bytes() {
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < nodes.size(); i++) {
            all.add(i);
        }
        Map<String, Object> document = new java.util.TreeMap<>(Map.of("asset", Map.of("version", "2.0"),
                "scene", 0, "scenes", List.of(all.isEmpty() ? Map.of() : Map.of("nodes", all))));
        if (!all.isEmpty()) {
            document.putAll(Map.of("nodes", nodes, "meshes", meshes, "accessors", accessors, "bufferViews", views,
                    "buffers", List.of(Map.of("byteLength", length))));
        }
        byte[] json = JSON.writeValueAsString(document).getBytes(StandardCharsets.UTF_8);
        int jsonLength = (json.length + 3) / 4 * 4;
        ByteBuffer file = ByteBuffer.allocate(12 + 8 + jsonLength + (length > 0 ? 8 + length : 0))
                .order(ByteOrder.LITTLE_ENDIAN);
        file.putInt(0x46546C67).putInt(2).putInt(file.capacity()).putInt(jsonLength).putInt(0x4E4F534A).put(json);
        while (file.position() < 20 + jsonLength) {
            file.put((byte) ' ');
        }
        if (length > 0) {
            file.putInt(length).putInt(0x004E4942);
            parts.forEach(file::put);
        }
        return file.array();
    }
}
