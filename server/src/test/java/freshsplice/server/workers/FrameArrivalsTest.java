package freshsplice.server.workers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.render.FileDigest;
import freshsplice.render.FrameFile;
import freshsplice.render.JobFile;
import freshsplice.render.OrderFile;
import freshsplice.render.Pixels;
import freshsplice.server.renders.KeptFrames;
import freshsplice.server.renders.Seat;
import freshsplice.server.renders.SeatLost;
import freshsplice.server.settings.Folders;
import freshsplice.worker.Wire;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** What comes from another machine is looked at before it counts. */
@Timeout(30)
class FrameArrivalsTest {
    private static final int W = 64;
    private static final int H = 36;
    private static final long RENDER = 7;

    @TempDir
    Path data;
    private KeptFrames kept;
    private FrameArrivals arrivals;
    private WorkerSeat seat;
    private final AtomicInteger drawn = new AtomicInteger();
    private volatile boolean wanted = true;
    private CompletableFuture<Boolean> drawing;

    @BeforeEach
    void draw() throws IOException {
        kept = new KeptFrames(new Folders(data));
        arrivals = new FrameArrivals(kept);
        seat = new WorkerSeat(1, "anna", "a driver", "10.0.0.2", kept);
        Files.createDirectories(kept.frames(RENDER));
        Recipe recipe = Recipe.of(new FrameLook(W, H, 100, FrameLook.Edges.QUICK, 0, 8, false, 0), List.of(), OutputKind.H264);
        RenderJob job = new RenderJob(new FileNames("p", "s", new RenderName("sh0010", 1), Grade.DRAFT, "", ""), recipe,
                new RenderRange(Rational.ZERO, Rational.ONE, 100), FrameRate.FPS_24, "00:00:00:00");
        Seat.Chunk chunk = new Seat.Chunk(RENDER, "sh0010_v001", new JobFile.Contents(job, Map.of(), List.of()),
                new OrderFile.Orders(24, Collections.nCopies(3, new FrameOrder(List.of(), List.of()))));
        drawing = CompletableFuture.supplyAsync(() -> {
            try {
                return seat.draw(chunk, new Seat.Watch() {
                    @Override
                    public boolean goesOn() {
                        return wanted;
                    }

                    @Override
                    public void drawn() {
                        drawn.incrementAndGet();
                    }
                });
            } catch (IOException e) {
                throw new CompletionException(e);
            }
        });
    }

    private static byte[] frame(int width, int height, int value) throws IOException {
        Pixels pixels = new Pixels(width, height, false, false);
        java.util.Arrays.fill(pixels.bytes(), (byte) value);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        FrameFile.write(bytes, pixels);
        return bytes.toByteArray();
    }

    private void send(String ticket, long frame, byte[] bytes, String sha256) throws IOException {
        arrivals.take(seat, ticket, frame, sha256, new ByteArrayInputStream(bytes));
    }

    private void send(String ticket, long frame, byte[] bytes) throws IOException {
        send(ticket, frame, bytes, FileDigest.of(bytes));
    }

    private Path file(long frame) {
        return kept.frames(RENDER).resolve(FrameFile.name(frame));
    }

    @Test
    void framesComeOnceAndTheChunkEndsWithThem() throws IOException {
        Wire.Assignment given = seat.next().join();
        assertThat(given.missing()).containsExactly(24L, 25L, 26L);
        send(given.ticket(), 24, frame(W, H, 1));
        FileTime first = Files.getLastModifiedTime(file(24));
        send(given.ticket(), 24, frame(W, H, 2));
        assertThat(Files.getLastModifiedTime(file(24))).as("the first stays").isEqualTo(first);
        assertThat(FrameFile.read(file(24)).bytes()[0]).isEqualTo((byte) 1);
        assertThat(seat.next().join()).as("asked again, it has what it had").isEqualTo(new Wire.Assignment(given.ticket(), RENDER, "sh0010_v001", List.of(25L, 26L)));
        send(given.ticket(), 25, frame(W, H, 1));
        send(given.ticket(), 26, frame(W, H, 1));
        seat.ended(given.ticket(), null);
        assertThat(drawing.join()).isTrue();
        assertThat(drawn).hasValue(3);
        assertThatThrownBy(() -> send(given.ticket(), 26, frame(W, H, 1))).isInstanceOf(TurnOver.class);
    }

    @Test
    void whatCameOtherwiseOrIsNoFrameOfThatRenderIsNotTaken() throws IOException {
        String ticket = seat.next().join().ticket();
        byte[] good = frame(W, H, 1);
        byte[] changed = good.clone();
        changed[changed.length / 2] ^= 1;
        byte[] large = new byte[W * H * 4 + 10_000];
        assertThatThrownBy(() -> send(ticket, 24, changed, FileDigest.of(good))).isInstanceOf(FrameArrivals.CameOtherwise.class);
        assertThatThrownBy(() -> send(ticket, 24, changed)).isInstanceOf(FrameArrivals.CameOtherwise.class);
        assertThatThrownBy(() -> send(ticket, 24, frame(W, H + 2, 1))).hasMessage("This frame is of another render");
        assertThatThrownBy(() -> send(ticket, 24, large)).hasMessage("That is more than a frame");
        assertThatThrownBy(() -> send(ticket, 24, new byte[0])).isInstanceOf(FrameArrivals.CameOtherwise.class);
        assertThatThrownBy(() -> send(ticket, 23, good)).isInstanceOf(TurnOver.class);
        assertThatThrownBy(() -> send(ticket, 27, good)).isInstanceOf(TurnOver.class);
        assertThatThrownBy(() -> send("none", 24, good)).isInstanceOf(TurnOver.class);
        assertThat(kept.frames(RENDER).toFile().list()).as("nothing is left of it").isEmpty();
        assertThat(drawn).hasValue(0);
        send(ticket, 24, good);
    }

    @Test
    void whatWasPutIntoTheFolderIsLookedAtToo() throws IOException {
        String ticket = seat.next().join().ticket();
        byte[] good = frame(W, H, 1);
        assertThatThrownBy(() -> arrivals.look(seat, ticket, 25, FileDigest.of(good))).hasMessage("The frame is not in the folder");
        Files.write(file(25), frame(W, H, 2));
        assertThatThrownBy(() -> arrivals.look(seat, ticket, 25, FileDigest.of(good))).isInstanceOf(FrameArrivals.CameOtherwise.class);
        assertThat(file(25)).doesNotExist();
        Files.write(file(25), good);
        arrivals.look(seat, ticket, 25, FileDigest.of(good));
        assertThat(drawn).hasValue(1);
    }

    @Test
    void aMachineThatIsGoneOrCannotGoesBackWithItsReason() throws IOException {
        String ticket = seat.next().join().ticket();
        seat.ended(ticket, "no memory");
        assertThatThrownBy(drawing::join).hasRootCauseMessage("anna: no memory");
        draw();
        String second = seat.next().join().ticket();
        seat.ended(second, null);
        assertThatThrownBy(drawing::join).hasRootCauseMessage("anna: 3 frames did not come in");
        draw();
        seat.next().join();
        seat.lose(new SeatLost("nothing is heard of anna any more", true));
        assertThatThrownBy(drawing::join).hasRootCauseInstanceOf(SeatLost.class);
    }

    @Test
    void whatIsNotWantedAnyMoreIsRefused() throws IOException {
        String ticket = seat.next().join().ticket();
        wanted = false;
        assertThat(seat.goesOn(ticket)).isFalse();
        assertThatThrownBy(() -> send(ticket, 24, frame(W, H, 1))).isInstanceOf(TurnOver.class);
        assertThat(drawing.join()).isFalse();
    }

    @Test
    void digestsAreWrittenAsTheHeaderHasThem() {
        // RFC 9530, appendix D: the digest of {"hello": "world"} and a line feed
        String header = "sha-256=:RK/0qy18MlBSVnWgjwz6lZEWjP/lF5HF9bvEF8FabDg=:";
        String digest = FileDigest.of("{\"hello\": \"world\"}\n".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(Wire.digestHeader(digest)).isEqualTo(header);
        assertThat(Wire.digestOf(header)).isEqualTo(digest);
        assertThat(Wire.digestOf("sha-256=:**:")).isEmpty();
        assertThat(Wire.digestOf(null)).isEmpty();
    }
}
