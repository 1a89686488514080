package freshsplice.render;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.Locale;

/**
 * Alpha of pictures in linear light. What makes colours linear takes alpha for a brightness of limited range and stretches it (seen with
 * ffmpeg 5.1: opaque is 1.0957, empty −0.0731). How far is measured once, so that a version that leaves alpha alone stays right too.
 * Colours are multiplied by alpha, as OpenEXR has them (Technical Introduction to OpenEXR, "Alpha").
 */
final class LinearAlpha {
    /** From display colours to linear ones, full range. */
    static final String LINEAR = "zscale=transferin=iec61966-2-1:transfer=linear:matrixin=gbr:matrix=gbr:rangein=full:range=full";
    private static final double CLOSE = 1e-4;
    private static volatile String steps;

    private LinearAlpha() {
    }

    /** Filters that come after {@link #LINEAR} where there is alpha. @throws IOException if ffmpeg cannot be asked */
    static String steps() throws IOException {
        if (steps == null) {
            float[] alpha = measured();
            boolean right = Math.abs(alpha[0] - 1) < CLOSE && Math.abs(alpha[1]) < CLOSE;
            String mended = String.format(Locale.ROOT, "geq=r='r(X,Y)':g='g(X,Y)':b='b(X,Y)':a='(alpha(X,Y)-(%.9f))/%.9f':i=nearest,", alpha[1],
                    alpha[0] - alpha[1]);
            steps = (right ? "" : mended) + "premultiply=inplace=1";
        }
        return steps;
    }

    /** What becomes of an opaque point's alpha and of an empty one's. */
    private static float[] measured() throws IOException {
        Process ffmpeg = new ProcessBuilder(List.of("ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin", "-f", "rawvideo", "-pix_fmt", "rgba64be",
                "-video_size", "2x2", "-i", "-", "-vf", "format=gbrap16le," + LINEAR + ",format=gbrapf32le", "-f", "rawvideo", "-"))
                .redirectError(ProcessBuilder.Redirect.DISCARD).start();
        try (OutputStream to = ffmpeg.getOutputStream()) {
            ByteBuffer points = ByteBuffer.allocate(2 * 2 * 8);
            for (int row = 0; row < 2; row++) {
                points.putShort((short) 0).putShort((short) 0).putShort((short) 0).putShort((short) 0xFFFF).putLong(0);
            }
            to.write(points.array());
        }
        try (InputStream from = ffmpeg.getInputStream()) {
            byte[] planes = from.readAllBytes();
            int alpha = 3 * 4 * Float.BYTES;
            if (planes.length < alpha + 2 * Float.BYTES) {
                throw new IOException("ffmpeg cannot write pictures in linear light: install one with zscale");
            }
            ByteBuffer read = ByteBuffer.wrap(planes).order(ByteOrder.LITTLE_ENDIAN);
            return new float[] {read.getFloat(alpha), read.getFloat(alpha + Float.BYTES)};
        } finally {
            ffmpeg.destroyForcibly();
        }
    }
}
