package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRate;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A recording that left out pictures 20 to 29 and 55: counted, sought, read on and split into pictures it shows the same. */
class MovieTimesTest {
    private static final int SIDE = 32;
    private static final int ALL = 80;

    @TempDir
    Path folder;
    private Path movie;

    @BeforeEach
    void record() throws Exception {
        movie = folder.resolve("recording.mp4");
        run(List.of("ffmpeg", "-v", "error", "-f", "rawvideo", "-pix_fmt", "rgb24", "-s", SIDE + "x" + SIDE, "-r", "30", "-i", "-", "-vf",
                "select='not(between(n,20,29)+eq(n,55))'", "-fps_mode", "vfr", "-c:v", "libx264", "-qp", "1", "-g", "12", "-bf", "2", "-y",
                movie.toString()), true);
    }

    private void run(List<String> command, boolean pictures) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        try (OutputStream to = process.getOutputStream()) {
            for (int i = 0; pictures && i < ALL; i++) {
                byte[] picture = new byte[SIDE * SIDE * 3];
                Arrays.fill(picture, (byte) (10 + 3 * i));
                to.write(picture);
            }
        }
        assertThat(process.waitFor()).isZero();
    }

    /** Which of the pictures that were recorded one is. */
    private static long picture(byte[] rgb) {
        return Math.round(((rgb[SIDE * SIDE * 3 / 2] & 0xFF) - 10) / 3.0);
    }

    private static List<Long> expected() {
        return LongStream.range(0, ALL).map(i -> i >= 20 && i < 30 ? 19 : i == 55 ? 54 : i).boxed().toList();
    }

    @Test
    void countedSoughtAndReadOn() throws IOException {
        Probe probe = Probe.of(movie);
        assertThat(probe.rate()).isEqualTo(FrameRate.FPS_30);
        assertThat(probe.frames()).isEqualTo(ALL);
        List<Long> on = new ArrayList<>();
        try (MovieReader reader = new MovieReader(movie, SIDE, SIDE, probe.rate())) {
            for (long n = 0; n < ALL; n++) {
                on.add(picture(reader.frame(n)));
            }
        }
        assertThat(on).isEqualTo(expected());
        Random random = new Random(3);
        try (MovieReader reader = new MovieReader(movie, SIDE, SIDE, probe.rate())) {
            for (int k = 0; k < 25; k++) {
                int n = random.nextInt(ALL);
                assertThat(picture(reader.frame(n))).as("frame " + n).isEqualTo(expected().get(n));
            }
        }
        try (MovieReader reader = new MovieReader(movie, SIDE, SIDE, probe.rate())) {
            assertThat(reader.frame(ALL)).as("beyond the end").containsOnly(0);
        }
    }

    @Test
    void splitIntoPictures() throws Exception {
        run(List.of("ffmpeg", "-v", "error", "-i", movie.toString(), "-fps_mode", "passthrough", "-vf", MovieTimes.eachFrame(FrameRate.FPS_30),
                folder.resolve("%d.ppm").toString()), false);
        for (int n : new int[] {0, 19, 20, 29, 30, 54, 55, 56, ALL - 1}) {
            assertThat(written(n)).as("frame " + n).isEqualTo(expected().get(n));
        }
        assertThat(folder.resolve(ALL + 1 + ".ppm")).doesNotExist();
    }

    private long written(int n) throws IOException {
        byte[] bytes = Files.readAllBytes(folder.resolve(n + 1 + ".ppm"));
        return picture(Arrays.copyOfRange(bytes, bytes.length - SIDE * SIDE * 3, bytes.length));
    }

    @Test
    void aMovieThatGoesEvenlyIsAsItWas() throws Exception {
        Path even = folder.resolve("even.mov");
        run(List.of("ffmpeg", "-v", "error", "-f", "rawvideo", "-pix_fmt", "rgb24", "-s", SIDE + "x" + SIDE, "-r", "24000/1001", "-i", "-", "-c:v", "prores_ks",
                even.toString()), true);
        Probe probe = Probe.of(even);
        assertThat(probe.times()).isNull();
        assertThat(probe.rate()).isEqualTo(FrameRate.FPS_23_976);
        assertThat(probe.codec()).isEqualTo("prores");
        assertThat(MovieTimes.of(even).isPlain()).isTrue();
    }

    /** Telephones note how their pictures are to be turned. */
    @Test
    void aTurnedMovieIsAsHighAsItIsSeen() throws Exception {
        Path wide = folder.resolve("wide.mp4");
        run(List.of("ffmpeg", "-v", "error", "-f", "lavfi", "-i", "testsrc=size=64x48:rate=25:duration=1", "-c:v", "libx264", wide.toString()), false);
        Path turned = folder.resolve("turned.mp4");
        run(List.of("ffmpeg", "-v", "error", "-i", wide.toString(), "-metadata:s:v:0", "rotate=90", "-c", "copy", turned.toString()), false);
        Probe probe = Probe.of(turned);
        assertThat(List.of(probe.width(), probe.height())).containsExactly(48, 64);
    }
}
