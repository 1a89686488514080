package freshsplice.core.camera;

import freshsplice.core.stage.Matrix;

/** Where on the ground a view looks: there a new thing is put. */
public final class LookedAt {
    /** Further away than this nothing is put, metres: a thing would be a dot. */
    private static final double FARTHEST = 40;

    private LookedAt() {
    }

    /**
     * The point of the level ground, y = 0, in the middle of a view. Where that looks up, level or too far, the ground under
     * the point at its focus distance.
     *
     * @param placed from the view's own axes to the world
     * @param focus  metres
     * @return x, y, z in metres
     */
    public static double[] onGround(Matrix placed, double focus) {
        double[] eye = placed.apply(0, 0, 0);
        double[] ahead = placed.apply(0, 0, -1);
        double[] way = {ahead[0] - eye[0], ahead[1] - eye[1], ahead[2] - eye[2]};
        double metres = way[1] < 0 ? -eye[1] / way[1] : -1;
        double reached = metres > 0 && metres <= FARTHEST ? metres : Math.min(focus, FARTHEST);
        return new double[] {eye[0] + reached * way[0], 0, eye[2] + reached * way[2]};
    }
}
