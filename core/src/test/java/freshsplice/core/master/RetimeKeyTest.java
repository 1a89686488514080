package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class RetimeKeyTest {
    /** Twenty frames of content in the first ten, then held to the end at 1021: worked out by hand below. */
    private static final List<RetimeKey> FAST_THEN_HELD = List.of(new RetimeKey(Rational.ZERO, Rational.of(1001), RetimeInterpolation.STRAIGHT),
            new RetimeKey(Rational.of(10), Rational.of(1021), RetimeInterpolation.STRAIGHT),
            new RetimeKey(Rational.of(20), Rational.of(1021), RetimeInterpolation.STRAIGHT));

    private static Clip clip(List<RetimeKey> retimeKeys) {
        return Clip.ofShot(1, 1, FrameRange.of(100, 120), Rational.of(1001)).withRetimeKeys(FrameRange.of(100, 120), retimeKeys);
    }

    @Test
    @DisplayName("frame by frame as worked out by hand")
    void byHand() {
        Clip clip = clip(FAST_THEN_HELD);
        // 1001 + 2k over the first ten frames: 1001, 1003 … 1019; then 1021 throughout
        assertThat(clip.at(100)).isEqualTo(Rational.of(1001));
        assertThat(clip.at(104)).isEqualTo(Rational.of(1009));
        assertThat(clip.at(109)).isEqualTo(Rational.of(1019));
        assertThat(clip.at(110)).isEqualTo(Rational.of(1021));
        assertThat(clip.at(119)).isEqualTo(Rational.of(1021));
        // the mean of the whole: 20 frames of content in 20
        assertThat(clip.speed()).isEqualTo(Rational.ONE);
        assertThat(clip.from()).isEqualTo(Rational.of(1001));
    }

    @Test
    @DisplayName("keys that change nothing count for nothing; one off the line, or an easing, does")
    void straight() {
        List<RetimeKey> line = List.of(new RetimeKey(Rational.ZERO, Rational.of(1001), RetimeInterpolation.STRAIGHT),
                new RetimeKey(Rational.of(10), Rational.of(1021), RetimeInterpolation.STRAIGHT), new RetimeKey(Rational.of(20), Rational.of(1041), RetimeInterpolation.EASED));
        assertThat(clip(line).runsEvenly()).isTrue();
        assertThat(clip(FAST_THEN_HELD).runsEvenly()).isFalse();
        assertThat(clip(List.of(new RetimeKey(Rational.ZERO, Rational.of(1001), RetimeInterpolation.EASED),
                new RetimeKey(Rational.of(20), Rational.of(1041), RetimeInterpolation.STRAIGHT))).runsEvenly()).isFalse();
    }

    @Test
    @DisplayName("eased by smoothstep: a quarter of the time is 5/32 of the way, half is half (3t² − 2t³)")
    void eased() {
        Clip clip = clip(List.of(new RetimeKey(Rational.ZERO, Rational.of(1000), RetimeInterpolation.EASED),
                new RetimeKey(Rational.of(20), Rational.of(1032), RetimeInterpolation.STRAIGHT)));
        assertThat(clip.at(105)).isEqualTo(Rational.of(1005));
        assertThat(clip.at(110)).isEqualTo(Rational.of(1016));
        assertThat(clip.at(115)).isEqualTo(Rational.of(1027));
    }

    @Test
    @DisplayName("stepped holds its frame up to the next key")
    void stepped() {
        Clip clip = clip(List.of(new RetimeKey(Rational.ZERO, Rational.of(1000), RetimeInterpolation.STEPPED),
                new RetimeKey(Rational.of(7), Rational.of(1050), RetimeInterpolation.STEPPED),
                new RetimeKey(Rational.of(20), Rational.of(1060), RetimeInterpolation.STRAIGHT)));
        assertThat(clip.at(106)).isEqualTo(Rational.of(1000));
        assertThat(clip.at(107)).isEqualTo(Rational.of(1050));
        assertThat(clip.at(119)).isEqualTo(Rational.of(1050));
    }

    @Test
    @DisplayName("trimmed, moved and slipped, every frame that stays shows what it showed, or that much later")
    void keptByTrims() {
        Clip clip = clip(FAST_THEN_HELD);
        Clip trimmed = clip.over(FrameRange.of(104, 116));
        for (long f = 104; f < 116; f++) {
            assertThat(trimmed.at(f)).isEqualTo(clip.at(f));
            assertThat(clip.shiftedBy(50).at(f + 50)).isEqualTo(clip.at(f));
            assertThat(clip.slipped(Rational.of(3)).at(f)).isEqualTo(clip.at(f).plus(3));
        }
        assertThat(trimmed.over(FrameRange.of(100, 120))).isEqualTo(clip);
    }

    @Test
    @DisplayName("written as text and read again they are the same; what is no key is refused")
    void text() {
        assertThat(RetimeKey.parse(RetimeKey.text(FAST_THEN_HELD))).isEqualTo(FAST_THEN_HELD);
        assertThat(RetimeKey.parse("")).isEmpty();
        assertThatThrownBy(() -> RetimeKey.parse("1:2")).hasMessageContaining("1:2");
        assertThatThrownBy(() -> RetimeKey.checked(List.of(FAST_THEN_HELD.get(0)))).hasMessageContaining("2 to 40");
        assertThatThrownBy(() -> RetimeKey.checked(List.of(FAST_THEN_HELD.get(1), FAST_THEN_HELD.get(0))))
                .hasMessageContaining("one after another");
    }
}
