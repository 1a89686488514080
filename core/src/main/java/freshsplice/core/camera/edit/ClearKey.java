package freshsplice.core.camera.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.camera.check.Around;
import freshsplice.core.motion.Easing;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** A key that takes a camera past what it comes too near to. */
public final class ClearKey {
    /** Looked for so far away, and by such steps, metres. */
    private static final double FARTHEST = 20;
    private static final double STEP = 0.05;
    /** A key that is just clear is seen as clear however it is written. */
    private static final double SPARE = 0.01;

    private ClearKey() {
    }

    /**
     * The camera with a key at a frame that is clear of everything, as near to where it went as there is such a place. One that moves
     * goes past, to a side, above or below its way: a place farther back on it would only come too near later.
     *
     * @param enough metres that it is to be clear by
     * @throws Refusal if it is clear there already, or no place within reach is
     */
    public static Camera at(Camera camera, Stage stage, Moment moment, long frame, double enough) {
        PoseStack stack = PoseStack.of(camera, stage);
        CameraPose pose = stack.at(moment);
        Around around = Around.of(camera, stage);
        Rational action = moment.actionFrame();
        if (around.from(pose, action, -1).metres() >= enough) {
            throw new Refusal("\"" + camera.name() + "\" is clear at frame " + frame + " already");
        }
        List<double[]> ways = past(direction(stack, moment));
        for (double far = STEP; far <= FARTHEST; far += STEP) {
            for (double[] way : ways) {
                Matrix placed = Matrix.translation(way[0] * far, way[1] * far, way[2] * far).times(pose.placed());
                CameraPose there = new CameraPose(placed, pose.lens(), pose.focus(), pose.stop());
                if (around.from(there, action, -1).metres() >= enough + SPARE) {
                    CameraPose.Place values = stack.valuesFor(placed, moment);
                    return SetValues.at(camera, frame, Map.of(CameraChannel.X, values.x(), CameraChannel.Y, values.y(),
                            CameraChannel.Z, values.z()), Reach.HERE, Easing.THROUGH);
                }
            }
        }
        throw new Refusal("No place within " + (int) FARTHEST + " m of frame " + frame + " is clear of everything");
    }

    /** Which way it goes at a moment, of length 1; null where it stands. */
    private static double[] direction(PoseStack stack, Moment moment) {
        double[] before = eye(stack, moment, -1);
        double[] after = eye(stack, moment, 1);
        double[] way = {after[0] - before[0], after[1] - before[1], after[2] - before[2]};
        double length = Math.sqrt(way[0] * way[0] + way[1] * way[1] + way[2] * way[2]);
        return length < STANDS ? null : new double[] {way[0] / length, way[1] / length, way[2] / length};
    }

    private static double[] eye(PoseStack stack, Moment moment, long frames) {
        return stack.at(new Moment(moment.shotFrame().plus(frames), moment.actionFrame().plus(frames))).placed().apply(0, 0, 0);
    }

    private static List<double[]> past(double[] direction) {
        return Stream.of(WAYS).filter(w -> direction == null
                || Math.abs(w[0] * direction[0] + w[1] * direction[1] + w[2] * direction[2]) < ALONG).toList();
    }

    /** Less than this over two frames is no movement, metres. */
    private static final double STANDS = 0.002;
    /** A way that lies more along the movement than this, as a cosine, leads not past. */
    private static final double ALONG = 0.4;

    /** Ways of one length in the world, the level ones first: a camera that rises or sinks is seen to. */
    private static final double[][] WAYS = ways();

    private static double[][] ways() {
        List<double[]> ways = new ArrayList<>();
        for (int up : new int[] {0, 1, -1}) {
            for (int turn = 0; turn < 16; turn++) {
                double level = up == 0 ? 1 : Math.sqrt(0.5);
                double angle = turn * Math.PI / 8;
                ways.add(new double[] {Math.sin(angle) * level, up * Math.sqrt(0.5), Math.cos(angle) * level});
            }
        }
        ways.add(new double[] {0, 1, 0});
        return ways.toArray(double[][]::new);
    }
}
