package freshsplice.core.camera;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.stage.Matrix;

/**
 * A camera at one moment. Metres, degrees, millimetres.
 */
public record CameraPose(double x, double y, double z, double pan, double tilt, double roll, double lens,
                         double focus) {
    /** Nearest and farthest distance drawn, metres. */
    public static final double NEAR = 0.05;
    public static final double FAR = 4000;

    /**
     * The pose of a camera that stands in the world as a matrix says.
     *
     * @param placed from the camera's own axes to the world, 16 values, columns first; turned and moved only
     * @throws IllegalArgumentException if it is not such a matrix
     */
    public static CameraPose of(double[] placed, double lens, double focus) {
        if (placed.length != 16 || java.util.Arrays.stream(placed).anyMatch(v -> !Double.isFinite(v))) {
            throw new Refusal("A place in the world is 16 numbers");
        }
        double fx = -placed[8];
        double fy = -placed[9];
        double fz = -placed[10];
        double length = Math.sqrt(fx * fx + fy * fy + fz * fz);
        if (Math.abs(length - 1) > 1e-3) {
            throw new Refusal("A camera's place is turned and moved, not scaled");
        }
        double pan = Math.toDegrees(Math.atan2(-fx, -fz));
        double tilt = Math.toDegrees(Math.asin(Math.max(-1, Math.min(1, fy / length))));
        // how far its right side has sunk below the level
        Matrix level = Matrix.rotationY(pan).times(Matrix.rotationX(tilt));
        double[] right = level.apply(1, 0, 0);
        double[] up = level.apply(0, 1, 0);
        double alongRight = placed[0] * right[0] + placed[1] * right[1] + placed[2] * right[2];
        double alongUp = placed[0] * up[0] + placed[1] * up[1] + placed[2] * up[2];
        return new CameraPose(placed[12], placed[13], placed[14], pan, tilt,
                -Math.toDegrees(Math.atan2(alongUp, alongRight)), lens, focus);
    }

    /** From the world to the camera's own axes. */
    public Matrix view() {
        return placed().rigidInverse();
    }

    /** From the camera's own axes to the world. */
    public Matrix placed() {
        return Matrix.translation(x, y, z).times(Matrix.rotationY(pan)).times(Matrix.rotationX(tilt))
                .times(Matrix.rotationZ(-roll));
    }

    /**
     * The projection of a picture fitted by width: the back's width is the picture's, and the mask shows the rest.
     *
     * @param aspect width over height of the picture
     */
    public Matrix projection(FilmBack back, double aspect) {
        return Matrix.perspective(back.widthMm() / (2 * lens), aspect, NEAR, FAR);
    }
}
