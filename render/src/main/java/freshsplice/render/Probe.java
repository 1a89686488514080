package freshsplice.render;

import freshsplice.core.sources.FrameTimes;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What ffprobe says of a file.
 *
 * @param picture  whether it has pictures
 * @param sound    whether it has sound
 * @param width    pixels, 0 without pictures
 * @param height   pixels, 0 without pictures
 * @param rate     frames per second that it is counted at, null without or for a still
 * @param frames   how many at that rate, 1 for a still, 0 where it is not told
 * @param seconds  length, 0 for a still
 * @param timecode label of its first frame, null where it has none
 * @param reel     name of its tape or card, null where it has none
 * @param codec    how its pictures are coded, by ffmpeg's name; empty without pictures
 * @param times    when its pictures come; null where they come evenly at the rate that the file names
 */
public record Probe(boolean picture, boolean sound, int width, int height, FrameRate rate, long frames,
                    double seconds, String timecode, String reel, String codec, FrameTimes times) {
    /** From this share on the two rates that a file names are no rounding of one. */
    private static final double OTHER = 2e-5;

    /** A still, or sound. */
    public Probe(boolean picture, boolean sound, int width, int height, long frames, double seconds, String timecode, String reel) {
        this(picture, sound, width, height, null, frames, seconds, timecode, reel, "", null);
    }

    private static final String PROGRAM = "ffprobe";
    /** Seconds after which a file is given up: those that can be read at all take a tenth of one. */
    private static final int PATIENCE = 20;
    private static final int MOST_WORDS = 4_000_000;
    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** Containers that hold pictures or sound themselves. Play lists and text, which could name other files, do not. */
    private static final Set<String> CONTAINERS = Set.of("image2", "png_pipe", "jpeg_pipe", "tiff_pipe", "psd_pipe",
            "exr_pipe", "dpx_pipe", "bmp_pipe", "webp_pipe", "gif", "gif_pipe", "mov", "matroska", "webm", "avi", "mxf",
            "wav", "w64", "aiff", "mp3", "flac", "ogg", "aac", "mpeg", "mpegts", "apng");

    /** @throws IOException if ffprobe cannot be started or cannot read the file; the message says which */
    public static Probe of(Path file) throws IOException {
        return of(file, PROGRAM);
    }

    /** @param program what is run in ffprobe's place */
    static Probe of(Path file, String program) throws IOException {
        JsonNode said;
        try {
            said = JSON.readTree(new String(ChildProcess.output(List.of(program, "-v", "error", "-protocol_whitelist", "file",
                    "-show_streams", "-show_format", "-of", "json", file.toAbsolutePath().toString()), PATIENCE, MOST_WORDS,
                    file), StandardCharsets.UTF_8));
        } catch (JacksonException e) {
            throw new IOException(file.getFileName() + " is no picture and no sound that can be read", e);
        }
        String container = said.path("format").path("format_name").asString("").split(",")[0];
        if (!said.path("streams").isArray() || said.path("streams").isEmpty() || !CONTAINERS.contains(container)) {
            throw new IOException(file.getFileName() + " is no picture and no sound that can be read");
        }
        return read(said, file);
    }

    private static Probe read(JsonNode said, Path file) throws IOException {
        JsonNode video = null;
        boolean sound = false;
        String timecode = said.path("format").path("tags").path("timecode").asString(null);
        String reel = said.path("format").path("tags").path("reel_name").asString(null);
        for (JsonNode stream : said.path("streams")) {
            String kind = stream.path("codec_type").asString("");
            video = video == null && kind.equals("video") ? stream : video;
            sound |= kind.equals("audio");
            timecode = timecode == null ? stream.path("tags").path("timecode").asString(null) : timecode;
            reel = reel == null ? stream.path("tags").path("reel_name").asString(null) : reel;
        }
        double seconds = number(said.path("format").path("duration"));
        if (video == null) {
            return new Probe(false, sound, 0, 0, 0, seconds, timecode, reel);
        }
        long frames = (long) number(video.path("nb_frames"));
        FrameRate rate = frames > 1 || seconds > 0.2 ? rate(video.path("r_frame_rate").asString("0/0")) : null;
        if (video.path("width").asInt(0) <= 0) {
            throw new IOException(file.getFileName() + " is called a picture and holds none: it is damaged or something else");
        }
        FrameTimes times = rate == null ? null : times(video, file, rate, number(said.path("format").path("start_time")));
        int width = video.path("width").asInt(0);
        int height = video.path("height").asInt(0);
        boolean turned = isTurned(video);
        return new Probe(true, sound, turned ? height : width, turned ? width : height, times == null ? rate : times.rate(),
                rate == null ? 1 : times != null ? times.frames() : frames > 0 ? frames : Math.round(seconds * rate.fps().toDouble()),
                rate == null ? 0 : seconds, timecode, reel, video.path("codec_name").asString(""), times);
    }

    /** Telephones note how their pictures are to be turned: they are shown so. */
    private static boolean isTurned(JsonNode video) {
        for (JsonNode side : video.path("side_data_list")) {
            if (Math.abs(side.path("rotation").asInt(0)) % 180 == 90) {
                return true;
            }
        }
        return false;
    }

    /**
     * When pictures come, where the file does not say that they come evenly: the least rate that all its times fit and the mean of
     * them are one then.
     */
    private static FrameTimes times(JsonNode video, Path file, FrameRate told, double begins) throws IOException {
        FrameRate mean = rate(video.path("avg_frame_rate").asString("0/0"));
        if (mean == null || Math.abs(mean.fps().toDouble() / told.fps().toDouble() - 1) < OTHER) {
            return null;
        }
        boolean fields = Math.abs(told.fps().toDouble() / mean.fps().toDouble() - 2) < 0.1
                && !Set.of("progressive", "unknown", "").contains(video.path("field_order").asString(""));
        FrameTimes times = MovieTimes.read(file, fields, begins, told);
        return times != null && times.isEven() && times.rate().equals(told) ? null : times;
    }

    private static double number(JsonNode node) {
        try {
            return Double.parseDouble(node.asString("0"));
        } catch (NumberFormatException e) {
            return 0;
        }
    }

    private static FrameRate rate(String text) {
        try {
            return new FrameRate(Rational.parse(text));
        } catch (IllegalArgumentException e) {
            return null;
        }
    }
}
