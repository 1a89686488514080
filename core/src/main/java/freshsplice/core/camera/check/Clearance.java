package freshsplice.core.camera.check;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;

/**
 * How near a camera comes to the set along its way. A move keyed at two ends goes straight between them, and may pass through things.
 *
 * @param first   shot frame of the first value
 * @param metres  least distance at each frame between the camera's near sphere and anything seen; below 0 where the near plane
 *                cuts it, and within a closed thing
 * @param things  index of the nearest thing in the set at each frame; −1 where nothing is near
 * @param closest the frame at which it comes nearest
 */
public record Clearance(long first, double[] metres, int[] things, long closest) {
    /** Nearer than this a path is too close, metres. */
    public static final double ENOUGH = 0.25;
    /** Farther than this nothing is near, metres. */
    public static final double FARTHEST = 1000;

    /** Over the frames of its cut range. What carries the camera is left aside. */
    public static Clearance of(Shot shot, Camera camera, Stage stage) {
        PoseStack stack = PoseStack.of(camera, stage);
        FrameRange frames = shot.cutRange();
        Around around = Around.of(camera, stage);
        int count = (int) frames.length();
        double[] metres = new double[count];
        int[] nearest = new int[count];
        int closest = 0;
        for (int i = 0; i < count; i++) {
            Rational frame = Rational.of(frames.in() + i);
            Around.Neighbour found = around.from(stack.at(shot.momentAt(frame)), shot.actionAt(frame), i == 0 ? -1 : nearest[i - 1]);
            metres[i] = found.metres();
            nearest[i] = found.thing();
            closest = metres[i] < metres[closest] ? i : closest;
        }
        return new Clearance(frames.in(), metres, nearest, frames.in() + closest);
    }
}
