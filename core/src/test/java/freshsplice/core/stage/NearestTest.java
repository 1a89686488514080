package freshsplice.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class NearestTest {
    private static final double FAR = 1000;

    private static Mesh mesh(Shape shape) {
        return new Geometry.Figure(shape, "#808080").mesh();
    }

    /** A box of 4 by 2 by 6 that stands on its origin: the distance to it is worked by hand from its faces, edges and corners. */
    @Test
    void aBoxIsAsFarAsItsFacesEdgesAndCorners() {
        Nearest box = new Nearest(mesh(Shape.BLOCK), 4, 2, 6);
        assertThat(box.distance(0, 5, 0, FAR)).isCloseTo(3, within(1e-6));
        assertThat(box.distance(-5, 1, 0, FAR)).isCloseTo(3, within(1e-6));
        assertThat(box.distance(5, 6, 0, FAR)).as("an edge").isCloseTo(5, within(1e-6));
        assertThat(box.distance(3, 4, 5, FAR)).as("a corner").isCloseTo(3, within(1e-6));
        assertThat(box.distance(0, 1, 0, FAR)).as("within it, to its nearest face").isCloseTo(1, within(1e-6));
        assertThat(box.distance(0, 500, 0, 10)).as("what is farther is not looked for").isEqualTo(10);
    }

    @Test
    void whatIsClosedHasAnInsideAndWhatIsOpenHasNone() {
        Nearest box = new Nearest(mesh(Shape.BLOCK), 4, 2, 6);
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            double x = random.nextDouble() * 6 - 3;
            double y = random.nextDouble() * 4 - 1;
            double z = random.nextDouble() * 8 - 4;
            assertThat(box.contains(x, y, z)).as("%f %f %f", x, y, z).isEqualTo(Math.abs(x) < 2 && y > 0 && y < 2 && Math.abs(z) < 3);
        }
        Nearest cylinder = new Nearest(mesh(Shape.CYLINDER), 2, 3, 2);
        assertThat(cylinder.contains(0.9, 1.5, 0)).isTrue();
        assertThat(cylinder.contains(0.9, 1.5, 0.9)).as("in its box, beside it").isFalse();
        Mesh block = mesh(Shape.BLOCK);
        Mesh open = new Mesh(block.positions(), block.normals(), block.colours(), java.util.Arrays.copyOf(block.indices(), block.indices().length - 3));
        assertThat(new Nearest(open, 4, 2, 6).contains(0, 1, 0)).as("with a triangle taken out").isFalse();
    }

    /** A cylinder of eighteen sides lies within a circle of radius 1 and without one of cos 10°. */
    @Test
    void aCylinderIsAsFarAsItsAxisSays() {
        Nearest cylinder = new Nearest(mesh(Shape.CYLINDER), 2, 3, 2);
        for (int degrees = 0; degrees < 360; degrees += 7) {
            double x = 4 * Math.cos(Math.toRadians(degrees));
            double z = 4 * Math.sin(Math.toRadians(degrees));
            assertThat(cylinder.distance(x, 1.5, z, FAR)).isBetween(3 - 1e-6, 4 - Math.cos(Math.toRadians(10)) + 1e-6);
        }
        assertThat(cylinder.distance(0, 5, 0, FAR)).isCloseTo(2, within(1e-6));
    }

    /** A sphere of 80 by 160 faces against its radius. */
    @Test
    void aSphereIsAsFarAsItsRadiusSays() {
        Nearest sphere = new Nearest(sphere(80, 160), 2, 2, 2);
        Random random = new Random(5);
        for (int n = 0; n < 300; n++) {
            double x = random.nextGaussian() * 5;
            double y = random.nextGaussian() * 5;
            double z = random.nextGaussian() * 5;
            double away = Math.abs(Math.sqrt(x * x + y * y + z * z) - 2);
            assertThat(sphere.distance(x, y, z, FAR)).isCloseTo(away, within(0.003));
        }
    }

    @Test
    void theTreeFindsWhatLookingAtEveryTriangleFinds() {
        Random random = new Random(8);
        float[] positions = new float[900 * 3];
        int[] indices = new int[900];
        for (int i = 0; i < 900; i++) {
            indices[i] = i;
            // triangles of all sizes, flat ones and single points too
            for (int k = 0; k < 3; k++) {
                positions[i * 3 + k] = (float) (i % 17 == 0 ? positions[Math.max(0, i - 1) * 3 + k] : random.nextGaussian() * (i % 5 + 0.1));
            }
        }
        Mesh all = new Mesh(positions, positions, positions, indices);
        Nearest tree = new Nearest(all, 1, 1, 1);
        for (int n = 0; n < 200; n++) {
            double[] p = {random.nextGaussian() * 8, random.nextGaussian() * 8, random.nextGaussian() * 8};
            double least = FAR;
            for (int t = 0; t < 900; t += 3) {
                least = new Nearest(new Mesh(positions, positions, positions, new int[] {t, t + 1, t + 2}), 1, 1, 1)
                        .distance(p[0], p[1], p[2], least);
            }
            assertThat(tree.distance(p[0], p[1], p[2], FAR)).isCloseTo(least, within(1e-9));
        }
    }

    private static Mesh sphere(int rows, int columns) {
        float[] positions = new float[(rows + 1) * (columns + 1) * 3];
        int[] indices = new int[rows * columns * 6];
        int k = 0;
        for (int r = 0; r <= rows; r++) {
            for (int c = 0; c <= columns; c++) {
                double up = Math.PI * r / rows;
                double round = 2 * Math.PI * c / columns;
                int at = (r * (columns + 1) + c) * 3;
                positions[at] = (float) (Math.sin(up) * Math.cos(round));
                positions[at + 1] = (float) Math.cos(up);
                positions[at + 2] = (float) (Math.sin(up) * Math.sin(round));
                if (r < rows && c < columns) {
                    int a = r * (columns + 1) + c;
                    for (int corner : new int[] {a, a + 1, a + columns + 1, a + 1, a + columns + 2, a + columns + 1}) {
                        indices[k++] = corner;
                    }
                }
            }
        }
        return new Mesh(positions, positions, positions, indices);
    }
}
