package freshsplice.core.camera;

import freshsplice.core.refusal.Refusal;

/**
 * A point of a thing that a camera turns to, or keeps its focus on.
 *
 * @param itemId the thing
 * @param x      of the point in the thing's own axes, metres; as y and z
 * @param lag    frames that the camera is behind: it turns to where the point was
 */
public record Aim(long itemId, double x, double y, double z, double lag) {
    private static final double FARTHEST = 10_000;
    private static final double LONGEST = 1000;

    /** @throws Refusal if the point is no place near the thing, or the lag no number of frames */
    public Aim {
        if (!(Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST && Math.abs(z) <= FARTHEST)) {
            throw new Refusal("A point to look at lies within " + (long) FARTHEST + " m of its thing: " + x + ", " + y + ", " + z);
        }
        if (!(lag >= 0 && lag <= LONGEST)) {
            throw new Refusal("A camera is 0 to " + (long) LONGEST + " frames behind what it looks at, not " + lag);
        }
    }
}
