package freshsplice.render;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;

/** Tells a program that draws otherwise, or that writes down otherwise what is drawn, from this one. */
public final class DrawingVersion {
    /** Counted up when pictures come out otherwise by a change of anything but the shading: smoothing, letters, boards, reduction. */
    private static final int PICTURES = 1;
    private static final String SHADING = digest(Shading.PROGRAMS);
    private static final String OWN = digest(Shading.OWN);

    private DrawingVersion() {
    }

    /** Of what pictures look like: another where the same set looks otherwise. */
    public static String ofPictures() {
        return PICTURES + "-" + SHADING;
    }

    /** Of all that passes between machines that draw one render. */
    public static String now() {
        return ofPictures() + "-" + OWN + "-" + JobFile.FORM;
    }

    private static String digest(List<String> programs) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (String program : programs) {
                digest.update(Shading.vertex(program).getBytes(StandardCharsets.UTF_8));
                digest.update(Shading.fragment(program).getBytes(StandardCharsets.UTF_8));
                String between = Shading.geometry(program);
                if (between != null) {
                    digest.update(between.getBytes(StandardCharsets.UTF_8));
                }
            }
            return HexFormat.of().formatHex(digest.digest(), 0, 6);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
