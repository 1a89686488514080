package freshsplice.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigInteger;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RationalTest {
    @ParameterizedTest
    @CsvSource({"24000/1001,24000/1001", "48/2,24", "-3,-3", "12.5,25/2", "-025.0,-25", "0.0,0", "000.0,0"})
    void readsAndWritesExactly(String text, String written) {
        assertThat(Rational.parse(text)).hasToString(written);
    }

    @ParameterizedTest
    @CsvSource({"a", "1/0", "1/x", "1.2.3", "''", "99999999999999999999"})
    void refusesWhatIsNoNumber(String text) {
        assertThatThrownBy(() -> Rational.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void agreesWithLargeIntegers() {
        Random random = new Random(3);
        for (int i = 0; i < 5000; i++) {
            long a = random.nextInt(4001) - 2000;
            long b = random.nextInt(2000) + 1;
            long c = random.nextInt(4001) - 2000;
            long d = random.nextInt(2000) + 1;
            Rational x = Rational.of(a, b);
            Rational y = Rational.of(c, d);
            assertThat(x.plus(y)).isEqualTo(Rational.of(a * d + c * b, b * d));
            assertThat(x.times(y)).isEqualTo(Rational.of(a * c, b * d));
            assertThat(x.compareTo(y)).isEqualTo(Long.signum(a * d - c * b));
            assertThat(x.floor()).isEqualTo(BigInteger.valueOf(Math.floorDiv(a, b)).longValue());
        }
    }

    @Test
    void saysSoInsteadOfWrapping() {
        Rational large = Rational.of(Long.MAX_VALUE);
        assertThatThrownBy(() -> large.plus(large)).isInstanceOf(ArithmeticException.class);
        assertThatThrownBy(() -> large.times(2)).isInstanceOf(ArithmeticException.class);
    }

    @ParameterizedTest
    @CsvSource({"23.976,24000/1001", "23.98,24000/1001", "29.97,30000/1001", "59.94,60000/1001", "25,25", "12.5,25/2"})
    void roundedRatesMeanTheExactOnes(String text, String rate) {
        assertThat(FrameRate.parse(text)).hasToString(rate);
    }

    @Test
    void threeHundredFramesAt24LastTwelveAndAHalfSeconds() {
        assertThat(FrameRate.FPS_24.seconds(300)).isEqualTo(Rational.of(25, 2));
    }
}
