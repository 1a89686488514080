package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameNumbers;
import freshsplice.core.render.Output;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.core.sound.SourceChannels;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Every kind of file, read by ffprobe and ffmpeg. */
class OutputsTest {
    private static final int W = 320;
    private static final int H = 180;
    private static final long FRAMES = 24;
    private static final FrameLook LOOK = new FrameLook(W, H, 100, FrameLook.Edges.PLAIN, 0, 8, false, 0);
    private static final FileNames NAMES = new FileNames("Low Water", "sc12", new RenderName("sh0030", 2), Grade.DRAFT, "cam", "Review");
    private static final RenderRange RANGE = new RenderRange(Rational.of(993), Rational.ONE, FRAMES);

    @TempDir
    Path folder;
    private Path frames;
    private Path to;

    @BeforeEach
    void folders() throws IOException {
        frames = Files.createDirectories(folder.resolve("frames"));
        to = Files.createDirectories(folder.resolve("to"));
    }

    /** Frames that tell their number: the brightness of frame k is 20 + 9·k; with 16 bits a ramp of 1/65535 in their first row. */
    private void draw(boolean alpha, boolean deep) throws IOException {
        for (int k = 0; k < FRAMES; k++) {
            Pixels pixels = new Pixels(W, H, alpha, deep);
            for (int i = 0; i < W * H; i++) {
                for (int c = 0; c < (alpha ? 4 : 3); c++) {
                    int value = c == 3 ? (i % W < W / 2 ? 0xFFFF : 0) : deep && i < W ? 20_000 + i : (20 + 9 * k) * 257;
                    if (deep) {
                        pixels.bytes()[(i * (alpha ? 4 : 3) + c) * 2] = (byte) (value >> 8);
                        pixels.bytes()[(i * (alpha ? 4 : 3) + c) * 2 + 1] = (byte) value;
                    } else {
                        pixels.bytes()[i * (alpha ? 4 : 3) + c] = (byte) (value >> 8);
                    }
                }
            }
            FrameFile.write(frames.resolve(FrameFile.name(k)), pixels);
        }
    }

    /** A recipe of pictures alone may have any size; the movie that windows play beside them leaves its last row and column out. */
    @Test
    void picturesOfOddSidesHaveAMovieToLookAtToo() throws IOException {
        FrameLook odd = new FrameLook(321, 181, 100, FrameLook.Edges.PLAIN, 0, 8, false, 0);
        for (int k = 0; k < FRAMES; k++) {
            FrameFile.write(frames.resolve(FrameFile.name(k)), new Pixels(321, 181, false, false));
        }
        Recipe pictures = Recipe.of(odd, List.of(), OutputKind.PNG8);
        List<Output> outputs = List.of(Output.of(OutputKind.PNG8), Output.of(OutputKind.H264));
        OutputWriter.write(new OutputOrder(new RenderJob(NAMES, pictures, RANGE, FrameRate.FPS_24, "00:00:41:09"), outputs, List.of()), frames, to, k -> true);
        assertThat(Probe.of(to.resolve("sh0030_v002.mp4"))).satisfies(movie -> {
            assertThat(movie.frames()).isEqualTo(FRAMES);
            assertThat(List.of(movie.width(), movie.height())).containsExactly(320, 180);
        });
        assertThat(Probe.of(to.resolve("sh0030_v002.0993.png")).width()).isEqualTo(321);
    }

    private Path tone(String name, int seconds) throws IOException, InterruptedException {
        Path wav = folder.resolve(name);
        new ProcessBuilder("ffmpeg", "-v", "error", "-f", "lavfi", "-i", "sine=d=" + seconds, wav.toString()).start().waitFor();
        return wav;
    }

    private static OutputOrder order(List<Output> outputs, List<MovieSound> sound) {
        Recipe recipe = Recipe.of(LOOK, List.of(), OutputKind.H264).with(outputs);
        return new OutputOrder(new RenderJob(NAMES, recipe, RANGE, FrameRate.FPS_24, "00:00:41:09"), outputs, sound);
    }

    private List<OutputWriter.WrittenOutput> write(Output... outputs) throws IOException {
        return OutputWriter.write(order(List.of(outputs), List.of()), frames, to, k -> true);
    }

    private static Map<String, String> probe(Path file) throws IOException {
        String said = new String(ChildProcess.output(List.of("ffprobe", "-v", "error", "-count_frames", "-select_streams", "v", "-show_entries",
                "stream=codec_name,profile,width,height,pix_fmt,r_frame_rate,nb_read_frames,color_range,color_space,color_transfer,color_primaries"
                + ":stream_tags=timecode:format_tags=timecode", "-of", "default=nw=1", file.toString()), 30, 100_000, file), StandardCharsets.UTF_8);
        Map<String, String> entries = new TreeMap<>();
        said.lines().filter(l -> l.contains("=")).forEach(l -> entries.put(l.substring(0, l.indexOf('=')), l.substring(l.indexOf('=') + 1)));
        return entries;
    }

    /** Bytes of a picture as ffmpeg reads it. */
    private static byte[] pixels(Path file, String format) throws IOException {
        return ChildProcess.output(List.of("ffmpeg", "-v", "error", "-i", file.toString(), "-f", "rawvideo", "-pix_fmt", format, "-"), 30, 100_000_000, file);
    }

    @ParameterizedTest
    @EnumSource(value = OutputKind.class, names = {"H264", "PRORES", "VC3"})
    void moviesHaveTheirFramesRateColoursAndTimecode(OutputKind kind) throws IOException {
        draw(false, false);
        List<OutputWriter.WrittenOutput> written = write(Output.of(kind));
        assertThat(written).singleElement().satisfies(w -> {
            assertThat(w.file()).isEqualTo("sh0030_v002." + kind.ending());
            assertThat(w.bytes()).isEqualTo(Files.size(to.resolve(w.file())));
        });
        Map<String, String> said = probe(to.resolve("sh0030_v002." + kind.ending()));
        assertThat(said).containsEntry("width", "320").containsEntry("height", "180").containsEntry("nb_read_frames", "24")
                .containsEntry("r_frame_rate", "24/1").containsEntry("color_space", "bt709").containsEntry("TAG:timecode", "00:00:41:09");
        assertThat(said.get("codec_name")).isEqualTo(Map.of(OutputKind.H264, "h264", OutputKind.PRORES, "prores", OutputKind.VC3, "dnxhd").get(kind));
        assertThat(said.get("pix_fmt")).isEqualTo(Map.of(OutputKind.H264, "yuv420p", OutputKind.PRORES, "yuv422p10le", OutputKind.VC3, "yuv422p").get(kind));
        byte[] all = pixels(to.resolve("sh0030_v002." + kind.ending()), "gray");
        for (int k = 0; k < FRAMES; k++) {
            int middle = all[k * W * H + W * H / 2 + W / 2] & 0xFF;
            assertThat(middle).as("frame %d", k).isCloseTo(20 + 9 * k, Offset.offset(3));
        }
        assertThat(to.toFile().list()).hasSize(1);
    }

    @ParameterizedTest
    @EnumSource(value = OutputKind.class, names = {"PNG8", "PNG16", "JPEG", "TIFF", "EXR"})
    void runsAreNumberedByTheShotsFramesWithEnoughDigits(OutputKind kind) throws IOException {
        draw(false, kind.bits() == 16);
        OutputWriter.WrittenOutput written = write(Output.of(kind)).get(0);
        assertThat(written.file()).isEqualTo("sh0030_v002.0993." + kind.ending());
        assertThat(written.last()).isEqualTo("sh0030_v002.1016." + kind.ending());
        assertThat(to.toFile().list()).hasSize(24);
        for (int k : new int[] {0, 11, 23}) {
            Path file = to.resolve("sh0030_v002." + String.format("%04d", 993 + k) + "." + kind.ending());
            assertThat(Probe.of(file).width()).isEqualTo(W);
            int value = kind == OutputKind.EXR ? -1 : pixels(file, "rgb24")[(W * H / 2 + W / 2) * 3] & 0xFF;
            if (value >= 0) {
                assertThat(value).as("frame %d", k).isCloseTo(20 + 9 * k, Offset.offset(kind == OutputKind.JPEG ? 3 : kind == OutputKind.PNG16 ? 1 : 0));
            }
        }
    }

    @Test
    void sixteenBitsAreSixteenBits() throws IOException {
        draw(false, true);
        write(Output.of(OutputKind.PNG16));
        byte[] read = pixels(to.resolve("sh0030_v002.0993.png"), "rgb48be");
        for (int x = 0; x < W; x++) {
            assertThat((read[x * 6] & 0xFF) << 8 | read[x * 6 + 1] & 0xFF).as("pixel %d", x).isEqualTo(20_000 + x);
        }
    }

    /** IEC 61966-2-1: linear = ((c + 0.055) / 1.055)^2.4 above 0.04045; half floats keep eleven bits. */
    @Test
    void exrIsSceneLinear() throws IOException {
        draw(false, true);
        write(Output.of(OutputKind.EXR));
        byte[] read = pixels(to.resolve("sh0030_v002.1004.exr"), "gbrpf32le");
        float value = java.nio.ByteBuffer.wrap(read).order(java.nio.ByteOrder.LITTLE_ENDIAN).getFloat((W * H / 2 + W / 2) * 4);
        double coded = (20 + 9 * 11) / 255.0;
        double linear = Math.pow((coded + 0.055) / 1.055, 2.4);
        assertThat((double) value).isCloseTo(linear, Offset.offset(linear / 500));
    }

    /** "Technical Introduction to OpenEXR", Alpha: 1 is opaque, 0 empty, and colours are multiplied by it. */
    @Test
    @DisplayName("alpha of EXR is exactly 1 and 0, half of it is half, and linear colour is multiplied by it")
    void exrAlpha() throws IOException {
        for (int k = 0; k < FRAMES; k++) {
            Pixels pixels = new Pixels(W, H, true, true);
            for (int i = 0; i < W * H; i++) {
                int alpha = i % W < 100 ? 0xFFFF : i % W < 200 ? 0x8080 : 0;
                for (int c = 0; c < 4; c++) {
                    int value = c == 3 ? alpha : 0xC0C0;
                    pixels.bytes()[(i * 4 + c) * 2] = (byte) (value >> 8);
                    pixels.bytes()[(i * 4 + c) * 2 + 1] = (byte) value;
                }
            }
            FrameFile.write(frames.resolve(FrameFile.name(k)), pixels);
        }
        write(new Output(OutputKind.EXR, true, 80, null, true, FrameNumbers.OWN));
        java.nio.ByteBuffer read = java.nio.ByteBuffer.wrap(pixels(to.resolve("sh0030_v002.1004.exr"), "gbrapf32le")).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        double linear = Math.pow((0xC0C0 / 65535.0 + 0.055) / 1.055, 2.4);
        double half = 0x8080 / 65535.0;
        int row = W * (H / 2);
        for (int[] point : new int[][] {{50, 0xFFFF}, {150, 0x8080}, {W - 1, 0}}) {
            double alpha = point[1] / 65535.0;
            assertThat((double) read.getFloat((3 * W * H + row + point[0]) * 4)).as("alpha at %d", point[0]).isCloseTo(alpha, Offset.offset(half / 1000));
            assertThat((double) read.getFloat((row + point[0]) * 4)).as("green at %d", point[0]).isCloseTo(linear * alpha, Offset.offset(linear / 400));
        }
        assertThat(read.getFloat((3 * W * H + row + 50) * 4)).isEqualTo(1f);
        assertThat(read.getFloat((3 * W * H + row + W - 1) * 4)).isZero();
    }

    @Test
    void whatIsLeftOutIsTransparentAndBlackInMovies() throws IOException {
        draw(true, false);
        Output png = new Output(OutputKind.PNG8, true, 80, null, true, FrameNumbers.OWN);
        Output prores = new Output(OutputKind.PRORES, true, 80, null, true, FrameNumbers.OWN);
        write(png, prores, Output.of(OutputKind.H264));
        byte[] read = pixels(to.resolve("sh0030_v002.1000.png"), "rgba");
        assertThat(read[3] & 0xFF).isEqualTo(255);
        assertThat(read[(W - 1) * 4 + 3] & 0xFF).isZero();
        assertThat(probe(to.resolve("sh0030_v002.mov"))).containsEntry("pix_fmt", "yuva444p12le");
        byte[] movie = pixels(to.resolve("sh0030_v002.mp4"), "gray");
        assertThat(movie[W - 2] & 0xFF).isLessThan(3);
        assertThat(movie[2] & 0xFF).isGreaterThan(15);
    }

    @Test
    void aMovieStaysBelowItsLimit() throws IOException {
        draw(false, false);
        java.util.Random random = new java.util.Random(3);
        for (int k = 0; k < FRAMES; k++) {
            Pixels noise = new Pixels(W, H, false, false);
            random.nextBytes(noise.bytes());
            FrameFile.write(frames.resolve(FrameFile.name(k)), noise);
        }
        long free = write(new Output(OutputKind.H264, true, 100, null, false, FrameNumbers.OWN)).get(0).bytes();
        long limited = write(new Output(OutputKind.H264, true, 80, 1, false, FrameNumbers.OWN)).get(0).bytes();
        assertThat(free).isGreaterThan(1_100_000);
        assertThat(limited).isBetween(500_000L, 1_000_000L);
    }

    @Test
    void soundEndsWithThePictureInEveryMovie() throws Exception {
        draw(false, false);
        Path wav = tone("tone.wav", 5);
        List<MovieSound> sound = List.of(new MovieSound(wav, Rational.ONE, Rational.of(3), Rational.of(1, 4)));
        OutputWriter.write(order(List.of(Output.of(OutputKind.H264), Output.of(OutputKind.PRORES)), sound), frames, to, k -> true);
        for (String name : new String[] {"sh0030_v002.mp4", "sh0030_v002.mov"}) {
            Probe probe = Probe.of(to.resolve(name));
            assertThat(probe.sound()).as(name).isTrue();
            assertThat(probe.seconds()).as(name).isBetween(0.99, 1.05);
        }
    }

    @Test
    @DisplayName("a clip that lies after the end of its file is silence, and the movies are as long as ever")
    void soundAfterTheEndOfItsFile() throws Exception {
        draw(false, false);
        Path wav = tone("tone.wav", 1);
        List<MovieSound> sound = List.of(new MovieSound(wav, Rational.of(3), Rational.ONE, Rational.ZERO));
        OutputWriter.write(order(List.of(Output.of(OutputKind.PRORES), Output.of(OutputKind.H264)), sound), frames, to, k -> true);
        for (String name : new String[] {"sh0030_v002.mp4", "sh0030_v002.mov"}) {
            assertThat(Probe.of(to.resolve(name)).seconds()).as(name).isBetween(0.99, 1.05);
            assertThat(loudness(to.resolve(name), "0", "1")).as(name).isLessThan(-80);
        }
    }

    @ParameterizedTest
    @EnumSource(value = OutputKind.class, names = {"H264", "PRORES", "VC3"})
    @DisplayName("every second of 47 frames, each held for two: 47 frames long with all of its sound, and frame k shows drawn frame k/2")
    void held(OutputKind kind) throws Exception {
        draw(false, false);
        Path wav = tone("tone.wav", 5);
        OutputOrder order = order(List.of(Output.of(kind)), List.of(new MovieSound(wav, Rational.ZERO, Rational.of(4), Rational.ZERO)));
        RenderJob whole = new RenderJob(order.job().names(), order.job().recipe(), new RenderRange(Rational.of(1001), Rational.of(2), FRAMES), FrameRate.FPS_24,
                "00:00:41:09", 2, 47L);
        OutputWriter.write(new OutputOrder(whole, order.outputs(), order.sound()), frames, to, k -> true);
        Path movie = to.resolve("sh0030_v002." + kind.ending());
        assertThat(probe(movie)).containsEntry("nb_read_frames", "47").containsEntry("r_frame_rate", "24/1").containsEntry("TAG:timecode", "00:00:41:09");
        assertThat(Probe.of(movie).seconds()).isBetween(47 / 24.0 - 0.05, 47 / 24.0 + 0.06);
        byte[] gray = pixels(movie, "gray");
        for (int k = 0; k < 47; k++) {
            assertThat((gray[(k * H + H / 2) * W + W / 2] & 0xFF) / 1.0).as("frame %d", k).isCloseTo(20 + 9 * (k / 2), Offset.offset(4.0));
        }
    }

    @Test
    @DisplayName("seven hundred clips of sound are mixed in parts, each where it is and as loud as it is")
    void manyClipsOfSound() throws Exception {
        draw(false, false);
        Path wav = tone("a tone with a long name, as edit rooms have them, so that all of them together are long.wav", 2);
        List<MovieSound> sound = new ArrayList<>();
        for (int i = 0; i < 700; i++) {
            // one after another over the first half second, and nothing after it
            MovieSound.Loudness loud = new MovieSound.Loudness(0.9, Rational.ZERO, Rational.of(1, 1400), Rational.ZERO, Rational.ZERO);
            sound.add(new MovieSound(wav, Rational.of(i, 1400), Rational.of(1, 1400), Rational.of(i, 1400), loud, SourceChannels.ALL));
        }
        OutputWriter.write(order(List.of(Output.of(OutputKind.PRORES)), sound), frames, to, k -> true);
        Path movie = to.resolve("sh0030_v002.mov");
        assertThat(Probe.of(movie).sound()).isTrue();
        assertThat(loudness(movie, "0", "0.5")).isBetween(-25.0, -15.0);
        assertThat(loudness(movie, "0.55", "0.4")).isLessThan(-80);
        assertThat(to.toFile().list()).containsExactly("sh0030_v002.mov");
    }

    private static double loudness(Path movie, String from, String seconds) throws Exception {
        Process process = new ProcessBuilder("ffmpeg", "-hide_banner", "-nostdin", "-ss", from, "-t", seconds, "-i", movie.toString(), "-vn", "-af", "volumedetect",
                "-f", "null", "-").redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        java.util.regex.Matcher mean = java.util.regex.Pattern.compile("mean_volume: (-?[\\d.]+) dB").matcher(said);
        assertThat(mean.find()).as(said).isTrue();
        return Double.parseDouble(mean.group(1));
    }

    @Test
    void whatIsGivenUpOrDiesLeavesNothing() throws IOException {
        draw(false, false);
        assertThat(OutputWriter.write(order(List.of(Output.of(OutputKind.H264)), List.of()), frames, to, k -> k < 5)).isNull();
        assertThat(to).isEmptyDirectory();
        MovieSound missing = new MovieSound(folder.resolve("none.wav"), Rational.ZERO, Rational.ONE, Rational.ZERO);
        assertThatThrownBy(() -> OutputWriter.write(order(List.of(Output.of(OutputKind.H264)), List.of(missing)), frames, to, k -> true))
                .isInstanceOf(IOException.class).hasMessageContaining("ffmpeg stopped").hasMessageContaining("none.wav");
        assertThat(to).isEmptyDirectory();
        Files.delete(frames.resolve(FrameFile.name(20)));
        assertThatThrownBy(() -> write(Output.of(OutputKind.PNG8))).isInstanceOf(IOException.class).hasMessageContaining("The kept frame 20 cannot be read: it is not there");
        assertThat(to).isEmptyDirectory();
    }

    @Test
    @DisplayName("frames so small that all are held back until the end: where ffmpeg is gone by then its own words are the reason")
    void smallFramesTellTheReasonToo() throws IOException {
        FrameLook small = new FrameLook(64, 36, 100, FrameLook.Edges.PLAIN, 0, 8, false, 0);
        for (int k = 0; k < FRAMES; k++) {
            FrameFile.write(frames.resolve(FrameFile.name(k)), new Pixels(64, 36, false, false));
        }
        RenderJob job = new RenderJob(NAMES, Recipe.of(small, List.of(), OutputKind.H264), RANGE, FrameRate.FPS_24, "00:00:41:09");
        MovieSound missing = new MovieSound(folder.resolve("none.wav"), Rational.ZERO, Rational.ONE, Rational.ZERO);
        assertThatThrownBy(() -> OutputWriter.write(new OutputOrder(job, List.of(Output.of(OutputKind.H264)), List.of(missing)), frames, to, k -> true))
                .isInstanceOf(IOException.class).hasMessageContaining("ffmpeg stopped").hasMessageContaining("none.wav");
    }

    @Test
    void anHourDoesNotFitIntoAMegabyte() {
        Output limited = new Output(OutputKind.H264, true, 80, 1, false, FrameNumbers.OWN);
        RenderJob hour = new RenderJob(order(List.of(limited), List.of()).job().names(), order(List.of(limited), List.of()).job().recipe(),
                RANGE.part(0, 86_400), FrameRate.FPS_24, "00:00:41:09");
        assertThatThrownBy(() -> OutputCommand.passes(new OutputOrder(hour, List.of(limited), List.of()), new Pixels(16, 16, false, false), 1, to))
                .isInstanceOf(Refusal.class).hasMessage("3600 s of movie do not fit into 1 MB: allow more, or divide it");
    }
}
