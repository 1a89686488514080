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
    private final String first;
    private final byte[] picture;
    private Process ffmpeg;
    private InputStream frames;
    private MovieTimes times;
    /** Of its pictures, from 0. */
    private long next = -1;

    public MovieReader(Path file, int width, int height, FrameRate rate) {
        this(file, width, height, rate, "");
    }

    /** Of a part of the pictures alone, at the size at which it is laid. */
    MovieReader(Path file, BoardPart part, FrameRate rate) {
        this(file, part.at().wide(), part.at().high(), rate, part.filter() + ",");
    }

    /** @param first filters before pictures are scaled, each with a comma after it */
    private MovieReader(Path file, int width, int height, FrameRate rate, String first) {
        this.file = file;
        this.first = first;
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
        times = times == null ? MovieTimes.of(file) : times;
        long wanted = times.pictureAt(frame);
        if (wanted == next - 1) {
            return picture;
        }
        if (ffmpeg == null || wanted < next || wanted > next + READ_OVER) {
            begin(wanted);
        }
        while (next <= wanted) {
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

    private void begin(long wanted) throws IOException {
        close();
        // pictures go through as they come, else the first one is doubled to fill the time before it
        double from = times.before(wanted, rate);
        // scene-linear pictures are seen as all others are
        List<String> linear = file.toString().toLowerCase(Locale.ROOT).endsWith(".exr") ? List.of("-apply_trc", "iec61966_2_1") : List.of();
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin", "-xerror", "-ss",
                String.format(Locale.ROOT, "%.6f", from)));
        command.addAll(linear);
        command.addAll(List.of("-i", file.toAbsolutePath().toString(), "-an", "-vf",
                first + "scale=" + width + ":" + height + ":flags=bicubic", "-fps_mode", "passthrough", "-f", "rawvideo", "-pix_fmt", "rgb24", "-"));
        ffmpeg = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        frames = new BufferedInputStream(ffmpeg.getInputStream(), picture.length);
        next = wanted;
    }

    @Override
    public void close() {
        if (ffmpeg != null) {
            ffmpeg.destroyForcibly();
            ffmpeg = null;
        }
    }
}
