package freshsplice.render;

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
 * @param rate     frames per second, null without or for a still
 * @param frames   how many, 1 for a still, 0 where it is not told
 * @param seconds  length, 0 for a still
 * @param timecode label of its first frame, null where it has none
 * @param reel     name of its tape or card, null where it has none
 */
public record Probe(boolean picture, boolean sound, int width, int height, FrameRate rate, long frames,
                    double seconds, String timecode, String reel) {
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
        return read(said, file.getFileName().toString());
    }

    private static Probe read(JsonNode said, String name) throws IOException {
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
            return new Probe(false, sound, 0, 0, null, 0, seconds, timecode, reel);
        }
        long frames = (long) number(video.path("nb_frames"));
        FrameRate rate = frames > 1 || seconds > 0.2 ? rate(video.path("r_frame_rate").asString("0/0")) : null;
        if (video.path("width").asInt(0) <= 0) {
            throw new IOException(name + " is called a picture and holds none: it is damaged or something else");
        }
        return new Probe(true, sound, video.path("width").asInt(0), video.path("height").asInt(0), rate,
                rate == null ? 1 : frames > 0 ? frames : Math.round(seconds * rate.fps().toDouble()),
                rate == null ? 0 : seconds, timecode, reel);
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
