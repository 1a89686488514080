package freshsplice.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class EasingTest {
    private static Channel through(double... frameAndValue) {
        return new Channel(IntStream.range(0, frameAndValue.length / 2).mapToObj(i -> new Key((long) frameAndValue[2 * i],
                frameAndValue[2 * i + 1], Easing.THROUGH)).toList(), 0);
    }

    private static double speed(Channel channel, double frame) {
        return (channel.at(frame + 1e-4) - channel.at(frame - 1e-4)) / 2e-4;
    }

    /** Values of SciPy 1.17.1's PchipInterpolator, an independent implementation of the same published formula. */
    @Test
    void goingThroughKeysIsTheMonotoneCubic() {
        Channel rising = through(1001, 0, 1010, 4, 1015, 5, 1040, 5.5);
        assertThat(rising.at(1003)).isCloseTo(1.140612479592347, within(1e-12));
        assertThat(rising.at(1012.5)).isCloseTo(4.638624757879908, within(1e-12));
        assertThat(rising.at(1020)).isCloseTo(5.194222222222222, within(1e-12));
        assertThat(rising.at(1030)).isCloseTo(5.430666666666667, within(1e-12));
        Channel turning = through(0, 0, 10, 4, 15, 1, 40, 6);
        assertThat(turning.at(3)).isCloseTo(2.432, within(1e-12));
        assertThat(turning.at(12)).isCloseTo(2.944, within(1e-12));
        assertThat(turning.at(33)).isCloseTo(2.86624, within(1e-12));
    }

    @Test
    void throughInnerKeysTheSpeedGoesOnAndNothingOvershoots() {
        Random random = new Random(13);
        for (int n = 0; n < 200; n++) {
            double[] keys = new double[14];
            for (int i = 0; i < 7; i++) {
                keys[2 * i] = i == 0 ? 0 : keys[2 * i - 2] + 2 + random.nextInt(40);
                keys[2 * i + 1] = random.nextDouble() * 20 - 10;
            }
            Channel channel = through(keys);
            for (int i = 1; i < 6; i++) {
                double before = (channel.at(keys[2 * i]) - channel.at(keys[2 * i] - 1e-6)) / 1e-6;
                double after = (channel.at(keys[2 * i] + 1e-6) - channel.at(keys[2 * i])) / 1e-6;
                assertThat(after).isCloseTo(before, within(1e-3));
                for (double t = keys[2 * i]; t < keys[2 * i + 2]; t += 0.25) {
                    assertThat(channel.at(t)).isBetween(Math.min(keys[2 * i + 1], keys[2 * i + 3]) - 1e-9,
                            Math.max(keys[2 * i + 1], keys[2 * i + 3]) + 1e-9);
                }
            }
        }
    }

    /** Against the differential equation solved numerically by SciPy 1.17.1's solve_ivp at a tolerance of 1e-12. */
    @Test
    void aSpringIsTheExactDampedOscillator() {
        Easing.Spring soft = new Easing.Spring(12, 0.2);
        assertThat(soft.left(3)).isCloseTo(0.1721943, within(1e-6));
        assertThat(soft.left(7)).isCloseTo(-0.47532921, within(1e-6));
        assertThat(soft.left(20)).isCloseTo(-0.1012396, within(1e-6));
        Easing.Spring critical = new Easing.Spring(12, 1);
        assertThat(critical.left(7)).isCloseTo(0.119425497, within(1e-7));
        Easing.Spring stiff = new Easing.Spring(10, 2.5);
        assertThat(stiff.left(3)).isCloseTo(0.70547578, within(1e-7));
        assertThat(stiff.left(1e6)).isEqualTo(0);
    }

    @Test
    void aSpringSwingsOnOverTheNextKeyWithoutAJump() {
        Channel channel = new Channel(List.of(new Key(0, 0, new Easing.Spring(20, 0.1)), new Key(10, 4, Easing.STRAIGHT),
                new Key(40, 8, Easing.STRAIGHT)), 0);
        for (double key : new double[] {10, 40}) {
            assertThat(channel.at(key + 1e-9)).isCloseTo(channel.at(key - 1e-9), within(1e-6));
        }
        assertThat(channel.at(10)).as("it is not at rest there yet").isGreaterThan(5);
        assertThat(channel.at(4000)).isCloseTo(8, within(1e-9));
    }

    @Test
    void eachSideOfAKeyGoesItsOwnWay() {
        Channel leavesSoftly = new Channel(List.of(new Key(0, 0, Easing.EASED), new Key(30, 3, Easing.STRAIGHT, Easing.STRAIGHT,
                Way.SHORT)), 0);
        assertThat(speed(leavesSoftly, 0.001)).isCloseTo(0, within(1e-3));
        assertThat((leavesSoftly.at(30) - leavesSoftly.at(29.999)) / 0.001).as("it stops hard, at the speed of an even way")
                .isCloseTo(0.1, within(1e-3));
        assertThat(leavesSoftly.at(15)).isLessThan(1.5);
    }

    /** A handle of 0.5 at no height on both sides is the cubic with both inner points in the middle of time. */
    @Test
    void handlesByHandNeverTurnTimeBack() {
        Easing hand = new Easing.Hand(1, 0);
        Channel channel = new Channel(List.of(new Key(0, 0, hand), new Key(10, 1, Easing.EASED, hand, Way.SHORT)), 0);
        double last = -1;
        for (double t = 0; t <= 10; t += 0.01) {
            assertThat(channel.at(t)).isGreaterThanOrEqualTo(last);
            last = channel.at(t);
        }
        assertThat(channel.at(5)).as("time almost stands there").isCloseTo(0.5, within(1e-4));
        Channel lifted = new Channel(List.of(new Key(0, 0, new Easing.Hand(1 / 3.0, 2)), new Key(9, 0, Easing.EASED,
                new Easing.Hand(1 / 3.0, 2), Way.SHORT)), 0);
        assertThat(lifted.at(4.5)).as("3/4 of the handles' height").isCloseTo(1.5, within(1e-6));
        assertThatThrownBy(() -> new Easing.Hand(1.2, 0)).hasMessageContaining("from 0 to 1");
    }

    @Test
    void anglesGoTheLongWayWhereAsked() {
        Channel around = new Channel(List.of(new Key(0, 170, Easing.STRAIGHT, null, Way.LONG), new Key(10, -170, Easing.STRAIGHT)), 0);
        assertThat(around.angleAt(Rational.of(5))).isEqualTo(0);
        Channel back = new Channel(List.of(new Key(0, 10, Easing.STRAIGHT, null, Way.LONG), new Key(10, 30, Easing.STRAIGHT)), 0);
        assertThat(back.angleAt(Rational.of(5))).isEqualTo(-160);
    }

    @Test
    void wordsComeBackAndOthersAreRefused() {
        for (Easing easing : List.of(Easing.STRAIGHT, Easing.EASED, Easing.STEPPED, Easing.THROUGH, new Easing.Hand(0.25, -1.5),
                new Easing.Spring(12, 0.35))) {
            assertThat(Easing.parse(easing.word())).isEqualTo(easing);
        }
        for (String wrong : List.of("", "SLOW", "HAND", "HAND 1", "SPRING a b", "SPRING 0 1", "EASED 3", "HAND NaN 1")) {
            assertThatThrownBy(() -> Easing.parse(wrong)).isInstanceOf(freshsplice.core.refusal.Refusal.class);
        }
        assertThatThrownBy(() -> new Key(5, 1, Easing.EASED, Easing.STEPPED, Way.SHORT)).hasMessageContaining("frame 5");
    }

    @Test
    void whatLosesItsLastKeyStaysWhereThatHadIt() {
        Channel one = new Channel(List.of(new Key(7, 3, Easing.EASED)), 0);
        assertThat(one.withoutKey(7)).isEqualTo(Channel.constant(3));
        assertThat(one.withoutKey(8)).isEqualTo(one);
    }

    @Test
    void whatOnlyLeavesIsNoWayToComeIn() {
        List<Easing> all = List.of(Easing.STRAIGHT, Easing.EASED, Easing.STEPPED, Easing.THROUGH, new Easing.Hand(0.6, 2), new Easing.Spring(12, 0.3));
        assertThat(all.stream().filter(Easing::onlyLeaves)).containsExactly(Easing.STEPPED, new Easing.Spring(12, 0.3));
        for (Easing easing : all) {
            assertThat(Easing.parse(easing.word())).isEqualTo(easing);
            if (easing.onlyLeaves()) {
                assertThatThrownBy(() -> new Key(1001, 0, Easing.EASED, easing, Way.SHORT)).hasMessageContaining("frame 1001");
            } else {
                assertThat(new Key(1001, 0, Easing.EASED, easing, Way.SHORT).arriving()).isEqualTo(easing);
            }
        }
    }
}
