package freshsplice.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Solids hold what geometry says they hold, and have no holes. Volumes are those of any textbook of solid geometry (from memory). */
class MeshBuilderTest {
    private static final Colour GREY = Colour.of("#808080");
    private static final double[] FOOT = {0.3, -0.2, 1.1};

    private static Mesh of(UnaryOperator<MeshBuilder> build) {
        return build.apply(new MeshBuilder()).build();
    }

    private static double[] above(double height) {
        return new double[] {FOOT[0], FOOT[1] + height, FOOT[2]};
    }

    @Test
    @DisplayName("a block: width, height and depth")
    void block() {
        Mesh mesh = of(b -> b.block(GREY, -1, 2, 3, 4, 3.5, 7));
        assertThat(Solids.volume(mesh)).isCloseTo(5 * 1.5 * 4, within(1e-5));
        Solids.isClosed(mesh);
    }

    @Test
    @DisplayName("a block with a smaller top: a prismatoid, by Simpson's rule over its height")
    void taper() {
        Mesh mesh = of(b -> b.taper(GREY, -2, -1, 2, 1, 0, -1, -0.5, 1, 0.5, 3));
        double foot = 4 * 2;
        double middle = 3 * 1.5;
        double top = 2 * 1;
        assertThat(Solids.volume(mesh)).isCloseTo(3 / 6.0 * (foot + 4 * middle + top), within(1e-5));
        Solids.isClosed(mesh);
    }

    @Test
    @DisplayName("a post of many sides: the area of its regular polygon times its length, whichever way it points")
    void post() {
        int sides = 18;
        double area = sides / 2.0 * 0.5 * 0.5 * Math.sin(2 * Math.PI / sides);
        for (double[] to : new double[][] {above(2), {FOOT[0] + 2, FOOT[1], FOOT[2]}, {FOOT[0], FOOT[1], FOOT[2] - 2}, above(-2)}) {
            Mesh mesh = of(b -> b.post(GREY, FOOT, to, 0.5, 0.5, sides));
            assertThat(Solids.volume(mesh)).isCloseTo(area * 2, within(1e-4));
            Solids.isClosed(mesh);
        }
    }

    @Test
    @DisplayName("a pointed post: a third of the straight one; a tapered one: a frustum")
    void pointedAndTapered() {
        int sides = 24;
        double unit = sides / 2.0 * Math.sin(2 * Math.PI / sides);
        assertThat(Solids.volume(of(b -> b.post(GREY, FOOT, above(3), 1, 0, sides)))).isCloseTo(unit * 3 / 3, within(1e-4));
        double frustum = unit * 3 / 3 * (1 * 1 + 1 * 0.5 + 0.5 * 0.5);
        assertThat(Solids.volume(of(b -> b.post(GREY, FOOT, above(3), 1, 0.5, sides)))).isCloseTo(frustum, within(1e-4));
        Solids.isClosed(of(b -> b.post(GREY, FOOT, above(3), 1, 0, sides)));
    }

    @Test
    @DisplayName("a ball of flat faces: less than the round one, by no more than its faces are flat")
    void ball() {
        Mesh mesh = of(b -> b.ball(GREY, 1, 2, 3, 0.4));
        double round = 4 / 3.0 * Math.PI * Math.pow(0.4, 3);
        assertThat(Solids.volume(mesh)).isBetween(round * 0.8, round);
        Solids.isClosed(mesh);
        IntStream.range(0, mesh.indices().length).forEach(i -> {
            double[] p = Solids.at(mesh, i);
            assertThat(Math.hypot(Math.hypot(p[0] - 1, p[1] - 2), p[2] - 3)).isCloseTo(0.4, within(1e-5));
        });
    }

    @Test
    @DisplayName("normals are of length 1, and colours those that were given, darker underneath")
    void normalsAndColours() {
        Mesh mesh = of(b -> b.block(GREY, 0, 0, 0, 1, 1, 1).ball(GREY, 3, 3, 3, 1).wheel(GREY, 0, 0.5, 0.5, 0.05));
        float[] n = mesh.normals();
        for (int i = 0; i < n.length; i += 3) {
            assertThat(Math.hypot(Math.hypot(n[i], n[i + 1]), n[i + 2])).isCloseTo(1, within(1e-5));
        }
        Mesh block = of(b -> b.block(GREY, 0, 0, 0, 1, 1, 1));
        for (int i = 0; i < block.normals().length; i += 3) {
            boolean under = block.normals()[i + 1] < -0.5;
            assertThat((double) block.colours()[i]).isCloseTo(128 / 255.0 * (under ? 0.8 : 1), within(1e-5));
        }
    }
}
