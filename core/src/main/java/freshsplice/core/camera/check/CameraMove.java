package freshsplice.core.camera.check;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.Optics;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * How fast a camera goes over its shot's frames.
 *
 * @param first   shot frame of the first value
 * @param metres  metres a second at each frame
 * @param degrees degrees a second at each frame, whatever it turns about
 * @param fastest frame at which it travels fastest
 * @param turning frame at which it turns fastest
 * @param tooFast frames over which what crosses the picture takes less than {@link #SECONDS}, first and last
 */
public record CameraMove(long first, double[] metres, double[] degrees, long fastest, long turning, List<Fast> tooFast) {
    /** What crosses the picture takes about so long at least, or it judders at 24 frames a second (common practice). */
    public static final double SECONDS = 7;
    /** Slower than this a camera does not pan, degrees a second. */
    private static final double STILL = 0.5;

    /** @param from first frame; @param to last frame; @param seconds that the picture's width takes where it is fastest */
    public record Fast(long from, long to, double seconds) {
    }

    /** Over the frames of its cut range. Speeds are measured over a frame, half before and half after. */
    public static CameraMove of(Shot shot, Camera camera, Stage stage, FrameRate rate) {
        PoseStack stack = PoseStack.of(camera, stage);
        FrameRange frames = shot.cutRange();
        double fps = rate.fps().toDouble();
        int count = (int) frames.length();
        double[] metres = new double[count];
        double[] degrees = new double[count];
        double[] seconds = new double[count];
        for (int i = 0; i < count; i++) {
            CameraPose before = pose(stack, shot, frames.in() + i, -1);
            CameraPose after = pose(stack, shot, frames.in() + i, 1);
            Matrix between = before.view().times(after.placed());
            double[] went = between.apply(0, 0, 0);
            metres[i] = Math.sqrt(went[0] * went[0] + went[1] * went[1] + went[2] * went[2]) * fps;
            degrees[i] = turned(between) * fps;
            seconds[i] = crossing(camera, before, between, fps);
        }
        return new CameraMove(frames.in(), metres, degrees, frames.in() + most(metres), frames.in() + most(degrees),
                fast(frames.in(), seconds));
    }

    private static CameraPose pose(PoseStack stack, Shot shot, long frame, int half) {
        return stack.at(shot.momentAt(Rational.of(2 * frame + half, 2)));
    }

    /** The one angle that a turn is by: of a rotation's trace (textbooks of mechanics). */
    private static double turned(Matrix between) {
        double[] m = between.toDoubles();
        double cosine = (m[0] + m[5] + m[10] - 1) / 2;
        return Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, cosine))));
    }

    /** Seconds in which the picture's width goes by, by how far the line of sight turns aside. */
    private static double crossing(Camera camera, CameraPose pose, Matrix between, double fps) {
        double[] m = between.toDoubles();
        double aside = Math.toDegrees(Math.atan2(-m[8], m[10])) * fps;
        return Math.abs(aside) < STILL ? Double.POSITIVE_INFINITY
                : Optics.angleOfView(camera.back().widthMm(), pose.lens()) / Math.abs(aside);
    }

    private static int most(double[] values) {
        int most = 0;
        for (int i = 1; i < values.length; i++) {
            most = values[i] > values[most] ? i : most;
        }
        return most;
    }

    private static List<Fast> fast(long first, double[] seconds) {
        List<Fast> ranges = new ArrayList<>();
        int from = -1;
        for (int i = 0; i <= seconds.length; i++) {
            boolean isFast = i < seconds.length && seconds[i] < SECONDS;
            if (isFast && from < 0) {
                from = i;
            } else if (!isFast && from >= 0) {
                double least = Double.POSITIVE_INFINITY;
                for (int k = from; k < i; k++) {
                    least = Math.min(least, seconds[k]);
                }
                ranges.add(new Fast(first + from, first + i - 1, least));
                from = -1;
            }
        }
        return ranges;
    }
}
