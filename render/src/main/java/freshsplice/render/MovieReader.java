package freshsplice.render;

import freshsplice.core.time.FrameRate;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;

/**
 * Frames of a movie as red, green and blue bytes, rows from the top, at another size where asked. Meant for frames that
 * are asked for in rising order: it reads on, and begins anew when asked for an earlier one or one far ahead.
 */
public final class MovieReader implements AutoCloseable {
    /** Reading over this many frames is quicker than beginning anew. */
    private static final long READ_OVER = 240;

    /** Seconds that a movie's end may take. */
    private static final int PATIENCE = 20;

    private final Path file;
    private final int width;
    private final int height;
    private final FrameRate rate;
    private final byte[] picture;
    private Process ffmpeg;
    private InputStream frames;
    private long next = -1;

    public MovieReader(Path file, int width, int height, FrameRate rate) {
        this.file = file;
        this.width = width;
        this.height = height;
        this.rate = rate;
        this.picture = new byte[width * height * 3];
    }

    /**
     * @param frame from 0 on
     * @return its picture, which the next call writes over; black beyond the movie's end
     * @throws IOException if the movie cannot be read
     */
    public byte[] frame(long frame) throws IOException {
        if (frame == next - 1) {
            return picture;
        }
        if (ffmpeg == null || frame < next || frame > next + READ_OVER) {
            begin(frame);
        }
        while (next <= frame) {
            int read = frames.readNBytes(picture, 0, picture.length);
            if (read < picture.length) {
                checkEnded();
                Arrays.fill(picture, (byte) 0);
            }
            next++;
        }
        return picture;
    }

    /** Black beyond the end is as it should be; black because the movie cannot be read is not. */
    private void checkEnded() throws IOException {
        try {
            if (!ffmpeg.waitFor(PATIENCE, TimeUnit.SECONDS) || ffmpeg.exitValue() != 0) {
                throw new IOException("The movie " + file.getFileName() + " cannot be read: it is damaged, or not in its place "
                        + "any more. Render it again, then this");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while reading " + file.getFileName(), e);
        }
    }

    private void begin(long frame) throws IOException {
        close();
        // half a frame early: seeking passes over what begins before the time asked for. Frames go through as they come,
        // else the first one is doubled to fill that half
        double from = Math.max(0, rate.seconds(frame).toDouble() - rate.seconds(1).toDouble() / 2);
        // scene-linear pictures are seen as all others are
        List<String> linear = file.toString().toLowerCase(Locale.ROOT).endsWith(".exr") ? List.of("-apply_trc", "iec61966_2_1") : List.of();
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin", "-xerror", "-ss",
                String.format(Locale.ROOT, "%.6f", from)));
        command.addAll(linear);
        command.addAll(List.of("-i", file.toAbsolutePath().toString(), "-an", "-vf",
                "scale=" + width + ":" + height + ":flags=bicubic", "-fps_mode", "passthrough", "-f", "rawvideo", "-pix_fmt", "rgb24", "-"));
        ffmpeg = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        frames = new BufferedInputStream(ffmpeg.getInputStream(), picture.length);
        next = frame;
    }

    @Override
    public void close() {
        if (ffmpeg != null) {
            ffmpeg.destroyForcibly();
            ffmpeg = null;
        }
    }
}
