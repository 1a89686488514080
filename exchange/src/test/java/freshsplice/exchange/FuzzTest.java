package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** 500 damaged files of each format; {@code ./fresh-splice fuzz} reads 20 000. */
class FuzzTest {
    private static Map<String, List<byte[]>> good;

    @BeforeAll
    static void goodFiles() {
        good = Fuzzing.goodFiles();
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "otio", "otioz", "aaf"})
    void aDamagedFileIsReadOrRefusedInASentence(String format) {
        Fuzzing.Outcome outcome = Fuzzing.run(format, good.get(format), 500, 1);
        assertThat(outcome.faults()).isEmpty();
        assertThat(outcome.readings()).as("some are only slightly damaged").isPositive();
        assertThat(outcome.errors()).as("some are beyond reading").isPositive();
    }
}
