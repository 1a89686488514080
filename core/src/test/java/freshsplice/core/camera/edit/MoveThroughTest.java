package freshsplice.core.camera.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.camera.Viewpoint;
import freshsplice.core.motion.Channel;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class MoveThroughTest {
    private static final Camera CAMERA = Camera.named("cam", FilmBack.FULL_FRAME);

    private static Viewpoint viewpoint(int i) {
        double[][] places = {{0, 1.6, 5, 170, 0, 0}, {2, 1.8, 3, -170, 5, 0}, {5, 2.5, 2, -120, 8, 4}, {9, 2.6, -1, -90, 2, 0},
            {12, 1.2, -6, -60, -4, 0}};
        double[] p = places[i];
        return new Viewpoint("v" + i, new CameraPose.Place(p[0], p[1], p[2], p[3], p[4], p[5]), 35 + 5 * i, 4 + i);
    }

    private static List<MoveThrough.Stop> stops(int halt) {
        return IntStream.range(0, 5).mapToObj(i -> new MoveThrough.Stop(viewpoint(i), i < 4 ? 25 : 0, i == halt)).toList();
    }

    private static double speed(Camera camera, CameraChannel channel, double frame) {
        Channel of = camera.channel(channel);
        double a = channel.isAngle() ? of.angleAt(exact(frame - 1e-3)) : of.at(frame - 1e-3);
        double b = channel.isAngle() ? of.angleAt(exact(frame + 1e-3)) : of.at(frame + 1e-3);
        double step = b - a;
        // the same angle may be told by a whole turn more
        return (channel.isAngle() ? step - 360 * Math.round(step / 360) : step) / 2e-3;
    }

    private static Rational exact(double frame) {
        return Rational.of(Math.round(frame * 1_000_000), 1_000_000);
    }

    @Test
    void fiveViewpointsMakeFourWaysAndInnerOnesArePassedAtASpeedThatGoesOn() {
        Camera move = MoveThrough.of(CAMERA, stops(-1), 1001);
        assertThat(move.channel(CameraChannel.X).keys()).extracting(k -> k.frame()).containsExactly(1001L, 1026L, 1051L, 1076L, 1101L);
        for (long key : new long[] {1026, 1051, 1076}) {
            for (CameraChannel channel : List.of(CameraChannel.X, CameraChannel.PAN)) {
                double before = speed(move, channel, key - 0.01);
                assertThat(speed(move, channel, key + 0.01)).isCloseTo(before, within(Math.max(0.02, Math.abs(before) * 0.05)));
                assertThat(Math.abs(before)).as("it does not halt at %d", key).isGreaterThan(0.01);
            }
        }
        assertThat(speed(move, CameraChannel.X, 1001.01)).isCloseTo(0, within(0.01));
        assertThat(speed(move, CameraChannel.PAN, 1013)).as("from 170 to -170 the short way").isPositive().isLessThan(2);
    }

    @Test
    void itHaltsWhereAsked() {
        Camera move = MoveThrough.of(CAMERA, stops(2), 1001);
        assertThat(speed(move, CameraChannel.X, 1051)).isCloseTo(0, within(1e-3));
        assertThat(Math.abs(speed(move, CameraChannel.X, 1026))).isGreaterThan(0.01);
    }

    @Test
    void fewerThanTwoAndWaysWithoutFramesAreRefused() {
        assertThatThrownBy(() -> MoveThrough.of(CAMERA, stops(-1).subList(0, 1), 1)).hasMessageContaining("two viewpoints");
        assertThatThrownBy(() -> MoveThrough.of(CAMERA, List.of(new MoveThrough.Stop(viewpoint(0), 0, false),
                new MoveThrough.Stop(viewpoint(1), 0, false)), 1)).hasMessageContaining("\"v0\"");
    }

    /** 85 to 200 mm is 2.353 times the distance, 28 to 200 is 7.143 (common practice). */
    @Test
    void theSubjectKeepsItsSizeWhenDistanceGoesWithTheLens() {
        for (double[] lenses : new double[][] {{85, 200, 2.353}, {28, 200, 7.143}}) {
            Camera camera = CAMERA.with(CameraChannel.LENS, Channel.constant(lenses[0])).with(CameraChannel.PAN, Channel.constant(40))
                    .with(CameraChannel.TILT, Channel.constant(-12));
            PoseStack stack = PoseStack.of(camera, new Stage(List.of()));
            Moment now = new Moment(Rational.of(1001), Rational.of(1001));
            KeepSize.Change change = KeepSize.forLens(stack, now, 3, lenses[1]);
            assertThat(change.metres() / 3).isCloseTo(lenses[2], within(5e-4));
            Camera changed = SetValues.at(camera, 1001, change.values(), Reach.HERE, freshsplice.core.motion.Easing.EASED);
            double[] head = stack.at(now).placed().apply(0.2, 0.5, -3);
            double[] before = seen(camera, now, head);
            double[] after = seen(changed, now, head);
            assertThat(after[0]).isCloseTo(before[0], within(1e-9));
            assertThat(after[1]).isCloseTo(before[1], within(1e-9));
            assertThat(KeepSize.forDistance(stack, now, 3, change.metres()).lens()).isCloseTo(lenses[1], within(1e-9));
        }
    }

    private static double[] seen(Camera camera, Moment moment, double[] point) {
        CameraPose pose = PoseStack.of(camera, new Stage(List.of())).at(moment);
        return pose.projection(camera.back(), 1.5).times(pose.view()).apply(point[0], point[1], point[2]);
    }
}
