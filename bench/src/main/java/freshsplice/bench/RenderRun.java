package freshsplice.bench;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.motion.Channel;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.demo.DemoStage;
import freshsplice.demo.LowWater;
import freshsplice.render.MovieWriter;
import freshsplice.render.StagePainter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Frames a second of drawing and encoding the demo's set, against the encoder alone on the same frames. */
final class RenderRun {
    private static final int W = 1280;
    private static final int H = 720;
    private static final int FRAMES = 72;

    /** Frames a second. */
    record Outcome(double drawingAlone, double drawingBlurred, double encoderAlone, double together) {
    }

    private RenderRun() {
    }

    static Outcome run() throws IOException {
        Stage stage = DemoStage.stage();
        LowWater.Shot shot = LowWater.shots().get(3);
        double[] look = LowWater.look(shot.from(), shot.aim());
        Camera camera = Camera.named("bench", FilmBack.SUPER_35)
                .with(CameraChannel.X, Channel.constant(shot.from()[0])).with(CameraChannel.Y,
                        Channel.constant(shot.from()[1])).with(CameraChannel.Z, Channel.constant(shot.from()[2]))
                .with(CameraChannel.PAN, Channel.constant(look[0])).with(CameraChannel.TILT, Channel.constant(look[1]));
        Shot of = new Shot(1, "bench", FrameRange.of(0, 2000), 0, 400, new Shot.Anchor("", "", 0, Rational.ZERO,
                Rational.ONE, true));
        Bake bake = Bake.of(of, camera, stage, new RenderRange(Rational.ZERO, Rational.ONE, FRAMES), W / (double) H);
        try (StagePainter painter = new StagePainter()) {
            painter.size(W, H);
            painter.stage(stage);
            List<byte[]> pictures = new ArrayList<>();
            draw(painter, bake, 0, false, new byte[W * H * 3]);
            draw(painter, bake, 0, true, new byte[W * H * 3]);
            long begun = System.nanoTime();
            for (int k = 0; k < FRAMES; k++) {
                byte[] picture = new byte[W * H * 3];
                draw(painter, bake, k, false, picture);
                pictures.add(picture);
            }
            double drawing = rate(begun);
            byte[] blurred = new byte[W * H * 3];
            begun = System.nanoTime();
            for (int k = 0; k < FRAMES; k++) {
                draw(painter, bake, k, true, blurred);
            }
            double blurring = rate(begun);
            begun = System.nanoTime();
            encode(k -> pictures.get(k));
            double encoder = rate(begun);
            byte[] picture = new byte[W * H * 3];
            begun = System.nanoTime();
            encode(k -> {
                draw(painter, bake, k, false, picture);
                return picture;
            });
            return new Outcome(drawing, blurring, encoder, rate(begun));
        }
    }

    private static void draw(StagePainter painter, Bake bake, int k, boolean blur, byte[] into) {
        Bake.Frame frame = bake.frame(k);
        painter.draw(frame.view(), frame.projection(), frame.places(), 0, blur ? frame.blur() : null, into);
    }

    private static void encode(java.util.function.IntFunction<byte[]> frames) throws IOException {
        Path folder = Files.createTempDirectory("bench");
        Path file = folder.resolve("bench.mp4");
        try (MovieWriter movie = new MovieWriter(file, W, H, FrameRate.FPS_24, "00:00:00:00", List.of(), FRAMES)) {
            for (int k = 0; k < FRAMES; k++) {
                movie.frame(frames.apply(k));
            }
            movie.finish();
        } finally {
            Files.deleteIfExists(file);
            Files.deleteIfExists(folder);
        }
    }

    private static double rate(long begun) {
        return FRAMES * 1e9 / (System.nanoTime() - begun);
    }
}
