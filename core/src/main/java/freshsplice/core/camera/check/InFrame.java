package freshsplice.core.camera.check;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Mesh;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Whether chosen things stay inside the delivery frame, or a part of it, over all frames of a shot. */
public final class InFrame {
    /** Where a thing leaves the frame. */
    public enum Side { LEFT, RIGHT, TOP, BOTTOM, BEHIND }

    /**
     * Frames over which a thing leaves the frame.
     *
     * @param from first frame
     * @param to   last frame
     */
    public record Leaves(long item, String name, long from, long to, Set<Side> sides) {
    }

    private InFrame() {
    }

    /**
     * @param things ids of the things that should stay
     * @param aspect width over height of the delivery frame
     * @param part   of the frame in which they should stay, 1 for all of it, 0.93 for its safe area
     */
    public static List<Leaves> of(Shot shot, Camera camera, Stage stage, Collection<Long> things, double aspect, double part) {
        PoseStack stack = PoseStack.of(camera, stage);
        List<Leaves> leaves = new ArrayList<>();
        for (Item item : stage.items()) {
            if (things.contains(item.id())) {
                leaves.addAll(of(shot, camera, stack, item, aspect, part));
            }
        }
        return leaves;
    }

    private static List<Leaves> of(Shot shot, Camera camera, PoseStack stack, Item item, double aspect, double part) {
        double[] box = box(item.geometry().mesh());
        List<Leaves> leaves = new ArrayList<>();
        Leaves open = null;
        for (long frame = shot.cutRange().in(); frame < shot.cutRange().out(); frame++) {
            Rational at = Rational.of(frame);
            CameraPose pose = stack.at(shot.momentAt(at));
            Set<Side> sides = item.isShown(shot.actionAt(at))
                    ? sides(pose.projection(camera.back(), aspect), pose.view().times(item.placedAt(shot.actionAt(at))), box, part) : Set.of();
            if (open != null && open.sides().equals(sides)) {
                open = new Leaves(item.id(), item.name(), open.from(), frame, sides);
            } else {
                if (open != null) {
                    leaves.add(open);
                }
                open = sides.isEmpty() ? null : new Leaves(item.id(), item.name(), frame, frame, sides);
            }
        }
        if (open != null) {
            leaves.add(open);
        }
        return leaves;
    }

    private static Set<Side> sides(Matrix projection, Matrix toCamera, double[] box, double part) {
        Set<Side> sides = EnumSet.noneOf(Side.class);
        for (int corner = 0; corner < 8; corner++) {
            double[] p = toCamera.apply(box[(corner & 1) * 3], box[(corner >> 1 & 1) * 3 + 1], box[(corner >> 2 & 1) * 3 + 2]);
            if (p[2] > -CameraPose.NEAR) {
                sides.add(Side.BEHIND);
                continue;
            }
            double[] seen = projection.apply(p[0], p[1], p[2]);
            add(sides, seen[0] < -part, Side.LEFT);
            add(sides, seen[0] > part, Side.RIGHT);
            add(sides, seen[1] > part, Side.TOP);
            add(sides, seen[1] < -part, Side.BOTTOM);
        }
        return sides;
    }

    private static void add(Set<Side> sides, boolean out, Side side) {
        if (out) {
            sides.add(side);
        }
    }

    /** Least and most of x, y, z. */
    private static double[] box(Mesh mesh) {
        double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        for (int i = 0; i < mesh.positions().length; i++) {
            int axis = i % 3;
            box[axis] = Math.min(box[axis], mesh.positions()[i]);
            box[axis + 3] = Math.max(box[axis + 3], mesh.positions()[i]);
        }
        return box;
    }
}
