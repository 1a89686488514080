package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.PictureSize;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.render.FrameLook;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class StagePainterTest {
    private static final int W = 160;
    private static final int H = 90;
    private static final Stage STAGE = new Stage(List.of(new Item(1, "block", new Geometry.Figure(Shape.BLOCK, "#c04020"), 1, 1, 1, Map.of())));
    /** In the middle of the picture, and where nobody sees it. */
    private static final Matrix SEEN = Matrix.translation(0, 0, -6).times(Matrix.scaling(2, 2, 2));
    private static final Matrix BEHIND = Matrix.translation(0, 0, 60);

    private static byte[] draw(StagePainter painter, PictureForm form, Matrix place) {
        CameraPose eye = CameraPose.standing(new CameraPose.Place(0, 1, 0, 0, 0, 0), 35, 5);
        float[] places = new float[16];
        place.copyTo(places, 0);
        byte[] picture = new byte[W * H * (form.alpha() ? 4 : 3) * (form.deep() ? 2 : 1)];
        painter.form(form);
        painter.stage(STAGE);
        painter.draw(eye.view().toFloats(), eye.projection(FilmBack.FULL_FRAME, W / (double) H).toFloats(), places, null, picture);
        return picture;
    }

    private static PictureForm form(FrameLook.Edges edges, boolean alpha, boolean deep) {
        return new PictureForm(W, H, W, H, edges, alpha, deep);
    }

    @ParameterizedTest
    @CsvSource({"PLAIN, false, false", "FINE, false, false", "PLAIN, true, false", "PLAIN, false, true", "FINE, true, true"})
    void nothingOfAPictureIsSeenInTheNext(FrameLook.Edges edges, boolean alpha, boolean deep) {
        PictureForm form = form(edges, alpha, deep);
        byte[] empty;
        try (StagePainter fresh = new StagePainter()) {
            empty = draw(fresh, form, BEHIND);
        }
        try (StagePainter painter = new StagePainter()) {
            byte[] block = draw(painter, form, SEEN);
            assertThat(block).as("the block is seen").isNotEqualTo(empty);
            assertThat(draw(painter, form, BEHIND)).as("and then not any more").isEqualTo(empty);
            assertThat(draw(painter, form, SEEN)).isEqualTo(block);
        }
    }

    @Test
    void sixteenBitsAreTheSamePictureAsEightMoreFinely() {
        try (StagePainter painter = new StagePainter()) {
            byte[] eight = draw(painter, form(FrameLook.Edges.PLAIN, false, false), SEEN);
            byte[] sixteen = draw(painter, form(FrameLook.Edges.PLAIN, false, true), SEEN);
            assertThat(IntStream.range(0, eight.length).filter(i -> {
                int fine = (sixteen[2 * i] & 0xFF) << 8 | sixteen[2 * i + 1] & 0xFF;
                return Math.abs(fine / 257.0 - (eight[i] & 0xFF)) >= 1;
            })).as("values that are others").isEmpty();
            assertThat(IntStream.range(0, eight.length).map(i -> sixteen[2 * i + 1]).distinct().count()).as("finer steps").isGreaterThan(64);
        }
    }

    @Test
    void theSkyThatIsLeftOutCoversNothingAndThingsCoverWhole() {
        try (StagePainter painter = new StagePainter()) {
            byte[] with = draw(painter, form(FrameLook.Edges.PLAIN, false, false), SEEN);
            byte[] without = draw(painter, form(FrameLook.Edges.PLAIN, true, false), SEEN);
            int middle = H / 2 * W + W / 2;
            assertThat(without[3]).as("the sky in the corner").isZero();
            assertThat(without[middle * 4 + 3]).as("the block in the middle").isEqualTo((byte) 255);
            for (int c = 0; c < 3; c++) {
                assertThat(Math.abs((without[middle * 4 + c] & 0xFF) - (with[middle * 3 + c] & 0xFF))).as("its colour").isLessThanOrEqualTo(1);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(FrameLook.Edges.class)
    void sizesThatCannotBeAreRefused(FrameLook.Edges edges) {
        for (int[] size : new int[][] {{15, 90}, {160, 15}, {PictureSize.LARGEST + 1, 90}, {160, PictureSize.LARGEST + 1}}) {
            assertThatThrownBy(() -> new PictureForm(size[0], size[1], W, H, edges, false, false)).isInstanceOf(Refusal.class)
                    .hasMessageContaining(size[0] + " x " + size[1]);
            assertThatThrownBy(() -> new PictureForm(W, H, size[0], size[1], edges, false, false)).isInstanceOf(Refusal.class);
        }
    }
}
