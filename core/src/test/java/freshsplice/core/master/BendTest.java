package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class BendTest {
    /** Twenty frames of content in the first ten, then held to the end at 1021: worked out by hand below. */
    private static final List<Bend> FAST_THEN_HELD = List.of(new Bend(Rational.ZERO, Rational.of(1001), Pace.STRAIGHT),
            new Bend(Rational.of(10), Rational.of(1021), Pace.STRAIGHT),
            new Bend(Rational.of(20), Rational.of(1021), Pace.STRAIGHT));

    private static Section piece(List<Bend> bends) {
        return Section.ofShot(1, 1, FrameRange.of(100, 120), Rational.of(1001)).bent(FrameRange.of(100, 120), bends);
    }

    @Test
    @DisplayName("frame by frame as worked out by hand")
    void byHand() {
        Section piece = piece(FAST_THEN_HELD);
        // 1001 + 2k over the first ten frames: 1001, 1003 … 1019; then 1021 throughout
        assertThat(piece.at(100)).isEqualTo(Rational.of(1001));
        assertThat(piece.at(104)).isEqualTo(Rational.of(1009));
        assertThat(piece.at(109)).isEqualTo(Rational.of(1019));
        assertThat(piece.at(110)).isEqualTo(Rational.of(1021));
        assertThat(piece.at(119)).isEqualTo(Rational.of(1021));
        // the mean of the whole: 20 frames of content in 20
        assertThat(piece.speed()).isEqualTo(Rational.ONE);
        assertThat(piece.from()).isEqualTo(Rational.of(1001));
    }

    @Test
    @DisplayName("keys that bend nothing count for nothing; one off the line, or an easing, does")
    void straight() {
        List<Bend> line = List.of(new Bend(Rational.ZERO, Rational.of(1001), Pace.STRAIGHT),
                new Bend(Rational.of(10), Rational.of(1021), Pace.STRAIGHT), new Bend(Rational.of(20), Rational.of(1041), Pace.EASED));
        assertThat(piece(line).runsEvenly()).isTrue();
        assertThat(piece(FAST_THEN_HELD).runsEvenly()).isFalse();
        assertThat(piece(List.of(new Bend(Rational.ZERO, Rational.of(1001), Pace.EASED),
                new Bend(Rational.of(20), Rational.of(1041), Pace.STRAIGHT))).runsEvenly()).isFalse();
    }

    @Test
    @DisplayName("eased by smoothstep: a quarter of the time is 5/32 of the way, half is half (3t² − 2t³)")
    void eased() {
        Section piece = piece(List.of(new Bend(Rational.ZERO, Rational.of(1000), Pace.EASED),
                new Bend(Rational.of(20), Rational.of(1032), Pace.STRAIGHT)));
        assertThat(piece.at(105)).isEqualTo(Rational.of(1005));
        assertThat(piece.at(110)).isEqualTo(Rational.of(1016));
        assertThat(piece.at(115)).isEqualTo(Rational.of(1027));
    }

    @Test
    @DisplayName("stepped holds its frame up to the next key")
    void stepped() {
        Section piece = piece(List.of(new Bend(Rational.ZERO, Rational.of(1000), Pace.STEPPED),
                new Bend(Rational.of(7), Rational.of(1050), Pace.STEPPED),
                new Bend(Rational.of(20), Rational.of(1060), Pace.STRAIGHT)));
        assertThat(piece.at(106)).isEqualTo(Rational.of(1000));
        assertThat(piece.at(107)).isEqualTo(Rational.of(1050));
        assertThat(piece.at(119)).isEqualTo(Rational.of(1050));
    }

    @Test
    @DisplayName("trimmed, moved and slipped, every frame that stays shows what it showed, or that much later")
    void keptByTrims() {
        Section piece = piece(FAST_THEN_HELD);
        Section trimmed = piece.over(FrameRange.of(104, 116));
        for (long f = 104; f < 116; f++) {
            assertThat(trimmed.at(f)).isEqualTo(piece.at(f));
            assertThat(piece.shiftedBy(50).at(f + 50)).isEqualTo(piece.at(f));
            assertThat(piece.slipped(Rational.of(3)).at(f)).isEqualTo(piece.at(f).plus(3));
        }
        assertThat(trimmed.over(FrameRange.of(100, 120))).isEqualTo(piece);
    }

    @Test
    @DisplayName("written as text and read again they are the same; what is no key is refused")
    void text() {
        assertThat(Bend.parse(Bend.text(FAST_THEN_HELD))).isEqualTo(FAST_THEN_HELD);
        assertThat(Bend.parse("")).isEmpty();
        assertThatThrownBy(() -> Bend.parse("1:2")).hasMessageContaining("1:2");
        assertThatThrownBy(() -> Bend.checked(List.of(FAST_THEN_HELD.get(0)))).hasMessageContaining("2 to 40");
        assertThatThrownBy(() -> Bend.checked(List.of(FAST_THEN_HELD.get(1), FAST_THEN_HELD.get(0))))
                .hasMessageContaining("one after another");
    }
}
