package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.board.BoardFit;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.render.BurnIn;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Mesh;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class KeptFramesTest {
    @TempDir
    Path folder;

    @Test
    void aFrameIsReadAsItWasWritten() throws IOException {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            Pixels pixels = new Pixels(1 + random.nextInt(300), 1 + random.nextInt(200), random.nextBoolean(), random.nextBoolean());
            random.nextBytes(pixels.bytes());
            Path file = folder.resolve(FrameFile.name(seed));
            FrameFile.write(file, pixels);
            Pixels read = FrameFile.read(file);
            assertThat(read.isLike(pixels)).isTrue();
            assertThat(read.bytes()).isEqualTo(pixels.bytes());
        }
        assertThat(folder.toFile().list()).allMatch(n -> n.endsWith(FrameFile.ENDING));
    }

    @Test
    @DisplayName("several may write one file beside one another: each time it is whole, and nothing is left beside it")
    void writtenBesideOneAnother() throws Exception {
        Path file = folder.resolve("both");
        List<Thread> writers = IntStream.range(0, 4).mapToObj(i -> new Thread(() -> {
            for (int k = 0; k < 25; k++) {
                byte[] own = new byte[20_000];
                Arrays.fill(own, (byte) i);
                try {
                    WholeFile.write(file, out -> out.write(own));
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            }
        })).toList();
        writers.forEach(Thread::start);
        for (Thread writer : writers) {
            writer.join();
        }
        byte[] last = Files.readAllBytes(file);
        assertThat(last).hasSize(20_000).containsOnly(last[0]);
        assertThat(folder.toFile().list()).containsExactly("both");
        assertThatThrownBy(() -> WholeFile.write(file, out -> {
            throw new IOException("full");
        })).hasMessage("full");
        assertThat(Files.readAllBytes(file)).isEqualTo(last);
        assertThat(folder.toFile().list()).containsExactly("both");
    }

    @Test
    void whatIsCutOffOrChangedIsNoFrame() throws IOException {
        Pixels pixels = new Pixels(64, 40, false, false);
        new Random(1).nextBytes(pixels.bytes());
        Path file = folder.resolve("a.frame");
        FrameFile.write(file, pixels);
        byte[] whole = Files.readAllBytes(file);
        for (int length : new int[] {0, 3, 12, whole.length / 2, whole.length - 1}) {
            assertThatThrownBy(() -> FrameFile.read(Files.write(file, Arrays.copyOf(whole, length)))).as("%d bytes", length)
                    .isInstanceOf(IOException.class);
        }
        byte[] changed = whole.clone();
        changed[whole.length / 2] ^= 4;
        assertThatThrownBy(() -> FrameFile.read(new ByteArrayInputStream(changed))).isInstanceOf(IOException.class);
    }

    @Test
    @DisplayName("a job of an earlier version is read, so that its frames are written again, and is not drawn from")
    void jobsOfEarlierVersions() throws IOException {
        Recipe recipe = Recipe.of(new FrameLook(64, 36, 100, FrameLook.Edges.QUICK, 0, 8, false, 0), List.of(), OutputKind.H264);
        RenderJob job = new RenderJob(new FileNames("p", "s", new RenderName("sh0010", 1), Grade.DRAFT, "", ""), recipe,
                new RenderRange(Rational.of(1001), Rational.of(1, 2), 100, List.of(new RetimeKey(Rational.ZERO, Rational.of(1001), RetimeInterpolation.EASED),
                        new RetimeKey(Rational.of(99), Rational.of(1050), RetimeInterpolation.STRAIGHT))), FrameRate.FPS_24, "00:00:00:00");
        JobFile.Contents kept = new JobFile.Contents(job, Map.of("a", new Reel(Path.of("a.mov"), FrameRate.FPS_24, "12")), List.of());
        assertThat(JobFile.read(JobFile.bytes(kept), "job")).matches(JobFile.Contents::isCurrent).extracting(JobFile.Contents::job).isEqualTo(job);
        String text = new String(JobFile.bytes(kept), StandardCharsets.UTF_8);
        assertThat(text).contains("\"form\":3,").contains(",\"sha256\":\"12\"");
        String first = text.replace("\"form\":3,", "").replace("retimeKeys", "bends").replace("interpolation", "pace").replace(",\"sha256\":\"12\"", "");
        JobFile.Contents read = JobFile.read(first.getBytes(StandardCharsets.UTF_8), "job");
        assertThat(read.job()).isEqualTo(job);
        assertThat(read.isCurrent()).isFalse();
    }

    @Test
    void ordersAreReadAsTheyWereWritten() throws IOException {
        FrameOrder.Moment moment = new FrameOrder.Moment(new float[] {1.5f, -0.1f}, new float[] {3}, new float[] {1e-9f, 7}, true, 2.5f, 0.01f);
        FrameOrder order = new FrameOrder(List.of(new FrameOrder.Layer(new FrameOrder.Source.OfSet("ab", List.of(moment, moment)), 1),
                new FrameOrder.Layer(new FrameOrder.Source.OfMovie("m", 7), 0.25), new FrameOrder.Layer(new FrameOrder.Source.OfBoard("b", 2,
                new BoardFit.Crop(0.1, 0, 0, 0), new BoardFit.Place(0, 0.5, 1, 0.25)), 0.5), new FrameOrder.Layer(
                new FrameOrder.Source.OfWords("to come"), 1), new FrameOrder.Layer(new FrameOrder.Source.Black(), 1)),
                List.of(new FrameOrder.Line(BurnIn.Corner.TOP, "sh0010")));
        Path file = folder.resolve("orders");
        OrderFile.write(file, new OrderFile.Orders(24, List.of(order)));
        OrderFile.Orders read = OrderFile.read(file);
        assertThat(read.first()).isEqualTo(24);
        assertThat(read.frames()).usingRecursiveComparison().isEqualTo(List.of(order));
        assertThatThrownBy(() -> OrderFile.read(Files.writeString(file, "none"))).isInstanceOf(IOException.class)
                .hasMessage("There is nothing to draw by in orders");
    }

    @Test
    void aSetIsReadToTheBitAndThingsThatLookAlikeShareAMesh() throws IOException {
        Item gull = new Item(1, "gull", new Geometry.Figure(Shape.GULL, "#ffffff"), 1, 1, 0.1, Map.of(ItemChannel.X,
                Channel.constant(0.1), ItemChannel.TURN, Channel.constant(33)));
        Item flying = new Item(3, "flying gull", gull.geometry(), 1, 1, 1, Map.of(ItemChannel.X, new Channel(List.of(
                new Key(0, 0, Easing.STRAIGHT), new Key(24, 5, Easing.STRAIGHT)), 0)));
        Item block = new Item(2, "block", new Geometry.Figure(Shape.BLOCK, "#ff0000"), 1, 1, 1, Map.of());
        DrawnSet set = DrawnSet.of(new Stage(List.of(gull, block, flying)));
        Path file = folder.resolve("set.glb");
        SetFile.write(file, set);
        DrawnSet read = SetFile.read(file, set.key());
        assertThat(read.meshes()).hasSize(3);
        assertThat(read.standing()).isEqualTo(set.standing());
        assertThat(read.moving()).containsExactly(2);
        assertThat(read.meshes().get(0)).isSameAs(read.meshes().get(2));
        for (int i = 0; i < 3; i++) {
            Mesh expected = set.meshes().get(i);
            Mesh mesh = read.meshes().get(i);
            assertThat(mesh.positions()).isEqualTo(expected.positions());
            assertThat(mesh.normals()).isEqualTo(expected.normals());
            assertThat(mesh.colours()).isEqualTo(expected.colours());
            assertThat(mesh.indices()).isEqualTo(expected.indices());
        }
        assertThatThrownBy(() -> SetFile.read(Files.writeString(file, "glTF"), "k")).isInstanceOf(IOException.class);
        SetFile.write(file, DrawnSet.of(new Stage(List.of())));
        assertThat(SetFile.read(file, "k").meshes()).isEmpty();
    }
}
