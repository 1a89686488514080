package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.Master;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class PullTest {
    private static final Master TWO = Masters.of(20, 30);
    private static final Map<Long, Shot> SHOTS = Map.of(1L, shot(1, "sh0010", 20), 2L, shot(2, "sh0020", 30));

    private static Shot shot(long id, String code, long frames) {
        return new Shot(id, code, FrameRange.ofLength(1001, frames), 8, 0,
                new Shot.Anchor("", "", 1001, Rational.ZERO, Rational.ONE, false));
    }

    @Test
    @DisplayName("a seam rolled by 3: both lengths, the frames on both sides, what is left of the handles")
    void roll() {
        Pull pull = Pull.of(TWO, SeamEdits.move(TWO, 0, 1020, 3), 1, 2, SHOTS);
        assertThat(pull.left().frame()).isEqualTo(1023);
        assertThat(pull.right().frame()).isEqualTo(1004);
        assertThat(pull.words()).isEqualTo(
                "sh0010 20 → 23 frames, to 1023, 5 left · sh0020 30 → 27 frames, from 1004, 11 left");
    }

    @Test
    @DisplayName("beyond the handles it goes on and says by how many frames")
    void past() {
        Pull pull = Pull.of(TWO, SeamEdits.move(TWO, 0, 1020, 12), 1, 2, SHOTS);
        assertThat(pull.words()).startsWith("sh0010 20 → 32 frames, to 1032, 4 past the handles");
        Pull earlier = Pull.of(TWO, SeamEdits.move(TWO, 0, 1020, -9), 1, 2, SHOTS);
        assertThat(earlier.right().spare()).as("8 handles and one more").isEqualTo(-1);
    }

    @Test
    @DisplayName("a slip looks at both ends of one clip; backwards the handles lie the other way")
    void slip() {
        Pull pull = Pull.of(TWO, Trims.slip(TWO, new Place(0, 1), Rational.of(5)), 2, 2, SHOTS);
        assertThat(pull.left().frame()).isEqualTo(1035);
        assertThat(pull.right().frame()).isEqualTo(1006);
        assertThat(pull.words()).isEqualTo("sh0020 30 frames, 1006 to 1035, head 13 left, tail 3 left");
        Master reversed = Retiming.reverse(TWO, new Place(0, 1));
        assertThat(Pull.of(reversed, reversed, 2, 0, SHOTS).left().spare()).isEqualTo(8);
    }
}
