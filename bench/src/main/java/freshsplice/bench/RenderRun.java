package freshsplice.bench;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.motion.Channel;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.FrameOrders;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.demo.DemoStage;
import freshsplice.demo.LowWater;
import freshsplice.render.ChunkDrawer;
import freshsplice.render.Footage;
import freshsplice.render.FrameMaker;
import freshsplice.render.OrderFile;
import freshsplice.render.OutputOrder;
import freshsplice.render.OutputWriter;
import freshsplice.render.Pixels;
import freshsplice.render.StagePainter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.LongStream;

/** Frames a second of drawing and encoding the demo's set, against the encoder alone on the same frames. */
final class RenderRun {
    private static final int W = 1280;
    private static final int H = 720;
    private static final int FRAMES = 72;

    /** Frames a second. @param keeping writing frames down and reading them again; @param encoder from kept frames to a movie */
    record Outcome(double plain, double quick, double fine, double blurred, double keeping, double encoder, double together) {
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
        Path folder = Files.createTempDirectory("bench");
        try (StagePainter painter = new StagePainter()) {
            FilmedShot filmed = new FilmedShot(of, camera, stage);
            draw(painter, filmed, FrameLook.Edges.QUICK, false, null);
            double plain = draw(painter, filmed, FrameLook.Edges.PLAIN, false, null);
            double quick = draw(painter, filmed, FrameLook.Edges.QUICK, false, null);
            double fine = draw(painter, filmed, FrameLook.Edges.FINE, false, null);
            double blurred = draw(painter, filmed, FrameLook.Edges.QUICK, true, null);
            long begun = System.nanoTime();
            draw(painter, filmed, FrameLook.Edges.QUICK, false, folder);
            double drawnAndKept = rate(begun);
            begun = System.nanoTime();
            encode(folder);
            double encoder = rate(begun);
            double keeping = 1 / (1 / drawnAndKept - 1 / quick);
            return new Outcome(plain, quick, fine, blurred, keeping, encoder, 1 / (1 / drawnAndKept + 1 / encoder));
        } finally {
            OutputWriter.delete(folder);
        }
    }

    private static RenderJob job(FrameLook.Edges edges, boolean blur) {
        Recipe recipe = Recipe.of(new FrameLook(W, H, 100, edges, 0, 8, blur, 0), List.of(), OutputKind.H264);
        return new RenderJob(new FileNames("bench", "bench", new RenderName("bench", 1), Grade.DRAFT, "", ""), recipe,
                new RenderRange(Rational.ZERO, Rational.ONE, FRAMES), FrameRate.FPS_24, "00:00:00:00");
    }

    /** @param folder that frames are kept in; null to let them go. @return frames a second */
    private static double draw(StagePainter painter, FilmedShot filmed, FrameLook.Edges edges, boolean blur, Path folder) throws IOException {
        RenderJob job = job(edges, blur);
        FrameOrders orders = new FrameOrders(PicturePlan.ofShot("bench_v001", filmed, job.range(), FrameRate.FPS_24, FrameRate.FPS_24, false),
                job.recipe(), false, FrameOrders.Names.NOTHING);
        Footage footage = Footage.of(DrawnSet.of(filmed.stage()));
        List<FrameOrder> frames = LongStream.range(0, FRAMES).mapToObj(orders::at).toList();
        long begun = System.nanoTime();
        if (folder == null) {
            Pixels into = new Pixels(W, H, false, false);
            try (FrameMaker maker = new FrameMaker(painter, job.recipe().look(), false, false, footage)) {
                for (FrameOrder frame : frames) {
                    maker.draw(frame, into);
                }
            }
        } else {
            try (ChunkDrawer drawer = new ChunkDrawer(painter)) {
                drawer.draw(job.recipe(), new OrderFile.Orders(0, frames), ChunkDrawer.Sink.of(folder), footage, k -> true);
            }
        }
        return rate(begun);
    }

    private static void encode(Path folder) throws IOException {
        RenderJob job = job(FrameLook.Edges.QUICK, false);
        OutputWriter.write(new OutputOrder(job, job.recipe().written(), List.of()), folder, folder, k -> true);
    }

    private static double rate(long begun) {
        return FRAMES * 1e9 / (System.nanoTime() - begun);
    }
}
