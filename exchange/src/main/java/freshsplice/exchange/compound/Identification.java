package freshsplice.exchange.compound;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HexFormat;
import java.util.UUID;

/** Identifications of 16 bytes: three numbers in the byte order of their file, then eight bytes as they are. */
public final class Identification {
    private Identification() {
    }

    /** As 0d010101-0101-2f00-060e-2b3402060101; the numbers in the buffer's byte order. */
    public static String text(ByteBuffer in, int at) {
        HexFormat hex = HexFormat.of();
        byte[] last = new byte[8];
        in.get(at + 8, last);
        String tail = hex.formatHex(last);
        return hex.toHexDigits(in.getInt(at)) + "-" + hex.toHexDigits(in.getShort(at + 4)) + "-"
                + hex.toHexDigits(in.getShort(at + 6)) + "-" + tail.substring(0, 4) + "-" + tail.substring(4);
    }

    /** Its 16 bytes, little endian. */
    public static byte[] bytes(String text) {
        UUID uuid = UUID.fromString(text);
        long high = uuid.getMostSignificantBits();
        return ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN).putInt((int) (high >> 32))
                .putShort((short) (high >> 16)).putShort((short) high).order(ByteOrder.BIG_ENDIAN)
                .putLong(uuid.getLeastSignificantBits()).array();
    }
}
