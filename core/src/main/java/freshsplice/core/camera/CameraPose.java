package freshsplice.core.camera;

import freshsplice.core.stage.Matrix;

/**
 * A camera at one moment. Metres, degrees, millimetres.
 */
public record CameraPose(double x, double y, double z, double pan, double tilt, double roll, double lens,
                         double focus) {
    /** Nearest and farthest distance drawn, metres. */
    public static final double NEAR = 0.05;
    public static final double FAR = 4000;

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
