package freshsplice.core.camera.edit;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Matrix;
import java.util.Map;

/**
 * Another lens with the subject kept at its size in the picture: its distance goes with the lens, new = old · new lens / old lens
 * (common practice; similar triangles of the pinhole).
 */
public final class KeepSize {
    /**
     * @param metres the subject's new distance
     * @param values what the camera is set to for it
     * @param placed where that is in the world
     */
    public record Change(double metres, double lens, Map<CameraChannel, Double> values, Matrix placed) {
    }

    private KeepSize() {
    }

    /**
     * For a new lens.
     *
     * @param metres the subject's distance along the line of sight now
     */
    public static Change forLens(PoseStack stack, Moment moment, double metres, double lens) {
        CameraPose pose = stack.at(moment);
        CameraChannel.LENS.check(lens);
        return change(stack, moment, metres, metres * lens / pose.lens(), lens);
    }

    /** For a new distance, the other way round. */
    public static Change forDistance(PoseStack stack, Moment moment, double metres, double wanted) {
        double lens = stack.at(moment).lens() * wanted / metres;
        CameraChannel.LENS.check(lens);
        return change(stack, moment, metres, wanted, lens);
    }

    private static Change change(PoseStack stack, Moment moment, double metres, double wanted, double lens) {
        if (!(metres > 0 && wanted > 0)) {
            throw new Refusal("The subject lies before the camera: " + metres + " m");
        }
        Matrix placed = stack.at(moment).placed().times(Matrix.translation(0, 0, wanted - metres));
        CameraPose.Place place = stack.valuesFor(placed, moment);
        return new Change(wanted, lens, Map.of(CameraChannel.X, place.x(), CameraChannel.Y, place.y(), CameraChannel.Z, place.z(),
                CameraChannel.LENS, lens, CameraChannel.FOCUS, CameraChannel.FOCUS.check(wanted)), placed);
    }
}
