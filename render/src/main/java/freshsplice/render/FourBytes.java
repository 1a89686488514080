package freshsplice.render;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/** Pixels of four bytes each. */
final class FourBytes {
    /** Four bytes of an array as one number. */
    static final VarHandle AS_ONE = MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);

    private FourBytes() {
    }

    /** Takes three of the four bytes of each pixel. @param from the first; @param to after the last */
    static void threeOfEach(byte[] points, byte[] picture, int from, int to) {
        // four are put down at once: the fourth is the next pixel's, and written over by it; the next of the last one is another's
        for (int i = from; i < to - 1; i++) {
            AS_ONE.set(picture, i * 3, (int) AS_ONE.get(points, i * 4));
        }
        System.arraycopy(points, to * 4 - 4, picture, to * 3 - 3, 3);
    }
}
