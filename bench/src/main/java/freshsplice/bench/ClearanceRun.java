package freshsplice.bench;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.check.Clearance;
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

/** Clearance of a long move through a crowd, each figure of its own size, so that none shares another's tree. */
final class ClearanceRun {
    private static final int FRAMES = 500;
    private static final int TRIANGLES = 500_000;
    private static final int TIMES = 5;

    private ClearanceRun() {
    }

    static void run() throws Exception {
        Geometry person = new Geometry.Figure(Shape.PERSON, "#808080");
        int each = person.mesh().indices().length / 3;
        List<Item> items = new ArrayList<>();
        for (int i = 0; i * each < TRIANGLES; i++) {
            items.add(new Item(i + 1, "person", person, 1 + i * 1e-5, 1, 1, Map.of(ItemChannel.X, Channel.constant(i % 40 * 3.0),
                    ItemChannel.Z, Channel.constant(i / 40 * 3.0))));
        }
        Channel along = new Channel(List.of(new Key(0, 0, Easing.STRAIGHT), new Key(FRAMES, 117, Easing.STRAIGHT)), 0);
        Camera camera = Camera.named("bench", FilmBack.SUPER_35).with(Map.of(CameraChannel.X, along, CameraChannel.Z,
                Channel.constant(7.4), CameraChannel.Y, Channel.constant(1.5)));
        Shot shot = new Shot(1, "bench", FrameRange.of(0, FRAMES), 0, 0, new Shot.Anchor("", "", 0, Rational.ZERO, Rational.ONE, true));
        double middle = Times.of(1, TIMES, () -> Clearance.of(shot, camera, new Stage(items))).middle();
        System.out.printf(Locale.ROOT, "%-56s %8.0f ms%n", "clearance, " + FRAMES + " frames, " + items.size() * each / 1000
                + " 000 triangles in " + items.size() + " things", middle);
    }
}
