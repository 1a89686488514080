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
    public int corners() {
        return positions.length / 3;
    }
}
