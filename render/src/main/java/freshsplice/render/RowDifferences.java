package freshsplice.render;

import java.io.IOException;
import java.io.OutputStream;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/**
 * Rows of a picture as what of each byte differs from the one above it, modulo 256: neighbours are alike, so that little is left to be
 * written. Eight bytes are worked on at once, as parts of one number that carry nothing to each other (Warren, Hacker's Delight, 2-18).
 */
final class RowDifferences {
    private static final VarHandle EIGHT = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);
    private static final int WIDE = Long.BYTES;
    private static final long HIGH = 0x8080808080808080L;

    /** Bytes that are worked on before they are handed on: few enough to be near at hand still. */
    private static final int AT_ONCE = 1 << 16;

    private RowDifferences() {
    }

    /** Writes as many bytes as there are, the first row as it is. @param row bytes of a row */
    static void write(byte[] bytes, int row, OutputStream to) throws IOException {
        to.write(bytes, 0, row);
        byte[] some = new byte[Math.min(AT_ONCE, bytes.length)];
        for (int from = row; from < bytes.length; from += some.length) {
            int length = Math.min(some.length, bytes.length - from);
            differences(bytes, from, row, some, length);
            to.write(some, 0, length);
        }
    }

    private static void differences(byte[] bytes, int from, int row, byte[] into, int length) {
        int i = 0;
        for (; i + WIDE <= length; i += WIDE) {
            EIGHT.set(into, i, less((long) EIGHT.get(bytes, from + i), (long) EIGHT.get(bytes, from + i - row)));
        }
        for (; i < length; i++) {
            into[i] = (byte) (bytes[from + i] - bytes[from + i - row]);
        }
    }

    /** Makes differences what they were made of, in their place. @param row bytes of a row */
    static void undo(byte[] bytes, int row) {
        int i = row;
        // where a row is shorter than eight bytes, what is above the last of them is not worked out yet
        for (; row >= WIDE && i + WIDE <= bytes.length; i += WIDE) {
            EIGHT.set(bytes, i, sum((long) EIGHT.get(bytes, i), (long) EIGHT.get(bytes, i - row)));
        }
        for (; i < bytes.length; i++) {
            bytes[i] += bytes[i - row];
        }
    }

    private static long less(long a, long b) {
        return ((a | HIGH) - (b & ~HIGH)) ^ ((a ^ ~b) & HIGH);
    }

    private static long sum(long a, long b) {
        return ((a & ~HIGH) + (b & ~HIGH)) ^ ((a ^ b) & HIGH);
    }
}
