package freshsplice.core.sources;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class NameLikenessTest {
    /** night: ni ig gh ht, nacht: na ac ch ht; one of four and four is shared: 2/8, the usual worked example. */
    @Test
    void isTheCoefficientOfSharedPairs() {
        assertThat(NameLikeness.of("night", "nacht")).isCloseTo(0.25, within(1e-12));
        assertThat(NameLikeness.of("boards/Gate_Open.PNG", "gate_open.tif")).isEqualTo(1);
        assertThat(NameLikeness.of("a", "")).isZero();
    }

    @Test
    void theNearestNameComesFirst() {
        assertThat(List.of("clock.png", "gate_shut.png", "old/gate_open_v2.png").stream()
                .sorted(NameLikeness.nearestTo("gate_open")).toList()).containsExactly("old/gate_open_v2.png", "gate_shut.png",
                "clock.png");
    }
}
