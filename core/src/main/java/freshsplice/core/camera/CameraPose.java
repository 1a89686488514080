package freshsplice.core.camera;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.stage.Matrix;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;

/**
 * A camera at one moment.
 *
 * @param placed from its own axes to the world: it looks along its −z, its right side is +x
 * @param lens   focal length, mm
 * @param focus  focus distance, m
 * @param stop   T-stop
 */
public record CameraPose(Matrix placed, double lens, double focus, double stop) {
    /** Nearest and farthest distance drawn, metres. */
    public static final double NEAR = 0.05;
    public static final double FAR = 4000;
    /** Nearer to straight up or down than this, pan and roll are one turn: cosine of the tilt. */
    private static final double POLE = 1e-9;

    /** A place in the world by numbers: metres and degrees. */
    public record Place(double x, double y, double z, double pan, double tilt, double roll) {
        public Matrix matrix() {
            return Matrix.translation(x, y, z).times(Matrix.rotationY(pan)).times(Matrix.rotationX(tilt))
                    .times(Matrix.rotationZ(-roll));
        }

        /** As a camera is set to it. */
        public Map<CameraChannel, Double> values() {
            return new EnumMap<>(Map.of(CameraChannel.X, x, CameraChannel.Y, y, CameraChannel.Z, z, CameraChannel.PAN, pan,
                    CameraChannel.TILT, tilt, CameraChannel.ROLL, roll));
        }
    }

    /** One that stands somewhere, by its plain stop. Metres, degrees, millimetres. */
    public static CameraPose standing(Place place, double lens, double focus) {
        return new CameraPose(place.matrix(), lens, focus, CameraChannel.STOP.plain());
    }

    /**
     * The numbers of a place. Straight up or down the roll is 0, and the pan says all of the turn.
     *
     * @param placed from the camera's own axes to the world
     */
    public static Place place(Matrix placed) {
        double[] m = placed.toDoubles();
        double fx = -m[8];
        double fy = -m[9];
        double fz = -m[10];
        double tilt = Math.toDegrees(Math.atan2(fy, Math.hypot(fx, fz)));
        if (Math.hypot(fx, fz) < POLE) {
            return new Place(m[12], m[13], m[14], Math.toDegrees(Math.atan2(-m[2], m[0])), tilt, 0);
        }
        double pan = Math.toDegrees(Math.atan2(-fx, -fz));
        // how far its right side has sunk below the level
        Matrix level = Matrix.rotationY(pan).times(Matrix.rotationX(tilt));
        double[] right = level.apply(1, 0, 0);
        double[] up = level.apply(0, 1, 0);
        double alongRight = m[0] * right[0] + m[1] * right[1] + m[2] * right[2];
        double alongUp = m[0] * up[0] + m[1] * up[1] + m[2] * up[2];
        return new Place(m[12], m[13], m[14], pan, tilt, -Math.toDegrees(Math.atan2(alongUp, alongRight)));
    }

    /**
     * A place that came from outside.
     *
     * @param placed 16 values, columns first
     * @throws Refusal if they do not turn and move only
     */
    public static Matrix checked(double[] placed) {
        if (placed.length != Matrix.VALUES || Arrays.stream(placed).anyMatch(v -> !Double.isFinite(v))) {
            throw new Refusal("A place in the world is 16 numbers");
        }
        Matrix matrix = Matrix.of(placed);
        double[] ahead = matrix.apply(0, 0, -1);
        double length = Math.sqrt(square(ahead[0] - placed[12]) + square(ahead[1] - placed[13]) + square(ahead[2] - placed[14]));
        if (Math.abs(length - 1) > 1e-3) {
            throw new Refusal("A camera's place is turned and moved, not scaled");
        }
        return matrix;
    }

    private static double square(double value) {
        return value * value;
    }

    /** Its place by numbers. */
    public Place place() {
        return place(placed);
    }

    /** From the world to the camera's own axes. */
    public Matrix view() {
        return placed.rigidInverse();
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
