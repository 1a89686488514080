package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class InViewTest {
    private static final Shot SHOT = new Shot(1, "sh0010", FrameRange.of(1001, 1025), 8, -1001,
            new Shot.Anchor("k", "k", 1001, Rational.ZERO, Rational.ONE, true));
    private static final RenderRange RANGE = new RenderRange(Rational.of(1001), Rational.ONE, 24);

    private static Camera panning(double from, double to) {
        return Camera.named("cam", FilmBack.SUPER_35).with(CameraChannel.LENS, Channel.constant(35)).with(CameraChannel.Y, Channel.constant(1.5)).with(CameraChannel.Z, Channel.constant(0)).with(CameraChannel.X, Channel.constant(0))
                .with(CameraChannel.PAN, new Channel(List.of(new Key(1001, from, Easing.STRAIGHT), new Key(1024, to, Easing.STRAIGHT)), 0));
    }

    private static Item block(long id, String colour, double x, double y, double z, double size) {
        return new Item(id, "block " + id, new Geometry.Figure(Shape.BLOCK, colour), size, size, size, Map.of(ItemChannel.X, Channel.constant(x),
                ItemChannel.Y, Channel.constant(y), ItemChannel.Z, Channel.constant(z)));
    }

    private static boolean[] seen(Camera camera, Item... items) {
        return InView.of(Bake.of(SHOT, camera, new Stage(List.of(items)), RANGE, 1), List.of(items));
    }

    private static String digest(Camera camera, Item... items) {
        return Fingerprint.inView(Bake.of(SHOT, camera, new Stage(List.of(items)), RANGE, 1), List.of(items));
    }

    @Test
    void whatIsAheadBehindAndPassedInAPan() {
        Item ahead = block(1, "#ff0000", 0, 1, -5, 1);
        Item behind = block(2, "#00ff00", 0, 1, 5, 1);
        Item left = block(3, "#0000ff", -5, 1, 0, 1);
        assertThat(seen(panning(0, 0), ahead, behind, left)).containsExactly(true, false, false);
        assertThat(seen(panning(0, 90), ahead, behind, left)).as("pan to the left passes it").containsExactly(true, false, true);
        assertThat(seen(panning(0, 0), block(4, "#ffffff", 0, 0, 0, 100))).as("a room around the camera").containsExactly(true);
    }

    @Test
    void whatNoFrameSeesChangesNothing() {
        Item ahead = block(1, "#ff0000", 0, 1, -5, 1);
        String made = digest(panning(0, 0), ahead, block(2, "#00ff00", 0, 1, 5, 1));
        assertThat(digest(panning(0, 0), ahead, block(2, "#abcdef", 3, 1, 9, 2))).isEqualTo(made);
        assertThat(digest(panning(0, 0), ahead)).as("taken out").isEqualTo(made);
        assertThat(digest(panning(0, 0), block(2, "#00ff00", 0, 1, 5, 1), ahead)).as("in another order").isEqualTo(made);
        assertThat(digest(panning(0, 0), ahead, block(2, "#00ff00", 0, 1, -9, 1))).as("comes into view").isNotEqualTo(made);
        assertThat(digest(panning(0, 0), block(1, "#ff0001", 0, 1, -5, 1))).as("another colour").isNotEqualTo(made);
        assertThat(digest(panning(0, 0), block(1, "#ff0000", 0.01, 1, -5, 1))).as("another place").isNotEqualTo(made);
    }

    /** One that crosses the picture between two frames is in the blur of them. */
    @Test
    void whatCrossesBetweenTwoFrames() {
        Item shot = new Item(1, "ball", new Geometry.Figure(Shape.BLOCK, "#ff0000"), 0.1, 0.1, 0.1, Map.of(ItemChannel.Y, Channel.constant(1.5), ItemChannel.Z,
                Channel.constant(-5), ItemChannel.X, new Channel(List.of(new Key(10, -50, Easing.STRAIGHT), new Key(11, 50, Easing.STRAIGHT)), 0)));
        assertThat(seen(panning(0, 0), shot)).containsExactly(true);
    }

    /** Whatever a corner, or the middle, of a thing is in the picture of some frame is in view. */
    @RepeatedTest(30)
    void nothingThatIsSeenIsLeftOut(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        Camera camera = panning(random.nextInt(360), random.nextInt(360));
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            items.add(block(i + 1, "#808080", random.nextInt(40) - 20, random.nextInt(6) - 2, random.nextInt(40) - 20, 0.2 + random.nextInt(4)));
        }
        Bake bake = Bake.of(SHOT, camera, new Stage(items), RANGE, 16 / 9.0);
        boolean[] view = InView.of(Bake.of(SHOT, camera, new Stage(items), RANGE, 1), items);
        int left = 0;
        for (int i = 0; i < items.size(); i++) {
            if (!view[i]) {
                left++;
                for (long k = 0; k < RANGE.frames(); k++) {
                    assertThat(shows(bake.frame(k), i, items.get(i).geometry().box())).as("thing %d at frame %d", i, k).isFalse();
                }
            }
        }
        assertThat(left).as("things that are left out").isPositive();
    }

    private static boolean shows(Bake.Frame frame, int item, double[] box) {
        for (int part = 0; part < 27; part++) {
            double[] at = {mixed(box, 0, part % 3), mixed(box, 1, part / 3 % 3), mixed(box, 2, part / 9), 1};
            double[] clip = applied(frame.projection(), 0, applied(frame.view(), 0, applied(frame.places(), item * 16, at)));
            if (clip[3] > 0 && Math.abs(clip[0]) <= clip[3] && Math.abs(clip[1]) <= clip[3]) {
                return true;
            }
        }
        return false;
    }

    private static double mixed(double[] box, int axis, int step) {
        return box[axis] + (box[axis + 3] - box[axis]) * step / 2;
    }

    private static double[] applied(float[] m, int from, double[] v) {
        double[] out = new double[4];
        for (int row = 0; row < 4; row++) {
            for (int k = 0; k < 4; k++) {
                out[row] += m[from + k * 4 + row] * v[k];
            }
        }
        return out;
    }
}
