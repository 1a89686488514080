package freshsplice.core.stage;

/**
 * Triangles with a colour at each corner.
 *
 * @param positions x y z of each corner, metres
 * @param normals   x y z of each corner
 * @param colours   red green blue of each corner, sRGB, 0 to 1
 * @param indices   three corners a triangle, counter-clockwise seen from outside
 */
public record Mesh(float[] positions, float[] normals, float[] colours, int[] indices) {
    /** The middle of the box around it, metres; the origin where there is nothing. */
    public double[] middle() {
        double[] middle = new double[3];
        for (int axis = 0; axis < 3 && positions.length > 0; axis++) {
            float low = Float.MAX_VALUE;
            float high = -Float.MAX_VALUE;
            for (int i = axis; i < positions.length; i += 3) {
                low = Math.min(low, positions[i]);
                high = Math.max(high, positions[i]);
            }
            middle[axis] = (low + high) / 2.0;
        }
        return middle;
    }

    public int corners() {
        return positions.length / 3;
    }
}
