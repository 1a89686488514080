package freshsplice.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class HeardSoundTest {
    private static final Rational FRAME = Rational.of(1, 24);

    private static HeardSound plain(String source, long from, long at, long frames) {
        return new HeardSound(source, FRAME.times(from), at, frames, 1, 0, 0, 0, 0);
    }

    @RepeatedTest(30)
    @DisplayName("one long sound sounds the same however it was split, with its fades where they are")
    void split(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        long length = 100;
        long fadeIn = random.nextInt(20);
        long fadeOut = random.nextInt(20);
        HeardSound whole = new HeardSound("a", Rational.of(3), 10, length, 0.5, 0, fadeIn, 0, fadeOut);
        List<HeardSound> parts = new ArrayList<>();
        for (long at = 0; at < length;) {
            long frames = Math.min(length - at, 25 + random.nextInt(30));
            // splits lie outside of both fades, as a split inside one changes it
            if (length - at - frames < 25) {
                frames = length - at;
            }
            parts.add(new HeardSound("a", Rational.of(3).plus(FRAME.times(at)), 10 + at, frames, 0.5, at, at == 0 ? fadeIn : 0, 0, at + frames == length ? fadeOut : 0));
            at += frames;
        }
        java.util.Collections.shuffle(parts, random);
        assertThat(HeardSound.joined(parts, FRAME)).isEqualTo(HeardSound.joined(List.of(whole), FRAME)).containsExactly(whole);
    }

    @Test
    @DisplayName("a fade that is over before what is heard begins is none; what is louder, elsewhere or another file is another")
    void told() {
        assertThat(new HeardSound("a", Rational.ZERO, 0, 10, 1, 12, 8, 30, 20)).isEqualTo(plain("a", 0, 0, 10));
        assertThat(HeardSound.joined(List.of(plain("a", 0, 0, 10), plain("a", 10, 10, 10)), FRAME)).containsExactly(plain("a", 0, 0, 20));
        assertThat(HeardSound.joined(List.of(plain("a", 0, 0, 10), plain("b", 10, 10, 10)), FRAME)).hasSize(2);
        assertThat(HeardSound.joined(List.of(plain("a", 0, 0, 10), plain("a", 11, 10, 10)), FRAME)).hasSize(2);
        assertThat(HeardSound.joined(List.of(plain("a", 0, 0, 10), new HeardSound("a", FRAME.times(10), 10, 10, 0.5, 0, 0, 0, 0)), FRAME)).hasSize(2);
        assertThat(HeardSound.joined(List.of(plain("a", 0, 0, 10), new HeardSound("a", FRAME.times(10), 10, 10, 1, 0, 4, 0, 0)), FRAME)).hasSize(2);
    }
}
