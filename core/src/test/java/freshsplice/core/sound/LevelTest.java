package freshsplice.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LevelTest {
    /** Decibels of amplitude, 20 log10 of the factor (textbook; rows worked out by hand). */
    @ParameterizedTest
    @CsvSource({"0, 1", "-6.0205999, 0.5", "6.0205999, 2", "-20, 0.1", "-40, 0.01", "12, 3.98107171"})
    void factors(double decibels, double factor) {
        assertThat(Level.factor(decibels)).isCloseTo(factor, within(1e-7));
    }

    @ParameterizedTest
    @ValueSource(doubles = {-60, -90, -200, Double.NEGATIVE_INFINITY})
    void silent(double decibels) {
        assertThat(Level.factor(decibels)).isZero();
    }

    @ParameterizedTest
    @ValueSource(doubles = {12.01, 100, -201, Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
    void refused(double decibels) {
        assertThatThrownBy(() -> Level.checked(decibels)).hasMessageContaining("-60 (silence) to 12 decibels");
    }

    @Test
    @DisplayName("muted is silent even alone; where any track is heard alone the others are silent")
    void heard() {
        assertThat(Level.heard(false, false, false, 0)).isEqualTo(1);
        assertThat(Level.heard(true, true, true, 0)).isZero();
        assertThat(Level.heard(false, false, true, 0)).isZero();
        assertThat(Level.heard(false, true, true, -20)).isCloseTo(0.1, within(1e-12));
    }
}
