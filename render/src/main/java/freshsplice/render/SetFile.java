package freshsplice.render;

import freshsplice.core.delivery.Bake;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.SetLines;
import freshsplice.core.stage.Mesh;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A set as binary glTF 2.0, one node a thing in their order, with a matrix where it stands and without where it moves, and one last for
 * the lines of its aids: as {@link Gltf} writes it, and read again to the bit.
 */
public final class SetFile {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int HEADER = 12;

    private SetFile() {
    }

    /** Writes it under its name once it is whole. */
    public static void write(Path file, DrawnSet set) throws IOException {
        Gltf gltf = new Gltf();
        Set<Integer> moving = Arrays.stream(set.moving()).boxed().collect(Collectors.toSet());
        for (int i = 0; i < set.meshes().size(); i++) {
            if (moving.contains(i)) {
                gltf.add(String.valueOf(i), set.meshes().get(i));
            } else {
                gltf.add(String.valueOf(i), set.meshes().get(i), Arrays.copyOfRange(set.standing(), i * Bake.MATRIX, (i + 1) * Bake.MATRIX));
            }
        }
        if (!set.lines().isEmpty()) {
            gltf.add("aids", set.lines());
        }
        WholeFile.write(file, out -> out.write(gltf.bytes()));
    }

    /** @param key of the set; @throws IOException if there is none in it */
    public static DrawnSet read(Path file, String key) throws IOException {
        try {
            return read(ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN), key);
        } catch (JacksonException | IndexOutOfBoundsException | java.nio.BufferUnderflowException | IllegalArgumentException e) {
            throw new IOException(file.getFileName() + " holds no set", e);
        }
    }

    private static DrawnSet read(ByteBuffer bytes, String key) {
        int jsonLength = bytes.getInt(HEADER);
        JsonNode root = JSON.readTree(new String(bytes.array(), HEADER + 8, jsonLength, StandardCharsets.UTF_8));
        int binary = HEADER + 8 + jsonLength + 8;
        List<Mesh> meshes = new ArrayList<>();
        SetLines lines = SetLines.NONE;
        for (JsonNode mesh : root.path("meshes")) {
            JsonNode primitive = mesh.path("primitives").path(0);
            JsonNode attributes = primitive.path("attributes");
            if (primitive.path("mode").asInt(Gltf.TRIANGLES) == Gltf.LINES) {
                // they come last, and are no thing
                lines = new SetLines(floats(root, bytes, binary, attributes.path("POSITION")), floats(root, bytes, binary, attributes.path("COLOR_0")));
                continue;
            }
            meshes.add(new Mesh(floats(root, bytes, binary, attributes.path("POSITION")), floats(root, bytes, binary, attributes.path("NORMAL")),
                    floats(root, bytes, binary, attributes.path("COLOR_0")), whole(root, bytes, binary, primitive.path("indices"))));
        }
        List<Mesh> things = new ArrayList<>();
        List<Integer> moving = new ArrayList<>();
        int count = root.path("nodes").size() - (lines.isEmpty() ? 0 : 1);
        float[] standing = new float[count * Bake.MATRIX];
        for (int n = 0; n < count; n++) {
            JsonNode node = root.path("nodes").path(n);
            JsonNode place = node.path("matrix");
            if (place.isMissingNode()) {
                moving.add(things.size());
            } else {
                for (int i = 0; i < Bake.MATRIX; i++) {
                    standing[things.size() * Bake.MATRIX + i] = place.get(i).floatValue();
                }
            }
            things.add(meshes.get(node.path("mesh").asInt()));
        }
        return new DrawnSet(key, things, standing, moving.stream().mapToInt(i -> i).toArray(), lines);
    }

    private static float[] floats(JsonNode root, ByteBuffer bytes, int binary, JsonNode accessor) {
        JsonNode of = root.path("accessors").path(accessor.asInt());
        float[] values = new float[of.path("count").asInt() * 3];
        int at = binary + root.path("bufferViews").path(of.path("bufferView").asInt()).path("byteOffset").asInt();
        bytes.slice(at, values.length * 4).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(values);
        return values;
    }

    private static int[] whole(JsonNode root, ByteBuffer bytes, int binary, JsonNode accessor) {
        JsonNode of = root.path("accessors").path(accessor.asInt());
        int[] values = new int[of.path("count").asInt()];
        int at = binary + root.path("bufferViews").path(of.path("bufferView").asInt()).path("byteOffset").asInt();
        bytes.slice(at, values.length * 4).order(ByteOrder.LITTLE_ENDIAN).asIntBuffer().get(values);
        return values;
    }
}
