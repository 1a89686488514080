package freshsplice.server.http.stages;

import freshsplice.core.delivery.Bake;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.FloatBuffer;

/** A bake as bytes, in the layout that {@link StageController#bake} describes. */
final class BakeBytes {
    private static final int WORD = 4;
    private static final int HEAD = 3;
    private static final int NUMBERS_A_FRAME = 2;

    private BakeBytes() {
    }

    static long length(Bake bake) {
        return WORD * (HEAD + bake.moving().length + (long) bake.items() * Bake.MATRIX
                + bake.frames() * (NUMBERS_A_FRAME + floatsAFrame(bake.moving().length)));
    }

    private static int floatsAFrame(int moving) {
        return Bake.LENS_VALUES + (2 + moving) * Bake.MATRIX;
    }

    /** Writes block by block: no more of a long movement is in memory. */
    static void write(Bake bake, OutputStream out) throws IOException {
        out.write(head(bake));
        for (long first = 0; first < bake.frames(); first += Bake.BLOCK) {
            out.write(numbers(bake, first));
        }
        out.write(bytes(bake.standing()));
        for (long first = 0; first < bake.frames(); first += Bake.BLOCK) {
            out.write(floats(bake.block(first), bake.moving().length));
        }
    }

    private static ByteBuffer words(int count) {
        return ByteBuffer.allocate(count * WORD).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static byte[] head(Bake bake) {
        int[] moving = bake.moving();
        ByteBuffer bytes = words(HEAD + moving.length).putInt(Math.toIntExact(bake.frames())).putInt(bake.items())
                .putInt(moving.length);
        bytes.asIntBuffer().put(moving);
        return bytes.array();
    }

    private static byte[] numbers(Bake bake, long first) {
        int count = (int) Math.min(Bake.BLOCK, bake.frames() - first);
        ByteBuffer bytes = words(count * NUMBERS_A_FRAME);
        for (int k = 0; k < count; k++) {
            bytes.putInt((int) bake.position(first + k).floor()).putInt((int) bake.action(first + k).floor());
        }
        return bytes.array();
    }

    private static byte[] bytes(float[] values) {
        ByteBuffer bytes = words(values.length);
        bytes.asFloatBuffer().put(values);
        return bytes.array();
    }

    private static byte[] floats(Bake.Block block, int moving) {
        ByteBuffer bytes = words(block.frames() * floatsAFrame(moving));
        FloatBuffer floats = bytes.asFloatBuffer();
        for (int k = 0; k < block.frames(); k++) {
            floats.put(block.lenses(), k * Bake.LENS_VALUES, Bake.LENS_VALUES).put(block.views(), k * Bake.MATRIX, Bake.MATRIX)
                    .put(block.projections(), k * Bake.MATRIX, Bake.MATRIX)
                    .put(block.places(), k * moving * Bake.MATRIX, moving * Bake.MATRIX);
        }
        return bytes.array();
    }
}
