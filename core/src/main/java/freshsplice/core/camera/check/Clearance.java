package freshsplice.core.camera.check;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.Optics;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Nearest;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How near a camera comes to the set along its way. A move keyed at two ends goes straight between them, and may pass through things.
 *
 * @param first   shot frame of the first value
 * @param metres  least distance at each frame between the camera's near sphere and anything seen; below 0 where the near plane cuts it
 * @param things  index of the nearest thing in the set at each frame; −1 where nothing is near
 * @param closest the frame at which it comes nearest
 */
public record Clearance(long first, double[] metres, int[] things, long closest) {
    /** Nearer than this a path is too close, metres. */
    public static final double ENOUGH = 0.25;
    /** Farther than this nothing is near, metres. */
    public static final double FARTHEST = 1000;

    /** Things of one look and size share a tree. */
    private record Looks(Geometry geometry, double width, double height, double depth) {
        static Looks of(Item item) {
            return new Looks(item.geometry(), item.width(), item.height(), item.depth());
        }

        Nearest nearest() {
            return new Nearest(geometry.mesh(), width, height, depth);
        }
    }

    private static final class Thing {
        private final Item item;
        private final Nearest nearest;
        private Matrix world;

        Thing(Item item, Nearest nearest) {
            this.item = item;
            this.nearest = nearest;
        }

        /** From the world into its own axes, in metres. */
        Matrix own(Rational action) {
            if (item.moves()) {
                return item.standsAt(action).rigidInverse();
            }
            world = world == null ? item.standsAt(action).rigidInverse() : world;
            return world;
        }
    }

    /** Over the frames of its cut range. What carries the camera is left aside. */
    public static Clearance of(Shot shot, Camera camera, Stage stage) {
        PoseStack stack = PoseStack.of(camera, stage);
        FrameRange frames = shot.cutRange();
        List<Thing> things = new ArrayList<>();
        Map<Looks, Nearest> trees = new HashMap<>();
        stage.items().forEach(item -> things.add(item.geometry().isSeen() && !carries(camera, item)
                ? new Thing(item, trees.computeIfAbsent(Looks.of(item), Looks::nearest)) : null));
        int count = (int) frames.length();
        double[] metres = new double[count];
        int[] nearest = new int[count];
        int closest = 0;
        for (int i = 0; i < count; i++) {
            Rational frame = Rational.of(frames.in() + i);
            CameraPose pose = stack.at(shot.momentAt(frame));
            find(things, pose, shot.actionAt(frame), i, i == 0 ? -1 : nearest[i - 1], metres, nearest);
            metres[i] -= near(camera, pose);
            closest = metres[i] < metres[closest] ? i : closest;
        }
        return new Clearance(frames.in(), metres, nearest, frames.in() + closest);
    }

    private static boolean carries(Camera camera, Item item) {
        return camera.mounts().stream().anyMatch(m -> m.itemId() != null && m.itemId() == item.id());
    }

    /** @param guess the thing that was nearest a frame before: it bounds all others at once */
    private static void find(List<Thing> things, CameraPose pose, Rational action, int at, int guess, double[] metres, int[] nearest) {
        double[] eye = pose.placed().apply(0, 0, 0);
        metres[at] = FARTHEST;
        nearest[at] = -1;
        if (guess >= 0) {
            look(things, guess, eye, action, at, metres, nearest);
        }
        for (int t = 0; t < things.size(); t++) {
            if (t != guess) {
                look(things, t, eye, action, at, metres, nearest);
            }
        }
    }

    private static void look(List<Thing> things, int t, double[] eye, Rational action, int at, double[] metres, int[] nearest) {
        Thing thing = things.get(t);
        if (thing == null || !thing.item.isShown(action)) {
            return;
        }
        double[] own = thing.own(action).apply(eye[0], eye[1], eye[2]);
        double away = thing.nearest.distance(own[0], own[1], own[2], metres[at]);
        if (away < metres[at]) {
            metres[at] = away;
            nearest[at] = t;
        }
    }

    /** The radius of the sphere that the corners of the near plane lie on. */
    private static double near(Camera camera, CameraPose pose) {
        double x = Math.tan(Math.toRadians(Optics.angleOfView(camera.back().widthMm(), pose.lens()) / 2));
        double y = Math.tan(Math.toRadians(Optics.angleOfView(camera.back().heightMm(), pose.lens()) / 2));
        return CameraPose.NEAR * Math.sqrt(1 + x * x + y * y);
    }
}
