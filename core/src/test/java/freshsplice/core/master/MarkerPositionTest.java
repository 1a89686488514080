package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class MarkerPositionTest {
    private static Clip clip(Rational from, Rational speed, long length) {
        return new Clip(1, new Clip.Content.OfShot(1), FrameRange.ofLength(2000, length), from, speed, true, null, null);
    }

    @RepeatedTest(300)
    @DisplayName("where no frame is stepped over it is the first record frame that shows the frame, looked for one by one")
    void asLookedFor(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        int den = 1 + random.nextInt(5);
        int num = random.nextInt(2 * den + 1) - den;
        Clip clip = clip(Rational.of(4000 + random.nextInt(90), 1 + random.nextInt(4)), Rational.of(num, den),
                1 + random.nextInt(60));
        long wanted = clip.from().floor() - 70 + random.nextInt(140);
        OptionalLong shown = LongStream.range(clip.record().in(), clip.record().out())
                .filter(f -> clip.at(f).floor() == wanted).findFirst();
        assertThat(MarkerPosition.recordOf(clip, Rational.of(wanted))).as("%s, %d", clip, wanted).isEqualTo(shown);
    }

    @Test
    @DisplayName("a fast clip steps over the frame: the marker stands at the frame after it")
    void steppedOver() {
        Clip twice = clip(Rational.of(1001), Rational.of(2), 10);
        assertThat(MarkerPosition.recordOf(twice, Rational.of(1005))).hasValue(2002);
        assertThat(MarkerPosition.recordOf(twice, Rational.of(1006))).as("1005 and 1007 are shown around it").hasValue(2003);
        assertThat(MarkerPosition.recordOf(twice, Rational.of(1000))).as("before its head").isEmpty();
        assertThat(MarkerPosition.recordOf(twice, Rational.of(1021))).as("after its tail").isEmpty();
    }

    @Test
    @DisplayName("a marker inside a frame stands at that frame, and a held clip shows its one frame from its head on")
    void partsOfFrames() {
        assertThat(MarkerPosition.recordOf(clip(Rational.of(1001), Rational.ONE, 10), Rational.of(2011, 2))).hasValue(2004);
        Clip held = clip(Rational.of(1001), Rational.ZERO, 10);
        assertThat(MarkerPosition.recordOf(held, Rational.of(1001))).hasValue(2000);
        assertThat(MarkerPosition.recordOf(held, Rational.of(1002))).isEmpty();
    }

    @Test
    @DisplayName("a marker that its clip leaves goes on with one that shows its frame: any where its own is gone, a new one where that was split")
    void heirs() {
        Rational position = Rational.of(1006);
        Clip whole = clip(Rational.of(1001), Rational.ONE, 10);
        Clip head = whole.over(FrameRange.ofLength(2000, 4));
        Clip tail = whole.over(FrameRange.ofLength(2004, 6)).named(2);
        Clip older = whole.named(3);
        Clip other = tail.named(4).showing(new Clip.Content.OfShot(9), tail.from());
        Set<Long> known = Set.of(1L, 3L);
        assertThat(MarkerPosition.isLeft(whole, whole, position)).isFalse();
        assertThat(MarkerPosition.isLeft(whole, head, position)).isTrue();
        assertThat(MarkerPosition.isLeft(head, head, position)).as("it was not seen before either").isFalse();
        assertThat(MarkerPosition.isLeft(head, null, position)).isTrue();
        assertThat(MarkerPosition.heir(whole, head, position, List.of(head, other, older, tail), known)).hasValue(tail);
        assertThat(MarkerPosition.heir(whole, head, position, List.of(head, other, older), known)).as("trimmed: it stays, and is not seen").isEmpty();
        assertThat(MarkerPosition.heir(whole, null, position, List.of(other, older), known)).hasValue(older);
        assertThat(MarkerPosition.heir(whole, null, position, List.of(other), known)).isEmpty();
    }
}
