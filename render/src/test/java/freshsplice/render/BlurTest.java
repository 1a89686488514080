package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.Optics;
import freshsplice.core.delivery.Bake;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FrameLook;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BlurTest {
    private static final int W = 640;
    private static final int H = 360;
    private static final FilmBack BACK = FilmBack.FULL_FRAME;
    private static final CameraPose EYE = CameraPose.standing(new CameraPose.Place(0, 0, 0, 0, 0, 0), 50, 5);
    /** A small light block before a dark wall. */
    private static final Stage STAGE = new Stage(List.of(block(1, "#ffffff"), block(2, "#000000")));

    private static Item block(long id, String colour) {
        return new Item(id, "block", new Geometry.Figure(Shape.BLOCK, colour), 1, 1, 1, Map.of());
    }

    /** Light in every pixel as the picture counts it: what was written, squared. */
    private static double[] light(double lens, double metres, double side, double wall, Bake.Blur blur) {
        Matrix near = side == 0 ? Matrix.scaling(0, 0, 0) : Matrix.translation(0, -side / 2, -metres).times(Matrix.scaling(side, side, 0.01));
        Matrix far = Matrix.translation(0, -100, -wall).times(Matrix.scaling(400, 200, 0.01));
        float[] places = new float[32];
        near.copyTo(places, 0);
        far.copyTo(places, 16);
        CameraPose pose = new CameraPose(EYE.placed(), lens, 5, 2.8);
        byte[] picture = new byte[W * H * 3];
        try (StagePainter painter = new StagePainter()) {
            painter.size(W, H);
            painter.stage(STAGE);
            painter.draw(pose.view().toFloats(), pose.projection(BACK, W / (double) H).toFloats(), places, blur, picture);
        }
        double[] light = new double[W * H];
        for (int i = 0; i < light.length; i++) {
            double v = (picture[i * 3] & 0xFF) / 255.0;
            light[i] = v * v;
        }
        return light;
    }

    private static Bake.Blur blur(double lens, double stop, double focus) {
        return new Bake.Blur((float) focus, (float) (Optics.farCircle(lens, stop, focus) / BACK.widthMm()));
    }

    /** Sum, and variance along a row, of what a block adds to the picture. */
    private static double[] spread(double lens, double metres, double side, double wall, Bake.Blur blur) {
        double[] with = light(lens, metres, side, wall, blur);
        double[] without = light(lens, metres, 0, wall, blur);
        double sum = 0;
        double first = 0;
        double second = 0;
        for (int i = 0; i < with.length; i++) {
            double x = i % W + 0.5 - W / 2.0;
            double added = with[i] - without[i];
            sum += added;
            first += added * x;
            second += added * x * x;
        }
        return new double[] {sum, second / sum - (first / sum) * (first / sum)};
    }

    /**
     * A small bright spot out of focus is a disc of f²/(N·(s − f)) · |d − s|/d on the back (thin lens, textbooks of photography; checked
     * against the limits of sharpness in OpticsTest). A disc of diameter c adds c²/16 to the variance along a row.
     */
    @ParameterizedTest
    @CsvSource({"50,1.4,2,4", "50,2.8,1.5,6", "85,2,3,9", "50,1.4,6,3", "85,2,8,5", "35,1.4,1,2.5"})
    void aSmallBrightSpotIsADiscAsWideAsTheLensMakesIt(double lens, double stop, double focus, double metres) {
        double side = 4 * BACK.widthMm() / W * metres / lens;
        double circle = Optics.circle(lens, stop, focus, metres) / BACK.widthMm() * W;
        double[] sharp = spread(lens, metres, side, 40, null);
        double[] blurred = spread(lens, metres, side, 40, blur(lens, stop, focus));
        double measured = Math.sqrt(16 * (blurred[1] - sharp[1]));
        assertThat(measured).as("%.1f pixels", circle).isCloseTo(circle, within(Math.max(0.6, circle * 0.08)));
        assertThat(blurred[0]).as("no light is lost or won").isCloseTo(sharp[0], within(sharp[0] * 0.12));
    }

    @Test
    void whatIsInFocusStaysSharpAndWhatIsBehindItDoesNotSpreadOverIt() {
        double[] sharp = light(50, 3, 0.6, 40, null);
        double[] focused = light(50, 3, 0.6, 40, blur(50, 1.4, 3));
        // inside the block, up to its edge
        int left = (int) (W / 2.0 - 0.3 * 50 / 3 / BACK.widthMm() * W) + 2;
        for (int x = left; x < W - left; x++) {
            assertThat(focused[H / 2 * W + x]).as("x %d", x).isCloseTo(sharp[H / 2 * W + x], within(0.02));
        }
    }

    /** Laid over the sky that was left out it is what is drawn with it, where blurring works: on squares. */
    @Test
    void leftOutSkyShowsThroughBlurredEdgesAsThroughGlass() {
        Pixels with = beforeSky(false);
        Pixels without = beforeSky(true);
        double covered = 0;
        double furthest = 0;
        for (int i = 0; i < W * H; i++) {
            int alpha = without.bytes()[i * 4 + 3] & 0xFF;
            covered += alpha / 255.0;
            double share = alpha / 255.0;
            for (int c = 0; c < 3; c++) {
                // the sky beside the block, a few rows of which are one colour
                double sky = with.bytes()[(i / W * W) * 3 + c] & 0xFF;
                double own = without.bytes()[i * 4 + c] & 0xFF;
                double over = own * own * share + sky * sky * (1 - share);
                double seen = Math.pow(with.bytes()[i * 3 + c] & 0xFF, 2);
                furthest = Math.max(furthest, Math.abs(over - seen) / 65_025);
            }
        }
        assertThat(furthest).as("light of the pixel that differs most").isLessThan(0.02);
        assertThat(without.bytes()[3]).as("the sky").isZero();
        assertThat(without.bytes()[(H / 2 * W + W / 2) * 4 + 3]).as("the middle of the block").isEqualTo((byte) 255);
        double side = 1.2 * 50 / 5 / BACK.widthMm() * W;
        assertThat(covered).as("as much as the sharp block covers").isCloseTo(side * side, within(side * side * 0.05));
    }

    /** A dark block of 1.2 m five metres away, in focus at two, before the sky. */
    private static Pixels beforeSky(boolean alpha) {
        Stage dark = new Stage(List.of(block(1, "#202020")));
        float[] places = new float[16];
        Matrix.translation(0, -0.6, -5).times(Matrix.scaling(1.2, 1.2, 0.01)).copyTo(places, 0);
        CameraPose pose = new CameraPose(EYE.placed(), 50, 2, 1.4);
        Bake.Blur blur = blur(50, 1.4, 2);
        Pixels pixels = new Pixels(W, H, alpha, false);
        try (StagePainter painter = new StagePainter()) {
            painter.form(new PictureForm(W, H, W, H, FrameLook.Edges.PLAIN, alpha, false));
            painter.set(DrawnSet.of(dark).unplaced());
            painter.draw(pose.view().toFloats(), pose.projection(BACK, W / (double) H).toFloats(), places, blur, pixels.bytes());
        }
        return pixels;
    }

    @Test
    void aPictureWhoseDepthIsAllSharpIsTheOneWithoutBlur() {
        double[] sharp = light(50, 5, 0.6, 5.2, null);
        double[] focused = light(50, 5, 0.6, 5.2, blur(50, 22, 5));
        assertThat(focused).isEqualTo(sharp);
    }
}
