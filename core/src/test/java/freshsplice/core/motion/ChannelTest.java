package freshsplice.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;

class ChannelTest {
    private static Channel of(Easing easing) {
        return new Channel(List.of(new Key(1001, 2, easing), new Key(1011, 12, easing)), 0);
    }

    @Test
    void straightGoesEvenlyAndAtFractionsOfFrames() {
        assertThat(of(Easing.STRAIGHT).at(Rational.of(2003, 2))).isCloseTo(2.5, within(1e-12));
        assertThat(of(Easing.STRAIGHT).at(1006)).isEqualTo(7);
    }

    /** 3t² − 2t³ at a quarter of the way: 0.15625, worked by hand. */
    @Test
    void easedIsSlowAtBothEnds() {
        assertThat(of(Easing.EASED).at(1003.5)).isCloseTo(2 + 10 * 0.15625, within(1e-12));
        assertThat(of(Easing.EASED).at(1006)).isCloseTo(7, within(1e-12));
    }

    @Test
    void steppedHoldsUntilTheNextKey() {
        assertThat(of(Easing.STEPPED).at(1010.99)).isEqualTo(2);
        assertThat(of(Easing.STEPPED).at(1011)).isEqualTo(12);
    }

    @Test
    void holdsOutsideItsKeys() {
        assertThat(of(Easing.STRAIGHT).at(-50)).isEqualTo(2);
        assertThat(of(Easing.STRAIGHT).at(5000)).isEqualTo(12);
        assertThat(Channel.constant(4).at(7)).isEqualTo(4);
    }

    @Test
    void aKeyOnAFrameReplacesTheOneThere() {
        assertThat(of(Easing.STRAIGHT).withKey(new Key(1011, 3, Easing.EASED)).keys()).hasSize(2);
        assertThatThrownBy(() -> new Channel(List.of(new Key(1, 0, Easing.EASED), new Key(1, 2, Easing.EASED)), 0))
                .hasMessageContaining("frame 1");
    }

    @Test
    void anglesGoTheShortWayAndWholeTurnsAreMeant() {
        Channel pan = new Channel(List.of(new Key(0, 170, Easing.STRAIGHT), new Key(10, -170, Easing.STRAIGHT)), 0);
        org.assertj.core.api.Assertions.assertThat(pan.angleAt(Rational.of(5))).isEqualTo(180);
        org.assertj.core.api.Assertions.assertThat(pan.at(Rational.of(5))).as("a place is no angle").isEqualTo(0);
        Channel wheel = new Channel(List.of(new Key(0, 0, Easing.STRAIGHT), new Key(10, 720, Easing.STRAIGHT)), 0);
        org.assertj.core.api.Assertions.assertThat(wheel.angleAt(Rational.of(5))).isEqualTo(360);
        Channel half = new Channel(List.of(new Key(0, 0, Easing.STRAIGHT), new Key(10, 180, Easing.STRAIGHT)), 0);
        org.assertj.core.api.Assertions.assertThat(half.angleAt(Rational.of(5))).isEqualTo(90);
    }
}
