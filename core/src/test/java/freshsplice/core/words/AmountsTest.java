package freshsplice.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AmountsTest {
    @ParameterizedTest
    @CsvSource({"0,0 frames", "1,1 frame", "2,2 frames", "-1,-1 frame", "-2,-2 frames"})
    void numbersAndTheirNounsAgree(long count, String words) {
        assertThat(Amounts.frames(count)).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource({"0,0 are", "1,1 is", "2,2 are"})
    void irregularOnesToo(long count, String words) {
        assertThat(Amounts.of(count, "is", "are")).isEqualTo(words);
    }
}
