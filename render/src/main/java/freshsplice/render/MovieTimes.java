package freshsplice.render;

import freshsplice.core.sources.FrameTimes;
import freshsplice.core.sources.MediaKind;
import freshsplice.core.time.FrameRate;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** When the pictures of movies come: looked up once for each file, and only where the file does not say that they come evenly. */
public final class MovieTimes {
    private static final int PATIENCE = 120;
    private static final int MOST_WORDS = 64_000_000;
    private static final int MOST = 512;
    private static final MovieTimes PLAIN = new MovieTimes(null);

    /** A file as it was looked at. */
    private record Looked(Path file, long bytes, FileTime changed) {
    }

    private static final Map<Looked, MovieTimes> KNOWN = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Looked, MovieTimes> eldest) {
            return size() > MOST;
        }
    });

    /** Null where pictures come evenly at the file's own rate. */
    private final FrameTimes table;

    private MovieTimes(FrameTimes table) {
        this.table = table;
    }

    /** Of a file that cannot be looked at, and of a still, pictures are taken to come evenly: who reads it says what is wrong. */
    public static MovieTimes of(Path file) {
        try {
            return MediaKind.of(file.getFileName().toString()) == MediaKind.STILL ? PLAIN : looked(file);
        } catch (IOException e) {
            return PLAIN;
        }
    }

    private static MovieTimes looked(Path file) throws IOException {
        Looked now = new Looked(file.toAbsolutePath(), Files.size(file), Files.getLastModifiedTime(file));
        MovieTimes known = KNOWN.get(now);
        if (known == null) {
            known = new MovieTimes(Probe.of(file).times());
            KNOWN.put(now, known);
        }
        return known;
    }

    /** Which of its pictures, from 0, a frame shows. */
    long pictureAt(long frame) {
        return table == null ? frame : table.pictureAt(frame);
    }

    /**
     * Where reading must begin for a picture to be the first that is read, in seconds.
     *
     * @param rate frames/s at which the movie is counted
     */
    double before(long picture, FrameRate rate) {
        // half a frame early: what begins before the time asked for is passed over, and rounding never shows its neighbour
        return table != null ? table.before(picture) : Math.max(0, (picture - 0.5) / rate.fps().toDouble());
    }

    /** Where reading must begin for a frame to be shown first, as ffmpeg takes it. @param rate at which the movie is counted */
    public String seek(long frame, FrameRate rate) {
        return String.format(Locale.ROOT, "%.6f", before(pictureAt(frame), rate));
    }

    /** The filter by which ffmpeg gives each frame once, in order. @param rate at which the movie is counted */
    public static String eachFrame(FrameRate rate) {
        return "fps=" + rate.fps().num() + "/" + rate.fps().den() + ":start_time=0";
    }

    /** Whether pictures come evenly at the rate that the file names. */
    public boolean isPlain() {
        return table == null;
    }

    /**
     * Reads when pictures come.
     *
     * @param fields whether each picture may be coded as two fields: packets are no pictures then, so all are decoded
     * @param begins seconds at which the file begins
     * @return null where it tells no times
     */
    static FrameTimes read(Path file, boolean fields, double begins, FrameRate told) throws IOException {
        String what = fields ? "frame=best_effort_timestamp_time,duration_time" : "packet=pts_time,duration_time,flags";
        List<String> command = new ArrayList<>(List.of("ffprobe", "-v", "error", "-protocol_whitelist", "file", "-select_streams", "v:0",
                "-show_entries", what, "-of", "csv=p=0", file.toAbsolutePath().toString()));
        String said = new String(ChildProcess.output(command, PATIENCE, MOST_WORDS, file), StandardCharsets.US_ASCII);
        double[] shown = new double[(int) said.chars().filter(c -> c == '\n').count() + 1];
        int count = 0;
        double end = 0;
        for (String line : (Iterable<String>) said.lines()::iterator) {
            String[] parts = line.split(",");
            boolean kept = parts.length > 0 && !(parts.length > 2 && parts[2].contains("D"));
            double at = kept ? number(parts[0]) : Double.NaN;
            if (!Double.isNaN(at)) {
                shown[count++] = at - begins;
                double lasts = parts.length > 1 ? number(parts[1]) : Double.NaN;
                end = Math.max(end, at - begins + (Double.isNaN(lasts) ? 0 : lasts));
            }
        }
        return count == 0 ? null : FrameTimes.of(Arrays.copyOf(shown, count), end, told);
    }

    private static double number(String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }
}
