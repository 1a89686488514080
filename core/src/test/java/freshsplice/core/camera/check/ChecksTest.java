package freshsplice.core.camera.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.Mount;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.camera.edit.ClearKey;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ChecksTest {
    private static final Shot SHOT = new Shot(1, "sh0010", FrameRange.of(1001, 1049), 8, -1001, new Shot.Anchor("", "", 0, Rational.ZERO,
            Rational.ONE, true));
    private static final Stage EMPTY = new Stage(List.of());

    private static Channel ramp(double from, double to) {
        return new Channel(List.of(new Key(1001, from, Easing.STRAIGHT), new Key(1049, to, Easing.STRAIGHT)), 0);
    }

    private static Camera camera(Map<CameraChannel, Channel> channels) {
        return Camera.named("cam", FilmBack.FULL_FRAME).with(channels);
    }

    private static Item thing(long id, String name, Shape shape, double size, double x, double y, double z) {
        return new Item(id, name, new Geometry.Figure(shape, "#808080"), size, size, size, Map.of(ItemChannel.X, Channel.constant(x),
                ItemChannel.Y, Channel.constant(y), ItemChannel.Z, Channel.constant(z)));
    }

    /** 4.8 m in 48 frames are 2.4 m a second at 24, 9.6 at 96; 96° in them are 48° a second. */
    @Test
    void speedsAreMetresAndDegreesASecondAtTheRate() {
        CameraMove dolly = CameraMove.of(SHOT, camera(Map.of(CameraChannel.X, ramp(0, 4.8))), EMPTY, FrameRate.FPS_24);
        assertThat(dolly.metres()[20]).isCloseTo(2.4, within(1e-9));
        assertThat(dolly.degrees()[20]).isCloseTo(0, within(1e-5));
        assertThat(dolly.tooFast()).isEmpty();
        CameraMove pan = CameraMove.of(SHOT, camera(Map.of(CameraChannel.PAN, ramp(0, 96))), EMPTY, FrameRate.FPS_24);
        assertThat(pan.degrees()[20]).isCloseTo(48, within(1e-9));
        CameraMove roll = CameraMove.of(SHOT, camera(Map.of(CameraChannel.ROLL, ramp(0, 96))), EMPTY, FrameRate.FPS_24);
        assertThat(roll.degrees()[20]).isCloseTo(48, within(1e-9));
        assertThat(roll.tooFast()).as("a roll takes nothing across").isEmpty();
    }

    /** 50 mm on 36 mm sees 39.6°: at 5.66° a second that takes seven seconds (common practice), at 6 less. */
    @Test
    void aPanIsTooFastWhereThePictureGoesByInLessThanSevenSeconds() {
        Camera lens = camera(Map.of(CameraChannel.LENS, Channel.constant(50)));
        CameraMove slow = CameraMove.of(SHOT, lens.with(CameraChannel.PAN, ramp(0, 5.6 * 2)), EMPTY, FrameRate.FPS_24);
        assertThat(slow.tooFast()).isEmpty();
        CameraMove fast = CameraMove.of(SHOT, lens.with(CameraChannel.PAN, ramp(0, -6 * 2)), EMPTY, FrameRate.FPS_24);
        assertThat(fast.tooFast()).hasSize(1);
        assertThat(fast.tooFast().get(0).seconds()).isCloseTo(39.6 / 6, within(0.01));
        assertThat(fast.tooFast().get(0).from()).as("over a frame at its first key it goes half as fast").isEqualTo(1002);
        assertThat(fast.tooFast().get(0).to()).isEqualTo(1048);
    }

    /** A straight way past a block of 2 m at 3 m from its face: 3 m and the near sphere less, at the middle. */
    @Test
    void clearanceIsTheLeastDistanceWithItsFrameAndThing() {
        Camera camera = camera(Map.of(CameraChannel.X, ramp(-12, 12), CameraChannel.Y, Channel.constant(1), CameraChannel.Z,
                Channel.constant(4)));
        Stage stage = new Stage(List.of(thing(3, "far pole", Shape.TIDE_POLE, 1, 40, 0, 0), thing(4, "block", Shape.BLOCK, 2, 0, 0, 0),
                thing(5, "helper", Shape.HELPER, 1, 0, 1, 4)));
        Clearance clearance = Clearance.of(SHOT, camera, stage);
        int at = (int) (clearance.closest() - clearance.first());
        double near = CameraPose.NEAR * Math.sqrt(1 + Math.pow(18 / 35.0, 2) + Math.pow(12 / 35.0, 2));
        assertThat(clearance.metres()[at]).isCloseTo(3 - near, within(1e-6));
        assertThat(clearance.things()[at]).isEqualTo(1);
        assertThat(clearance.closest()).isBetween(1023L, 1027L);
        assertThat(clearance.things()[47]).isEqualTo(1);
    }

    @Test
    void whatTheNearPlaneCutsIsBelowNothing() {
        Camera through = camera(Map.of(CameraChannel.X, ramp(-6, 6), CameraChannel.Y, Channel.constant(1), CameraChannel.Z, Channel.constant(0)));
        Clearance clearance = Clearance.of(SHOT, through, new Stage(List.of(thing(4, "block", Shape.BLOCK, 2, 0, 0, 0))));
        assertThat(Arrays.stream(clearance.metres()).min().orElseThrow()).isNegative();
        Clearance carried = Clearance.of(SHOT, through.mounted(List.of(new Mount(null, 4L))), new Stage(List.of(
                thing(4, "block", Shape.BLOCK, 2, 0, 0, 0))));
        assertThat(carried.things()).as("what carries it is left aside").containsOnly(-1);
    }

    /** Within a block of 4 m, 1 m from a face; a pole beside it would be nearer to the eye than any face. */
    @Test
    void withinAClosedThingItIsBelowNothingAndNamesTheThing() {
        Camera inside = camera(Map.of(CameraChannel.X, Channel.constant(1), CameraChannel.Y, Channel.constant(2), CameraChannel.Z, Channel.constant(0)));
        Stage stage = new Stage(List.of(thing(3, "pole", Shape.TIDE_POLE, 1, 1.3, 0, 0), thing(4, "block", Shape.BLOCK, 4, 0, 0, 0)));
        Clearance clearance = Clearance.of(SHOT, inside, stage);
        double near = CameraPose.NEAR * Math.sqrt(1 + Math.pow(18 / 35.0, 2) + Math.pow(12 / 35.0, 2));
        assertThat(clearance.metres()[0]).isCloseTo(-1 - near, within(1e-6));
        assertThat(clearance.things()[0]).isEqualTo(1);
        Camera cleared = ClearKey.at(inside, stage, SHOT.momentAt(Rational.of(1001)), 1001, Clearance.ENOUGH);
        CameraPose is = PoseStack.of(cleared, stage).at(SHOT.momentAt(Rational.of(1001)));
        assertThat(Math.max(Math.abs(is.place().x()), Math.abs(is.place().z()))).isGreaterThan(2 + Clearance.ENOUGH);
    }

    @Test
    void aThingThatMovesAwayIsAsFarAsItIsThen() {
        Item rider = new Item(9, "rider", new Geometry.Figure(Shape.BLOCK, "#808080"), 2, 2, 2, Map.of(ItemChannel.Z,
                new Channel(List.of(new Key(0, -3, Easing.STRAIGHT), new Key(48, -27, Easing.STRAIGHT)), 0)));
        Camera camera = camera(Map.of(CameraChannel.Y, Channel.constant(1), CameraChannel.Z, Channel.constant(0)));
        Clearance clearance = Clearance.of(SHOT, camera, new Stage(List.of(rider)));
        assertThat(clearance.metres()[24] - clearance.metres()[0]).isCloseTo(12, within(1e-6));
        assertThat(clearance.closest()).isEqualTo(1001);
    }

    @Test
    void whatLeavesTheFrameIsToldWithItsFramesAndSides() {
        // a metre wide at 10 m: half the picture is 10 · 18 / 35 m wide
        Item block = thing(4, "block", Shape.BLOCK, 1, 0, 0, -10);
        Camera truck = camera(Map.of(CameraChannel.X, ramp(0, 12), CameraChannel.Y, Channel.constant(0.5), CameraChannel.Z,
                Channel.constant(0)));
        List<InFrame.Leaves> leaves = InFrame.of(SHOT, truck, new Stage(List.of(block)), Set.of(4L), 1.5, 1);
        // its near left corner is at −x − 0.5 of 9.5 m: out where x + 0.5 > 9.5 · 18 / 35
        long first = 1001 + (long) Math.floor((9.5 * 18 / 35 - 0.5) / 12 * 48) + 1;
        assertThat(leaves).containsExactly(new InFrame.Leaves(4, "block", first, 1048, Set.of(InFrame.Side.LEFT)));
        assertThat(InFrame.of(SHOT, truck, new Stage(List.of(block)), Set.of(4L), 1.5, 0.9).get(0).from()).isLessThan(first);
        assertThat(InFrame.of(SHOT, truck.with(CameraChannel.PAN, Channel.constant(180)), new Stage(List.of(block)), Set.of(4L), 1.5, 1)
                .get(0).sides()).containsExactly(InFrame.Side.BEHIND);
        assertThat(InFrame.of(SHOT, camera(Map.of()), new Stage(List.of(block)), Set.of(9L), 1.5, 1)).isEmpty();
    }

    /** A straight way through the middle of a block of 2 m: the nearest clear place is a side of it, 1 m and what is enough away. */
    @Test
    void aKeyIsOfferedThatIsClearAndAsNearAsThereIsOne() {
        Camera through = camera(Map.of(CameraChannel.X, ramp(-12, 12), CameraChannel.Y, Channel.constant(1.2), CameraChannel.Z,
                Channel.constant(0.2)));
        Stage stage = new Stage(List.of(thing(4, "block", Shape.BLOCK, 2, 0, 0, 0)));
        long frame = Clearance.of(SHOT, through, stage).closest();
        Camera cleared = ClearKey.at(through, stage, SHOT.momentAt(Rational.of(frame)), frame, Clearance.ENOUGH);
        Clearance after = Clearance.of(SHOT, cleared, stage);
        assertThat(after.metres()[(int) (frame - 1001)]).isBetween(Clearance.ENOUGH, Clearance.ENOUGH + 0.1);
        CameraPose was = PoseStack.of(through, stage).at(SHOT.momentAt(Rational.of(frame)));
        CameraPose is = PoseStack.of(cleared, stage).at(SHOT.momentAt(Rational.of(frame)));
        assertThat(Math.hypot(is.place().x() - was.place().x(), is.place().z() - was.place().z())).isLessThan(1.4);
        assertThat(is.place().pan()).isEqualTo(was.place().pan());
        assertThat(cleared.channel(CameraChannel.X).keys()).extracting(Key::frame).contains(1001L, 1049L);
        assertThat(cleared.channel(CameraChannel.Z).keys()).extracting(Key::frame).contains(frame);
        assertThatThrownBy(() -> ClearKey.at(cleared, stage, SHOT.momentAt(Rational.of(frame)), frame, Clearance.ENOUGH))
                .isInstanceOf(Refusal.class).hasMessageContaining("already");
    }
}
