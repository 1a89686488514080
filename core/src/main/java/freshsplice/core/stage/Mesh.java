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
    /** The box around it, metres: least x, y, z and greatest; the origin where there is nothing. */
    public double[] box() {
        double[] box = new double[6];
        for (int axis = 0; axis < 3 && positions.length > 0; axis++) {
            float low = Float.MAX_VALUE;
            float high = -Float.MAX_VALUE;
            for (int i = axis; i < positions.length; i += 3) {
                low = Math.min(low, positions[i]);
                high = Math.max(high, positions[i]);
            }
            box[axis] = low;
            box[axis + 3] = high;
        }
        return box;
    }

    public int corners() {
        return positions.length / 3;
    }
}
