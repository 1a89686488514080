package freshsplice.exchange.aaf;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Positions worked out by hand: the area under a straight line of speed. */
class AafSpeedCurveTest {
    /** A ratio that goes straight from one value at the head to another at the end. */
    private static AafCurve line(Rational from, Rational to, long length) {
        return new AafCurve(List.of(new AafCurve.Point(Rational.ZERO, from), new AafCurve.Point(Rational.of(length), to)), true);
    }

    private static List<Rational> positions(Rational from, Rational to, long length, long inputLength) {
        return AafSpeedCurve.positions(line(from, to, length), length, inputLength).points().stream()
                .map(AafCurve.Point::value).toList();
    }

    @Test
    @DisplayName("a ratio of one throughout is real time")
    void plain() {
        List<Rational> positions = positions(Rational.ONE, Rational.ONE, 48, 48);
        assertThat(positions).hasSize(49);
        assertThat(positions.get(17)).isEqualTo(Rational.of(17));
    }

    @Test
    @DisplayName("output to input 2 throughout is half speed; where the input is twice the group it is double speed")
    void lengthsDecide() {
        Rational two = Rational.of(2);
        assertThat(positions(two, two, 48, 24).get(48)).isEqualTo(Rational.of(24));
        assertThat(positions(two, two, 48, 96).get(48)).isEqualTo(Rational.of(96));
    }

    @Test
    @DisplayName("from standstill to double speed over 100 units: half way a quarter of the distance, 25 of 100")
    void ramp() {
        // as input to output: speed 0 to 2, position t² / 100 · ... = 2 · t² / (2 · 100); at 50 it is 25, at 100 it is 100
        List<Rational> positions = positions(Rational.ZERO, Rational.of(2), 100, 100);
        assertThat(positions.get(50).toDouble()).isCloseTo(25, org.assertj.core.data.Offset.offset(0.01));
        assertThat(positions.get(100).toDouble()).isCloseTo(100, org.assertj.core.data.Offset.offset(0.01));
    }

    @Test
    @DisplayName("a ratio of nothing, or past all bounds, ends")
    void bounds() {
        assertThat(positions(Rational.ZERO, Rational.ZERO, 10, 1)).hasSize(11);
        assertThat(positions(Rational.of(1, 1_000_000_000), Rational.ONE, 1_000_000_000L, 5))
                .hasSize(20_001);
    }
}
