package freshsplice.bench;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Movement of a long shot in a large set: what stands must cost nothing. */
final class BakeRun {
    private static final int FRAMES = 20_000;
    private static final int MOVING = 20;
    private static final int TIMES = 7;

    private BakeRun() {
    }

    static void run() throws Exception {
        double small = row(MOVING);
        double large = row(2000);
        System.out.printf(Locale.ROOT, "%-56s %8.2f times%n", "2 000 things against " + MOVING, large / small);
    }

    private static double row(int things) throws Exception {
        long[] bytes = {0};
        double middle = Times.of(2, TIMES, () -> bytes[0] = bake(things)).middle();
        System.out.printf(Locale.ROOT, "%-56s %8.0f ms, %.1f MB%n", FRAMES + " frames, " + things + " things of which " + MOVING
                + " move", middle, bytes[0] / 1e6);
        return middle;
    }

    /** @return how many bytes its numbers have */
    private static long bake(int things) {
        List<Item> items = things(things, MOVING, FRAMES);
        Camera camera = Camera.named("bench", FilmBack.SUPER_35).with(CameraChannel.PAN, new Channel(List.of(
                new Key(0, 0, Easing.EASED), new Key(FRAMES, 90, Easing.EASED)), 0));
        Shot shot = new Shot(1, "bench", FrameRange.of(0, FRAMES), 0, 0, new Shot.Anchor("", "", 0, Rational.ZERO, Rational.ONE, true));
        Bake bake = Bake.of(shot, camera, new Stage(items), new RenderRange(Rational.ZERO, Rational.ONE, FRAMES), 16 / 9.0);
        long floats = bake.standing().length;
        for (long first = 0; first < bake.frames(); first += Bake.BLOCK) {
            Bake.Block block = bake.block(first);
            floats += block.views().length + block.projections().length + block.lenses().length + block.places().length;
        }
        return floats * 4;
    }

    /** Things in a row, the first of which move. @param frames over which they do */
    static List<Item> things(int count, int moving, int frames) {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Channel x = i < moving ? new Channel(List.of(new Key(0, i, Easing.EASED), new Key(frames, i + 9, Easing.EASED)), 0)
                    : Channel.constant(i);
            items.add(new Item(i + 1, "thing", new Geometry.Figure(Shape.BLOCK, "#808080"), 1, 1, 1, Map.of(ItemChannel.X, x)));
        }
        return items;
    }
}
