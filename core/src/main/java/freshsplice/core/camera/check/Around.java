package freshsplice.core.camera.check;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.Optics;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Nearest;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The set around a camera, made ready to be asked how near it is. What carries the camera is left aside. */
public final class Around {
    /**
     * The nearest thing.
     *
     * @param metres between it and the camera's near sphere; below 0 where the near plane cuts it, and within a closed thing, by how
     *               far it is to its surface
     * @param thing  its index in the set; −1 where nothing is near
     */
    public record Neighbour(double metres, int thing) {
    }

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

    private final Camera camera;
    private final List<Thing> things = new ArrayList<>();

    private Around(Camera camera) {
        this.camera = camera;
    }

    public static Around of(Camera camera, Stage stage) {
        Around around = new Around(camera);
        Map<Looks, Nearest> trees = new HashMap<>();
        stage.items().forEach(item -> around.things.add(item.geometry().isSeen() && !carries(camera, item)
                ? new Thing(item, trees.computeIfAbsent(Looks.of(item), Looks::nearest)) : null));
        return around;
    }

    /** @param guess the thing that was nearest a frame before, which bounds all others at once; −1 for none */
    public Neighbour from(CameraPose pose, Rational action, int guess) {
        double[] eye = pose.placed().apply(0, 0, 0);
        Neighbour best = new Neighbour(Clearance.FARTHEST, -1);
        if (guess >= 0) {
            best = nearer(best, guess, eye, action);
        }
        for (int t = 0; t < things.size(); t++) {
            if (t != guess) {
                best = nearer(best, t, eye, action);
            }
        }
        return new Neighbour(best.metres - near(camera, pose), best.thing);
    }

    /** A thing where it is nearer to the eye than what was found so far; else that. */
    private Neighbour nearer(Neighbour best, int t, double[] eye, Rational action) {
        Thing thing = things.get(t);
        if (thing == null || !thing.item.isShown(action)) {
            return best;
        }
        double[] own = thing.own(action).apply(eye[0], eye[1], eye[2]);
        if (thing.nearest.contains(own[0], own[1], own[2])) {
            double deep = -thing.nearest.distance(own[0], own[1], own[2], Clearance.FARTHEST);
            return deep < best.metres ? new Neighbour(deep, t) : best;
        }
        if (best.metres <= 0) {
            return best;
        }
        double away = thing.nearest.distance(own[0], own[1], own[2], best.metres);
        return away < best.metres ? new Neighbour(away, t) : best;
    }

    private static boolean carries(Camera camera, Item item) {
        return camera.mounts().stream().anyMatch(m -> m.itemId() != null && m.itemId() == item.id());
    }

    /** The radius of the sphere that the corners of the near plane lie on. */
    private static double near(Camera camera, CameraPose pose) {
        double x = Math.tan(Math.toRadians(Optics.angleOfView(camera.back().widthMm(), pose.lens()) / 2));
        double y = Math.tan(Math.toRadians(Optics.angleOfView(camera.back().heightMm(), pose.lens()) / 2));
        return CameraPose.NEAR * Math.sqrt(1 + x * x + y * y);
    }
}
