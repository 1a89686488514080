package freshsplice.core.delivery;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a render was made from, part by part, as digests. Two renders with equal fingerprints have equal pictures.
 *
 * @param parts name of the part, as people read it, to its digest
 */
public record Fingerprint(Map<String, String> parts) {
    public Fingerprint {
        parts = Map.copyOf(new TreeMap<>(parts));
    }

    /** Names of the parts that differ, in order; empty where the render still is what would be made now. */
    public List<String> differences(Fingerprint now) {
        List<String> differing = new ArrayList<>();
        for (String part : new TreeMap<>(parts).keySet()) {
            if (!parts.get(part).equals(now.parts.get(part))) {
                differing.add(part);
            }
        }
        now.parts.keySet().stream().filter(p -> !parts.containsKey(p)).sorted().forEach(differing::add);
        return differing;
    }

    /** A digest of numbers. */
    public static String digest(float[] values) {
        ByteBuffer bytes = ByteBuffer.allocate(values.length * 4);
        for (float value : values) {
            // −0 and 0 are one place
            bytes.putFloat(value == 0 ? 0 : value);
        }
        return digest(bytes.array());
    }

    public static String digest(String text) {
        return digest(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String digest(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes), 0, 12);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
