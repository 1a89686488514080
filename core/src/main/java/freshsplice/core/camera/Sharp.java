package freshsplice.core.camera;

/**
 * What is sharp in a camera's picture.
 *
 * @param near nearest sharp distance, metres
 * @param far  farthest sharp distance, metres; null for infinite
 */
public record Sharp(double near, Double far) {
    public static Sharp of(FilmBack back, CameraPose pose) {
        double circle = back.circleOfConfusionMm();
        double far = Optics.far(pose.lens(), pose.stop(), circle, pose.focus());
        return new Sharp(Optics.near(pose.lens(), pose.stop(), circle, pose.focus()), Double.isInfinite(far) ? null : far);
    }
}
