package freshsplice.exchange.aaf;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Positions worked out by hand: the area under a straight line of speed. */
class AafSpeedCurveTest {
    private static List<Rational[]> line(Rational from, Rational to) {
        return List.of(new Rational[] {Rational.ZERO, from}, new Rational[] {Rational.ONE, to});
    }

    @Test
    @DisplayName("a ratio of one throughout is real time")
    void plain() {
        List<Rational[]> positions = AafSpeedCurve.positions(line(Rational.ONE, Rational.ONE), 48, 48);
        assertThat(positions).hasSize(49);
        assertThat(positions.get(17)[1]).isEqualTo(Rational.of(17));
    }

    @Test
    @DisplayName("output to input 2 throughout is half speed; where the input is twice the group it is double speed")
    void lengthsDecide() {
        Rational two = Rational.of(2);
        assertThat(AafSpeedCurve.positions(line(two, two), 48, 24).get(48)[1]).isEqualTo(Rational.of(24));
        assertThat(AafSpeedCurve.positions(line(two, two), 48, 96).get(48)[1]).isEqualTo(Rational.of(96));
    }

    @Test
    @DisplayName("from standstill to double speed over 100 units: half way a quarter of the distance, 25 of 100")
    void ramp() {
        // as input to output: speed 0 to 2, position t² / 100 · ... = 2 · t² / (2 · 100); at 50 it is 25, at 100 it is 100
        List<Rational[]> positions = AafSpeedCurve.positions(line(Rational.ZERO, Rational.of(2)), 100, 100);
        assertThat(positions.get(50)[1].toDouble()).isCloseTo(25, org.assertj.core.data.Offset.offset(0.01));
        assertThat(positions.get(100)[1].toDouble()).isCloseTo(100, org.assertj.core.data.Offset.offset(0.01));
    }

    @Test
    @DisplayName("a ratio of nothing, or past all bounds, ends")
    void bounds() {
        assertThat(AafSpeedCurve.positions(line(Rational.ZERO, Rational.ZERO), 10, 1)).hasSize(11);
        assertThat(AafSpeedCurve.positions(line(Rational.of(1, 1_000_000_000), Rational.ONE), 1_000_000_000L, 5))
                .hasSize(20_001);
    }
}
