package freshsplice.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class FiguresTest {
    @Test
    void theMiddleOfAThingIsHalfItsHeightAndNotHalfOfAFactor() {
        Item person = new Item(1, "p", new Geometry.Figure(Shape.PERSON, "#808080"), 1, 2, 1, java.util.Map.of());
        Mesh mesh = person.geometry().mesh();
        double highest = 0;
        for (int i = 1; i < mesh.positions().length; i += 3) {
            highest = Math.max(highest, mesh.positions()[i]);
        }
        assertThat(person.middle()[1]).isCloseTo(highest * 2 / 2, org.assertj.core.api.Assertions.within(0.02));
    }

    @Test
    void aHelperIsSeenNowhere() {
        for (float corner : new Geometry.Figure(Shape.HELPER, "#808080").mesh().positions()) {
            assertThat(corner).isZero();
        }
    }

    /** Each face looks outwards and is lit so: its corners turn the way its normal says, and the whole encloses room. */
    @ParameterizedTest
    @EnumSource(value = Shape.class, mode = EnumSource.Mode.EXCLUDE, names = "HELPER")
    void meshesAreWholeAndWoundOutwards(Shape shape) {
        Mesh mesh = new Geometry.Figure(shape, "#808080").mesh();
        assertThat(mesh.indices()).isNotEmpty();
        assertThat(mesh.indices().length % 3).isZero();
        assertThat(Solids.volume(mesh)).as("room that its faces enclose, looking outwards").isPositive();
        float[] p = mesh.positions();
        for (int t = 0; t < mesh.indices().length; t += 3) {
            int a = mesh.indices()[t] * 3;
            int b = mesh.indices()[t + 1] * 3;
            int c = mesh.indices()[t + 2] * 3;
            double nx = (p[b + 1] - p[a + 1]) * (p[c + 2] - p[a + 2]) - (p[b + 2] - p[a + 2]) * (p[c + 1] - p[a + 1]);
            double ny = (p[b + 2] - p[a + 2]) * (p[c] - p[a]) - (p[b] - p[a]) * (p[c + 2] - p[a + 2]);
            double nz = (p[b] - p[a]) * (p[c + 1] - p[a + 1]) - (p[b + 1] - p[a + 1]) * (p[c] - p[a]);
            float[] n = mesh.normals();
            assertThat(nx * n[a] + ny * n[a + 1] + nz * n[a + 2]).isGreaterThanOrEqualTo(0);
        }
    }
}
