package freshsplice.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.camera.edit.Mounting;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PoseStackTest {
    private static final long BICYCLE = 5;
    private static final long OTHER = 6;
    private static final long OFFSET = -900;

    private static Moment at(double shotFrame) {
        Rational frame = Rational.of(Math.round(shotFrame * 1000), 1000);
        return new Moment(frame, frame.plus(OFFSET));
    }

    private static Channel random(Random random, double size) {
        return new Channel(List.of(new Key(80, random.nextDouble() * size, Easing.EASED), new Key(130, random.nextDouble() * size,
                Easing.THROUGH), new Key(200, random.nextDouble() * size, Easing.EASED)), 0);
    }

    private static Item rider(long id, Random random) {
        Map<ItemChannel, Channel> channels = new EnumMap<>(ItemChannel.class);
        for (ItemChannel channel : List.of(ItemChannel.X, ItemChannel.Y, ItemChannel.Z)) {
            channels.put(channel, random(random, 40));
        }
        channels.put(ItemChannel.TURN, random(random, 300));
        channels.put(ItemChannel.LEAN, random(random, 40));
        return new Item(id, "bicycle", new Geometry.Figure(Shape.BICYCLE, "#808080"), 2, 1, 3, channels);
    }

    private static Camera moving(Random random) {
        Camera camera = Camera.named("cam", FilmBack.SUPER_35);
        for (CameraChannel channel : CameraChannel.PLACE) {
            double size = channel == CameraChannel.TILT ? 40 : 20;
            camera = camera.with(channel, new Channel(List.of(new Key(1001, random.nextDouble() * size, Easing.EASED),
                    new Key(1048, random.nextDouble() * size, Easing.EASED)), 0));
        }
        return camera;
    }

    private static double[] matrix(Camera camera, Stage stage, Moment moment) {
        return PoseStack.of(camera, stage).at(moment).placed().toDoubles();
    }

    private static void assertSame(double[] a, double[] b, double close) {
        for (int i = 0; i < 16; i++) {
            assertThat(a[i]).as("value " + i).isCloseTo(b[i], within(close));
        }
    }

    /** Against SciPy 1.17.1's Rotation.from_euler('YXZ', [30, -20, -10]): pan, then tilt, then a roll with the right side down. */
    @Test
    void turnsAreThoseOfAReferenceLibrary() {
        double[] m = new CameraPose.Place(0, 0, 0, 30, -20, 10).matrix().toDoubles();
        double[] rows = {0.88256412, -0.01802831, 0.46984631, -0.16317591, 0.92541658, 0.34202014, -0.44096961, -0.37852231,
            0.81379768};
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                assertThat(m[column * 4 + row]).isCloseTo(rows[row * 3 + column], within(1e-8));
            }
        }
    }

    @Test
    void placesComeBackFromTheirMatricesAtThePolesToo() {
        Random random = new Random(4);
        for (int n = 0; n < 500; n++) {
            double tilt = n % 5 == 0 ? 90 : n % 5 == 1 ? -90 : random.nextDouble() * 180 - 90;
            Matrix placed = new CameraPose.Place(1, 2, 3, random.nextDouble() * 720 - 360, tilt, random.nextDouble() * 360).matrix();
            assertSame(CameraPose.place(placed).matrix().toDoubles(), placed.toDoubles(), 1e-7);
        }
    }

    @Test
    void mountedAndFreedAtAnyFrameThePlaceInTheWorldIsTheSameOnBothSides() {
        Random random = new Random(9);
        for (int n = 0; n < 60; n++) {
            Stage stage = new Stage(List.of(rider(BICYCLE, random), rider(OTHER, random)));
            Camera free = moving(random);
            long on = 1005 + random.nextInt(15);
            long off = on + 1 + random.nextInt(20);
            Camera mounted = Mounting.from(free, stage, on, random.nextBoolean() ? BICYCLE : OTHER);
            Camera freed = Mounting.from(mounted, stage, off, null);
            assertSame(matrix(mounted, stage, at(on)), matrix(free, stage, at(on)), 1e-9);
            assertSame(matrix(freed, stage, at(off)), matrix(mounted, stage, at(off)), 1e-9);
            assertSame(matrix(freed, stage, at(on - 1)), matrix(free, stage, at(on - 1)), 0);
            assertThat(freed.channels()).as("no key changes").isEqualTo(free.channels());
            double[] before = matrix(mounted, stage, at(on + 5));
            assertThat(Math.abs(before[12] - matrix(free, stage, at(on + 5))[12])).as("it is carried along").isGreaterThan(1e-6);
        }
    }

    @Test
    void mountedThroughoutItsKeysCountFromTheCarrierAndNothingSeenChangesAtTheMoment() {
        Random random = new Random(11);
        for (int n = 0; n < 40; n++) {
            Stage stage = new Stage(List.of(rider(BICYCLE, random)));
            Camera free = n % 2 == 0 ? moving(random) : moving(random).with(Map.of(CameraChannel.X, Channel.constant(4)));
            Camera mounted = Mounting.throughout(free, stage, at(1020), BICYCLE);
            // a keyed turn goes other ways between its keys in other axes: at a key it is the same
            Moment key = at(1001);
            Camera there = Mounting.throughout(free, stage, key, BICYCLE);
            assertSame(matrix(there, stage, key), matrix(free, stage, key), 1e-9);
            Matrix carrier = stage.items().get(0).standsAt(key.actionFrame());
            CameraPose.Place own = CameraPose.place(carrier.rigidInverse().times(PoseStack.of(free, stage).at(key).placed()));
            assertThat(there.keyed(CameraChannel.X, key.shotFrame())).isCloseTo(own.x(), within(1e-9));
            assertSame(matrix(Mounting.freed(there, stage, key), stage, key), matrix(free, stage, key), 1e-9);
            assertThat(mounted.mounts()).containsExactly(new Mount(null, BICYCLE));
        }
    }

    @Test
    void aimedItLooksAtThePointWhereverItStandsAndLagsBehindAsTold() {
        Random random = new Random(2);
        Stage stage = new Stage(List.of(rider(BICYCLE, random)));
        Camera camera = moving(random).aimed(new Aim(BICYCLE, 0.2, 1.5, -0.3, 0));
        for (int f = 1001; f < 1048; f += 3) {
            double[] point = stage.items().get(0).standsAt(Rational.of(f + OFFSET)).apply(0.2, 1.5, -0.3);
            double[] seen = PoseStack.of(camera, stage).at(at(f)).view().apply(point[0], point[1], point[2]);
            assertThat(seen[0]).isCloseTo(0, within(1e-9));
            assertThat(seen[1]).isCloseTo(0, within(1e-9));
            assertThat(seen[2]).isNegative();
        }
        Camera late = camera.aimed(new Aim(BICYCLE, 0.2, 1.5, -0.3, 4));
        double[] was = stage.items().get(0).standsAt(Rational.of(1020 + OFFSET - 4)).apply(0.2, 1.5, -0.3);
        assertThat(PoseStack.of(late, stage).at(at(1020)).view().apply(was[0], was[1], was[2])[0]).isCloseTo(0, within(1e-9));
        assertThat(matrix(camera.aimed(new Aim(77, 0, 0, 0, 0)), stage, at(1020))).as("a thing that is gone turns nothing")
                .isEqualTo(matrix(camera.aimed(null), stage, at(1020)));
    }

    @Test
    void mountedAndAimedItLeansWithWhatCarriesIt() {
        Item leaning = new Item(BICYCLE, "bicycle", new Geometry.Figure(Shape.BICYCLE, "#808080"), 1, 1, 1,
                Map.of(ItemChannel.LEAN, Channel.constant(30)));
        Item ahead = new Item(OTHER, "pole", new Geometry.Figure(Shape.TIDE_POLE, "#808080"), 1, 1, 1,
                Map.of(ItemChannel.X, Channel.constant(10)));
        Stage stage = new Stage(List.of(leaning, ahead));
        Camera camera = Camera.named("cam", FilmBack.SUPER_35).with(Map.of(CameraChannel.Z, Channel.constant(0)))
                .mounted(List.of(new Mount(null, BICYCLE))).aimed(new Aim(OTHER, 0, 0, 0, 0));
        CameraPose pose = PoseStack.of(camera, stage).at(at(1001));
        assertThat(Math.abs(pose.place().roll())).isGreaterThan(20);
        double[] seen = pose.view().apply(10, 0, 0);
        assertThat(Math.hypot(seen[0], seen[1])).isCloseTo(0, within(1e-9));
    }

    @Test
    void focusIsKeptOnAThingAsBothMove() {
        Random random = new Random(3);
        Stage stage = new Stage(List.of(rider(BICYCLE, random)));
        Camera camera = moving(random).aimed(new Aim(BICYCLE, 0, 0, 0, 0)).focused(new Aim(BICYCLE, 0, 0, 0, 0));
        for (int f = 1001; f < 1048; f += 7) {
            double[] point = stage.items().get(0).standsAt(Rational.of(f + OFFSET)).apply(0, 0, 0);
            double[] eye = PoseStack.of(camera, stage).at(at(f)).placed().apply(0, 0, 0);
            double metres = Math.sqrt(Math.pow(point[0] - eye[0], 2) + Math.pow(point[1] - eye[1], 2) + Math.pow(point[2] - eye[2], 2));
            assertThat(PoseStack.of(camera, stage).at(at(f)).focus()).isCloseTo(metres, within(1e-9));
        }
    }

    private static LayerUse jolt(long from, double strength, boolean on) {
        return new LayerUse(1, new MotionLayer(1, "jolt", new MotionLayer.Jolt(6, 0.15), Map.of(CameraChannel.Y, 0.1,
                CameraChannel.TILT, 2.0)), from, 40, strength, on);
    }

    @Test
    void aLayerLeavesTheMoveBelowToTheBitAndIsAsIfNeverThereWhereItIsOff() {
        Stage stage = new Stage(List.of());
        Camera camera = moving(new Random(6));
        Camera jolted = camera.layered(List.of(jolt(1010, 1, true)));
        for (double f : new double[] {1001, 1009.999, 1050, 1060}) {
            assertThat(matrix(jolted, stage, at(f))).isEqualTo(matrix(camera, stage, at(f)));
        }
        assertThat(matrix(jolted, stage, at(1012))).isNotEqualTo(matrix(camera, stage, at(1012)));
        assertThat(matrix(camera.layered(List.of(jolt(1010, 1, false))), stage, at(1012))).isEqualTo(matrix(camera, stage, at(1012)));
        assertThat(jolted.channels()).isEqualTo(camera.channels());
    }

    @Test
    void aLayerOfOnesOwnKeysGoesThroughThemAndReadsAsItIsWritten() {
        MotionLayer.Sway own = MotionLayer.Sway.parse("KEYS 0:0 6:1 12:-0.5 24:0");
        assertThat(own).isEqualTo(MotionLayer.Sway.parse(own.word()));
        LayerUse use = new LayerUse(1, new MotionLayer(1, "nudge", own, Map.of(CameraChannel.X, 0.2)), 1010, 25, 2, true);
        assertThat(use.at(1016)).containsEntry(CameraChannel.X, 0.2);
        assertThat(use.at(1022)).containsEntry(CameraChannel.X, -0.1);
        assertThat(use.at(1009)).isEmpty();
        for (String bad : List.of("KEYS 0:0", "KEYS 0:0 0:1", "KEYS -1:0 4:1", "KEYS 0:0 4", "KEYS 0:x 4:1", "KEYS")) {
            assertThatThrownBy(() -> MotionLayer.Sway.parse(bad)).as(bad).isInstanceOf(Refusal.class);
        }
    }

    @Test
    void aLayerShiftedOrCopiedGivesTheSameDifference() {
        Camera still = Camera.named("cam", FilmBack.SUPER_35);
        Stage stage = new Stage(List.of());
        Matrix back = PoseStack.of(still, stage).at(at(1001)).view();
        for (int f = 0; f < 40; f++) {
            double[] here = back.times(PoseStack.of(still.layered(List.of(jolt(1010, 1, true))), stage).at(at(1010 + f)).placed())
                    .toDoubles();
            double[] later = back.times(PoseStack.of(still.layered(List.of(jolt(1017, 1, true))), stage).at(at(1017 + f)).placed())
                    .toDoubles();
            assertThat(later).isEqualTo(here);
        }
        double[] once = PoseStack.of(still.layered(List.of(jolt(1010, 1, true))), stage).at(at(1012)).placed().toDoubles();
        double[] half = PoseStack.of(still.layered(List.of(jolt(1010, 0.5, true))), stage).at(at(1012)).placed().toDoubles();
        double rest = CameraChannel.Y.plain();
        assertThat(half[13] - rest).isCloseTo((once[13] - rest) / 2, within(1e-12));
    }

    /** A discrete Fourier sum over whole periods: nothing of it swings quicker or slower than was asked. */
    @Test
    void aShakeKeepsToItsBandAndToItsSeed() {
        int frames = 4096;
        double[] shake = new double[frames];
        for (int f = 0; f < frames; f++) {
            shake[f] = Band.at(8, 24, 5, f);
        }
        double inside = 0;
        double outside = 0;
        for (int k = 1; k < frames / 2; k += 3) {
            double re = 0;
            double im = 0;
            for (int f = 0; f < frames; f++) {
                double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * f / frames);
                re += window * shake[f] * Math.cos(2 * Math.PI * k * f / frames);
                im += window * shake[f] * Math.sin(2 * Math.PI * k * f / frames);
            }
            double period = frames / (double) k;
            if (period < 7.8 || period > 25) {
                outside += re * re + im * im;
            } else {
                inside += re * re + im * im;
            }
        }
        assertThat(outside / inside).isLessThan(1e-4);
        assertThat(Band.at(8, 24, 5, 100.5)).isEqualTo(Band.at(8, 24, 5, 100.5)).isNotEqualTo(Band.at(8, 24, 6, 100.5));
    }

    @Test
    void withoutItsCarrierItStaysWhereItWas() {
        Random random = new Random(21);
        Stage stage = new Stage(List.of(rider(BICYCLE, random)));
        Camera camera = Mounting.throughout(moving(random), stage, at(1001), BICYCLE).aimed(new Aim(BICYCLE, 0, 0, 0, 0))
                .focused(new Aim(BICYCLE, 0, 0, 0, 0));
        Camera left = Mounting.without(camera, stage, at(1001), BICYCLE);
        assertThat(left.mounts()).isEmpty();
        assertThat(left.aim()).isNull();
        assertThat(left.focusOn()).isNull();
        assertSame(matrix(left, new Stage(List.of()), at(1001)), matrix(camera, stage, at(1001)), 1e-7);
        Camera partly = Mounting.from(moving(random), stage, 1010, BICYCLE);
        assertSame(matrix(Mounting.without(partly, stage, at(1001), BICYCLE), new Stage(List.of()), at(1010)),
                matrix(partly, stage, at(1010)), 1e-9);
        assertThat(new Key(1, 2, Easing.EASED).way()).isEqualTo(Way.SHORT);
    }
}
