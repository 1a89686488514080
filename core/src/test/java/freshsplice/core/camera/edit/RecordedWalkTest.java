package freshsplice.core.camera.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.Mount;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RecordedWalkTest {
    private static final FrameRate RATE = FrameRate.FPS_24;
    private static final Camera FIXED = Camera.named("cam", FilmBack.SUPER_35);
    private static final Stage EMPTY = new Stage(List.of());

    private static Moment moment(long frame) {
        return new Moment(Rational.of(frame), Rational.of(frame));
    }

    private static Camera recorded(Camera camera, Stage stage, List<RecordedWalk.Sample> samples, double metres, double degrees) {
        return RecordedWalk.of(camera, PoseStack.of(camera, stage), RecordedWalkTest::moment, samples, 1001, RATE,
                new RecordedWalk.Tolerance(metres, degrees));
    }

    private static RecordedWalk.Sample sample(double seconds, double x, double z, double pan) {
        return new RecordedWalk.Sample(seconds, new CameraPose.Place(x, 1.65, z, pan, -3, 0).matrix(), 35);
    }

    @Test
    void aStraightWalkIsTwoKeys() {
        List<RecordedWalk.Sample> samples = new ArrayList<>();
        for (int i = 0; i <= 60; i++) {
            samples.add(sample(i / 30.0, i * 0.05, 4, 10));
        }
        Camera walked = recorded(FIXED, EMPTY, samples, 0.05, 0.5);
        assertThat(walked.channel(CameraChannel.X).keys()).extracting(Key::frame).containsExactly(1001L, 1049L);
        assertThat(walked.keyed(CameraChannel.X, Rational.of(1049))).isCloseTo(3, within(1e-9));
    }

    @Test
    void anyWalkIsKeptWithinItsToleranceAtEveryFrameWithFewerKeysForLooserOnes() {
        for (int seed = 1; seed <= 20; seed++) {
            List<RecordedWalk.Sample> samples = wander(new Random(seed));
            int before = Integer.MAX_VALUE;
            for (double metres : new double[] {0.01, 0.05, 0.3}) {
                Camera walked = recorded(FIXED, EMPTY, samples, metres, metres * 20);
                Camera exact = recorded(FIXED, EMPTY, samples, 0.001, 0.01);
                List<Key> keys = walked.channel(CameraChannel.X).keys();
                for (long frame = keys.get(0).frame(); frame <= keys.get(keys.size() - 1).frame(); frame++) {
                    assertThat(apart(walked, exact, frame)).isLessThanOrEqualTo(metres + 0.001);
                    assertThat(walked.keyed(CameraChannel.PAN, Rational.of(frame))).isCloseTo(
                            exact.keyed(CameraChannel.PAN, Rational.of(frame)), within(metres * 20 + 0.01));
                }
                assertThat(keys.size()).isLessThanOrEqualTo(before);
                before = keys.size();
            }
            assertThat(before).as("loosely kept").isLessThan(40);
        }
    }

    private static List<RecordedWalk.Sample> wander(Random random) {
        List<RecordedWalk.Sample> samples = new ArrayList<>();
        double x = 0;
        double pan = 170;
        double seconds = 0;
        for (int i = 0; i < 120; i++) {
            samples.add(sample(seconds, x, Math.sin(seconds) * 2, pan));
            seconds += 0.01 + random.nextDouble() * 0.05;
            x += random.nextDouble() * 0.1;
            pan += random.nextDouble() * 6;
        }
        return samples;
    }

    private static double apart(Camera one, Camera other, long frame) {
        double sum = 0;
        for (CameraChannel channel : List.of(CameraChannel.X, CameraChannel.Y, CameraChannel.Z)) {
            sum += Math.pow(one.keyed(channel, Rational.of(frame)) - other.keyed(channel, Rational.of(frame)), 2);
        }
        return Math.sqrt(sum);
    }

    @Test
    void turningRoundIsRecordedAsItWasTurned() {
        List<RecordedWalk.Sample> samples = new ArrayList<>();
        for (int i = 0; i <= 100; i++) {
            samples.add(sample(i / 25.0, 0, 0, i * 5));
        }
        Camera turned = recorded(FIXED, EMPTY, samples, 0.05, 1);
        double first = turned.keyed(CameraChannel.PAN, Rational.of(1001));
        double last = turned.keyed(CameraChannel.PAN, Rational.of(1097));
        assertThat(last - first).isCloseTo(500, within(1e-6));
    }

    /** What is recorded is where the view was in the world, whatever carries the camera meanwhile. */
    @Test
    void onACarrierThePlaceInTheWorldIsKept() {
        Item boat = new Item(7, "boat", new Geometry.Figure(Shape.BLOCK, "#ffffff"), 1, 1, 1,
                Map.of(ItemChannel.X, new Channel(List.of(new Key(1001, 0, Easing.STRAIGHT), new Key(1049, 6, Easing.STRAIGHT)), 0)));
        Camera ridden = FIXED.mounted(List.of(new Mount(null, 7L)));
        Stage stage = new Stage(List.of(boat));
        Camera walked = recorded(ridden, stage, List.of(sample(0, 1, 2, 0), sample(2, 1, 2, 0)), 0.05, 0.5);
        for (long frame = 1001; frame <= 1049; frame += 8) {
            CameraPose.Place place = PoseStack.of(walked, stage).at(moment(frame)).place();
            assertThat(place.x()).as("frame %d", frame).isCloseTo(1, within(0.051));
        }
    }

    @Test
    void tooLittleOrTooMuchIsRefused() {
        assertThatThrownBy(() -> recorded(FIXED, EMPTY, List.of(), 0.05, 0.5)).isInstanceOf(Refusal.class).hasMessageContaining("lasts");
        assertThatThrownBy(() -> recorded(FIXED, EMPTY, List.of(sample(0, 0, 0, 0), sample(1e7, 0, 0, 0)), 0.05, 0.5))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new RecordedWalk.Tolerance(0, 1)).isInstanceOf(Refusal.class).hasMessageContaining("kept to");
    }
}
