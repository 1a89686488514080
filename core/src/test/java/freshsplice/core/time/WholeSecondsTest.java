package freshsplice.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WholeSecondsTest {
    /**
     * Seconds of day at which the label of each frame begins one, −1 for all others: by counting every label and leaving out the
     * first ones of each minute but every tenth (SMPTE ST 12-1), independently of what is tested.
     */
    private static int[] counted(int base, int skipped, int frames) {
        int[] begins = new int[frames];
        int shown = -1;
        int at = 0;
        for (long label = 0; at < frames; label++) {
            int second = (int) (label / base);
            boolean left = label % base < skipped && second % 60 == 0 && second / 60 % 10 != 0;
            if (!left) {
                begins[at++] = second == shown ? -1 : second;
                shown = second;
            }
        }
        return begins;
    }

    private static List<Long> expected(int[] begins, FrameRange range, int every) {
        List<Long> frames = new ArrayList<>();
        for (long f = range.in(); f < range.out(); f++) {
            int second = begins[(int) f];
            if (second >= 0 && second % every == 0) {
                frames.add(f);
            }
        }
        return frames;
    }

    @Test
    void labelsAreFoundWhereCountingFindsThem() {
        Random random = new Random(5);
        int frames = 200_000;
        for (FrameRate rate : List.of(FrameRate.of(30000, 1001), FrameRate.of(60000, 1001))) {
            int[] begins = counted(rate.timecodeBase(), rate.timecodeBase() / 15, frames);
            for (int i = 0; i < 400; i++) {
                long in = random.nextInt(frames - 20_000);
                FrameRange range = FrameRange.of(in, in + 1 + random.nextInt(20_000));
                int every = List.of(1, 2, 5, 10, 20, 30, 60, 120, 300, 600).get(random.nextInt(10));
                assertThat(WholeSeconds.in(range, rate, true, every)).as("%s every %d", range, every)
                        .isEqualTo(expected(begins, range, every));
            }
        }
    }

    @Test
    void withoutDroppedLabelsSecondsAreWholeFrames() {
        assertThat(WholeSeconds.in(FrameRange.of(86_400, 86_520), FrameRate.of(24, 1), false, 2))
                .containsExactly(86_400L, 86_448L, 86_496L);
        assertThat(WholeSeconds.in(FrameRange.of(1, 49), FrameRate.of(24000, 1001), false, 1)).containsExactly(24L, 48L);
    }

    @Test
    void aMinuteWhoseFirstLabelsAreDroppedBeginsAtTheNext() {
        // 00:01:00;02 is frame 1800, 00:10:00;00 frame 17 982
        assertThat(WholeSeconds.in(FrameRange.of(1790, 1840), FrameRate.of(30000, 1001), true, 60)).containsExactly(1800L);
        assertThat(WholeSeconds.in(FrameRange.of(17_980, 17_990), FrameRate.of(30000, 1001), true, 600)).containsExactly(17_982L);
    }

    @Test
    void labelsBeginAgainAfterTheDayAndBeforeIt() {
        FrameRate rate = FrameRate.of(24, 1);
        long day = Timecode.framesPerDay(rate, false);
        assertThat(WholeSeconds.in(FrameRange.of(day - 24, day + 25), rate, false, 1)).containsExactly(day - 24, day, day + 24);
        assertThat(WholeSeconds.in(FrameRange.of(-25, 1), rate, false, 1)).containsExactly(-24L, 0L);
    }

    @Test
    void nothingIsLabelledMoreOftenThanEverySecond() {
        assertThatThrownBy(() -> WholeSeconds.in(FrameRange.of(0, 10), FrameRate.of(24, 1), false, 0))
                .isInstanceOf(Refusal.class).hasMessageContaining("every 0");
    }
}
