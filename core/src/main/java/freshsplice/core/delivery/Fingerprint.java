package freshsplice.core.delivery;

import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
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
        MessageDigest digest = sha256();
        digest.update(bytes(values));
        return hex(digest);
    }

    /**
     * Digests of a movement: of what the camera sees it from and how, and of where everything stands. Worked out block by block:
     * no more of a long movement is in memory.
     */
    public static Movement digest(Bake bake) {
        MessageDigest places = sha256();
        for (long first = 0; first < bake.frames(); first += Bake.BLOCK) {
            Bake.Block block = bake.block(first);
            for (int k = 0; k < block.frames(); k++) {
                places.update(bytes(bake.places(block, k)));
            }
        }
        return new Movement(camera(bake), hex(places));
    }

    /** Digests of what a camera sees a movement from and how. */
    public static CameraMovement camera(Bake bake) {
        MessageDigest views = sha256();
        MessageDigest projections = sha256();
        MessageDigest blurs = sha256();
        for (long first = 0; first < bake.frames(); first += Bake.BLOCK) {
            Bake.Block block = bake.block(first);
            views.update(bytes(block.views()));
            projections.update(bytes(block.projections()));
            for (int k = 0; k < block.frames(); k++) {
                blurs.update(bytes(new float[] {block.lenses()[k * Bake.LENS_VALUES + 1], block.lenses()[k * Bake.LENS_VALUES + 3]}));
            }
        }
        return new CameraMovement(hex(views) + hex(projections), hex(blurs));
    }

    /**
     * Digest of what some frame of a movement may show of a set: how those things look and where they stand, whatever else there is.
     *
     * @param items of the bake, in its order
     */
    public static String inView(Bake bake, List<Item> items) {
        boolean[] seen = InView.of(bake, items);
        MessageDigest digest = sha256();
        for (int i = 0; i < seen.length; i++) {
            if (seen[i]) {
                items.get(i).geometry().parts().forEach(part -> digest.update((part + "\n").getBytes(StandardCharsets.UTF_8)));
            }
        }
        for (long first = 0; first < bake.frames(); first += Bake.BLOCK) {
            Bake.Block block = bake.block(first);
            for (int k = 0; k < block.frames(); k++) {
                float[] places = bake.places(block, k);
                for (int i = 0; i < seen.length; i++) {
                    if (seen[i]) {
                        digest.update(bytes(Arrays.copyOfRange(places, i * Bake.MATRIX, (i + 1) * Bake.MATRIX)));
                    }
                }
            }
        }
        return hex(digest);
    }

    /**
     * @param sharp digest of its movement and lens
     * @param blur  digest of what is in focus and how much, seen by pictures with blur alone
     */
    public record CameraMovement(String sharp, String blur) {
        /** What a picture depends on. @param blurred whether it shows what is in focus: one that is sharp all over stays as it is when the focus changes */
        public String seen(boolean blurred) {
            return blurred ? digest(sharp + blur) : sharp;
        }
    }

    /** @param places digest of where all items stand */
    public record Movement(CameraMovement camera, String places) {
    }

    private static byte[] bytes(float[] values) {
        ByteBuffer bytes = ByteBuffer.allocate(values.length * 4);
        for (float value : values) {
            // −0 and 0 are one place
            bytes.putFloat(value == 0 ? 0 : value);
        }
        return bytes.array();
    }

    /** A digest of a set with all its keys: tells it from any that looks or moves otherwise at any frame. */
    public static String digest(Stage stage) {
        return digest(stage.toString());
    }

    public static String digest(String text) {
        MessageDigest digest = sha256();
        digest.update(text.getBytes(StandardCharsets.UTF_8));
        return hex(digest);
    }

    private static String hex(MessageDigest digest) {
        return HexFormat.of().formatHex(digest.digest(), 0, 12);
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
