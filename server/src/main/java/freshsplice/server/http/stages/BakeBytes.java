package freshsplice.server.http.stages;

import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.Rational;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** A bake as bytes, in the layout that {@link StageController#bake} describes. */
final class BakeBytes {
    private BakeBytes() {
    }

    static byte[] of(Bake bake, Shot shot, RenderRange range) {
        int floats = bake.lenses().length + bake.views().length + bake.projections().length + bake.places().length;
        ByteBuffer bytes = ByteBuffer.allocate((2 + bake.frames() * 2 + floats) * 4).order(ByteOrder.LITTLE_ENDIAN);
        bytes.putInt(bake.frames()).putInt(bake.items());
        for (int k = 0; k < bake.frames(); k++) {
            Rational position = range.positionOf(k);
            bytes.putInt((int) position.floor()).putInt((int) shot.actionAt(position).floor());
        }
        for (float[] part : new float[][] {bake.lenses(), bake.views(), bake.projections(), bake.places()}) {
            bytes.asFloatBuffer().put(part);
            bytes.position(bytes.position() + part.length * 4);
        }
        return bytes.array();
    }
}
