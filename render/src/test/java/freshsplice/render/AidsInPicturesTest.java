package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.motion.Channel;
import freshsplice.core.render.Aid;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.ShownSet;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AidsInPicturesTest {
    private static final int W = 640;
    private static final int H = 360;
    /** Two metres high, looking straight ahead. */
    private static final CameraPose EYE = CameraPose.standing(new CameraPose.Place(0, 2, 0, 0, 0, 0), 35, 5);
    /** Between the eye and the line five metres to the left. */
    private static final Stage STAGE = new Stage(List.of(new Item(1, "block", new Geometry.Figure(Shape.BLOCK, "#000000"), 2, 4, 1,
            Map.of(ItemChannel.X, Channel.constant(-2.5), ItemChannel.Z, Channel.constant(-8)))));

    private static byte[] drawn(FrameLook.Edges edges, int percent, boolean blur, Aid... aids) throws IOException {
        FrameLook look = new FrameLook(W, H, percent, edges, 0, 8, blur, 0, List.of(aids));
        DrawnSet set = ShownSet.of(STAGE, look.aids()).drawn();
        FrameOrder.Moment moment = new FrameOrder.Moment(EYE.view().toFloats(), EYE.projection(FilmBack.FULL_FRAME, W / (double) H).toFloats(),
                new float[0], blur, 5, 0.001f);
        FrameOrder order = new FrameOrder(List.of(new FrameOrder.Layer(new FrameOrder.Source.OfSet(set.key(), List.of(moment)), 1)), List.of(),
                look.aids().stream().filter(a -> !a.isInSet()).toList());
        Pixels picture = new Pixels(W, H, false, false);
        try (StagePainter painter = new StagePainter(); FrameMaker maker = new FrameMaker(painter, look, false, false, Footage.of(set))) {
            maker.draw(order, picture);
        }
        return picture.bytes().clone();
    }

    /** How much a pixel and its neighbours differ. */
    private static int difference(byte[] a, byte[] b, int x, int y) {
        int most = 0;
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int at = ((y + dy) * W + x + dx) * 3;
                most = Math.max(most, Math.abs((a[at] & 0xFF) - (b[at] & 0xFF)));
            }
        }
        return most;
    }

    /** Where a point on the ground is seen: a 35 mm lens on a back 36 mm wide has half its width at 18/35 of the distance. */
    private static int[] seen(double x, double z) {
        double half = 18.0 / 35;
        double aspect = W / (double) H;
        return new int[] {(int) Math.round(W / 2.0 * (1 + x / -z / half)), (int) Math.round(H / 2.0 * (1 + 2 / -z / half * aspect))};
    }

    @ParameterizedTest
    @CsvSource({"QUICK,100,false", "FINE,100,false", "PLAIN,200,false", "QUICK,50,false", "QUICK,100,true"})
    void gridLinesLieWhereTheGroundIsSeen(FrameLook.Edges edges, int percent, boolean blur) throws IOException {
        byte[] without = drawn(edges, percent, blur);
        byte[] with = drawn(edges, percent, blur, Aid.GRID);
        for (int[] crossing : new int[][] {{2, -10}, {4, -9}, {3, -8}}) {
            int[] on = seen(crossing[0], crossing[1]);
            int[] between = seen(crossing[0] + 0.5, crossing[1] + 0.5);
            assertThat(difference(with, without, on[0], on[1])).as("at " + Arrays.toString(crossing)).isGreaterThan(8);
            assertThat(difference(with, without, between[0], between[1])).as("between").isLessThan(4);
        }
        int[] hidden = seen(-3, -10);
        assertThat(difference(with, without, hidden[0], hidden[1])).as("behind the block").isLessThan(3);
    }

    @Test
    void guidesLieAtTheirSharesAndNowhereElse() throws IOException {
        byte[] without = drawn(FrameLook.Edges.QUICK, 100, false);
        byte[] with = drawn(FrameLook.Edges.QUICK, 100, false, Aid.THIRDS);
        assertThat(difference(with, without, W / 3, 50)).isGreaterThan(10);
        assertThat(difference(with, without, 400, H * 2 / 3)).isGreaterThan(10);
        assertThat(difference(with, without, W / 2, H / 2)).isZero();
    }

    @Test
    void linesOfASetAreReadToTheBit(@TempDir Path folder) throws IOException {
        DrawnSet set = ShownSet.of(STAGE, List.of(Aid.GRID, Aid.PATHS)).drawn();
        Path file = folder.resolve("set.glb");
        SetFile.write(file, set);
        DrawnSet read = SetFile.read(file, set.key());
        assertThat(read.lines().ends()).isEqualTo(set.lines().ends());
        assertThat(read.lines().colours()).isEqualTo(set.lines().colours());
        assertThat(read.meshes()).hasSize(1);
        assertThat(read.standing()).isEqualTo(set.standing());
    }
}
