package freshsplice.render;

import freshsplice.core.sound.SourceChannels;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;

/**
 * Writes an H.264 movie through ffmpeg, frame by frame. The file appears under its name only when it is whole; until
 * then it is called {@code NAME.part}, and a movie that is given up leaves nothing.
 */
public final class MovieWriter implements AutoCloseable {
    /** Sound is written at so many samples/s, as video delivery commonly is (common practice). */
    private static final int SAMPLES = 48_000;

    private final Path target;
    private final Path part;
    private final Path log;
    private final Process ffmpeg;
    private final OutputStream frames;
    private boolean finished;

    /**
     * @param target    the file, ending in .mp4
     * @param timecode  label of the first frame, written into the file
     * @param sound     what is heard; may be empty
     * @param frameCount how many frames will come, so that sound ends with the picture
     * @throws IOException if ffmpeg cannot be started
     */
    public MovieWriter(Path target, int width, int height, FrameRate rate, String timecode, List<MovieSound> sound,
                       long frameCount) throws IOException {
        this.target = target;
        this.part = target.resolveSibling(target.getFileName() + ".part");
        this.log = target.resolveSibling(target.getFileName() + ".log");
        List<String> command = command(width, height, rate, timecode, sound, frameCount);
        try {
            ffmpeg = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile()).start();
        } catch (IOException e) {
            throw new IOException("ffmpeg cannot be started, so no movie can be written: install ffmpeg", e);
        }
        frames = new BufferedOutputStream(ffmpeg.getOutputStream(), width * height * 3);
    }

    private List<String> command(int width, int height, FrameRate rate, String timecode, List<MovieSound> sound,
                                 long frameCount) {
        Rational length = rate.seconds(frameCount);
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin", "-y",
                "-f", "rawvideo", "-pix_fmt", "rgb24", "-video_size", width + "x" + height,
                "-framerate", rate.toString(), "-i", "-"));
        for (MovieSound piece : sound) {
            command.addAll(List.of("-ss", seconds(piece.from()), "-t", seconds(piece.seconds()), "-i",
                    piece.file().toAbsolutePath().toString()));
        }
        command.addAll(List.of("-filter_complex", filters(sound, length), "-map", "[v]"));
        if (!sound.isEmpty()) {
            command.addAll(List.of("-map", "[a]", "-c:a", "aac", "-b:a", "160k"));
        }
        command.addAll(List.of("-c:v", "libx264", "-preset", "veryfast", "-crf", "18", "-pix_fmt", "yuv420p",
                "-color_primaries", "bt709", "-color_trc", "bt709", "-colorspace", "bt709", "-color_range", "tv",
                "-timecode", timecode, "-movflags", "+faststart", "-f", "mp4",
                part.toAbsolutePath().toString()));
        return command;
    }

    private static String filters(List<MovieSound> sound, Rational length) {
        StringBuilder filters = new StringBuilder("[0:v]scale=out_color_matrix=bt709:out_range=tv,format=yuv420p[v]");
        for (int i = 0; i < sound.size(); i++) {
            filters.append(String.format(Locale.ROOT,
                    ";[%d:a]aresample=%d,%s%s,adelay=%dS:all=1[s%d]", i + 1, SAMPLES, channels(sound.get(i).channel()),
                    volume(sound.get(i).loud()), sound.get(i).at().times(SAMPLES).round(), i));
        }
        if (!sound.isEmpty()) {
            filters.append(';');
            for (int i = 0; i < sound.size(); i++) {
                filters.append("[s").append(i).append(']');
            }
            filters.append(String.format(Locale.ROOT, "amix=inputs=%d:normalize=0,apad,atrim=0:%s[a]", sound.size(),
                    seconds(length)));
        }
        return filters.toString();
    }

    /** Sound of one channel is heard on both sides as loud as it was recorded, and so is a channel on its own side. */
    private static String channels(int channel) {
        String both = "pan=stereo|FL<FL+FC|FR<FR+FC";
        if (channel == SourceChannels.ALL) {
            return both;
        }
        int side = SourceChannels.isLeft(channel) ? 0 : 1;
        return channel > 2 ? "pan=stereo|c" + side + "=c" + (channel - 1) : both + ",pan=stereo|c" + side + "=c" + side;
    }

    private static String volume(MovieSound.Loudness loud) {
        if (loud.equals(MovieSound.Loudness.PLAIN)) {
            return "";
        }
        StringBuilder volume = new StringBuilder(String.format(Locale.ROOT, "%.6f", loud.gain()));
        if (loud.fadeIn().signum() > 0) {
            volume.append(String.format(Locale.ROOT, "*min(1\\,(t+%s)/%s)", seconds(loud.gone()), seconds(loud.fadeIn())));
        }
        if (loud.fadeOut().signum() > 0) {
            volume.append(String.format(Locale.ROOT, "*max(0\\,min(1\\,(%s-t)/%s))", seconds(loud.whole().minus(loud.gone())),
                    seconds(loud.fadeOut())));
        }
        return ",asetpts=PTS-STARTPTS,volume='" + volume + "':eval=frame";
    }

    /** To the microsecond, as ffmpeg counts. */
    private static String seconds(Rational value) {
        return BigDecimal.valueOf(value.times(1_000_000).round(), 6).toPlainString();
    }

    /**
     * Adds a frame of red, green and blue bytes, rows from the top.
     *
     * @throws IOException if ffmpeg has died; the message says why
     */
    public void frame(byte[] picture) throws IOException {
        try {
            frames.write(picture);
        } catch (IOException e) {
            throw new IOException(reason(), e);
        }
    }

    /** Ends the movie and gives it its name. */
    public void finish() throws IOException {
        try {
            frames.close();
            if (!ffmpeg.waitFor(5, TimeUnit.MINUTES) || ffmpeg.exitValue() != 0) {
                throw new IOException(reason());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while the movie was being written", e);
        }
        Files.move(part, target, StandardCopyOption.ATOMIC_MOVE);
        finished = true;
    }

    private String reason() {
        try {
            ffmpeg.waitFor(2, TimeUnit.SECONDS);
            String said = Files.readString(log, StandardCharsets.UTF_8).strip();
            String last = said.substring(said.lastIndexOf('\n') + 1);
            boolean full = said.contains("No space left");
            return full ? "The disk is full: free some space, then render again"
                    : "ffmpeg stopped" + (last.isEmpty() ? "" : ": " + last);
        } catch (IOException e) {
            return "ffmpeg stopped";
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "ffmpeg stopped";
        }
    }

    /** Gives the movie up if it was not finished. */
    @Override
    public void close() throws IOException {
        if (!finished) {
            ffmpeg.destroyForcibly();
            try {
                frames.close();
            } catch (IOException e) {
                // the pipe ends with the process
            }
            Files.deleteIfExists(part);
        }
        Files.deleteIfExists(log);
    }
}
