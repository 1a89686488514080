package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Common practice: 1–100, 101–200, 201–300, not 1–100, 100–200, 200–300. */
class ActionSlipsTest {
    private static Shot shot(long id, String code) {
        return new Shot(id, code, FrameRange.of(1001, 1101), 8, -1000,
                new Shot.Anchor("", "", 1001, Rational.ZERO, Rational.ONE, false));
    }

    private static Clip clip(long shot, long in, long action) {
        return Clip.ofShot(shot, shot, FrameRange.ofLength(in, 100), Rational.of(1000 + action));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = '|', value = {
        "101 | ''", "100 | 1 frame of the action is shown twice: sh0010 ends on 100, sh0020 begins on 100",
        "96 | 5 frames of the action are shown twice: sh0010 ends on 100, sh0020 begins on 96",
        "103 | 2 frames of the action are left out: sh0010 ends on 100, sh0020 begins on 103",
        "300 | ''", "1 | ''",
    })
    @DisplayName("a second clip that begins on action frame")
    void seams(long begins, String words) {
        List<ActionSlips.Slip> slips = ActionSlips.of(List.of(clip(1, 0, 1), clip(2, 100, begins)),
                Map.of(1L, shot(1, "sh0010"), 2L, shot(2, "sh0020")));
        assertThat(slips.stream().map(ActionSlips.Slip::words).toList()).isEqualTo(words.isEmpty() ? List.of() : List.of(words));
    }
}
