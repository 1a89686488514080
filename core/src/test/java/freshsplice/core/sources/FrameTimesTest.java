package freshsplice.core.sources;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRate;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class FrameTimesTest {
    private static double[] every(double seconds, int... left) {
        return IntStream.range(0, 60).filter(i -> IntStream.of(left).noneMatch(l -> l == i)).mapToDouble(i -> i * seconds).toArray();
    }

    @Test
    void roundedTimesAreEven() {
        double[] thousandths = IntStream.range(0, 500).mapToDouble(i -> Math.round(i * 1001.0 / 24) / 1000.0).toArray();
        FrameTimes times = FrameTimes.of(thousandths, 500 * 1001 / 24_000.0, FrameRate.of(1000, 1));
        assertThat(times.isEven()).isTrue();
        assertThat(times.rate()).isEqualTo(FrameRate.FPS_23_976);
        assertThat(times.frames()).isEqualTo(500);
        assertThat(times.pictureAt(499)).isEqualTo(499);
        assertThat(times.before(10)).isBetween(thousandths[9], thousandths[10]);
    }

    /** Of field-coded files the name tells fields and the mean frames a second. */
    @Test
    void fieldsAreNoFrames() {
        FrameTimes times = FrameTimes.of(every(0.04), 2.4, FrameRate.FPS_50);
        assertThat(times.isEven()).isTrue();
        assertThat(times.rate()).isEqualTo(FrameRate.FPS_25);
        assertThat(times.frames()).isEqualTo(60);
    }

    @Test
    void aPictureThatIsMissingIsHeldByTheOneBefore() {
        FrameTimes times = FrameTimes.of(every(1 / 30.0, 10, 11, 12, 40), 2, FrameRate.FPS_30);
        assertThat(times.isEven()).isFalse();
        assertThat(times.rate()).isEqualTo(FrameRate.FPS_30);
        assertThat(times.frames()).isEqualTo(60);
        assertThat(LongStream.range(8, 16).map(times::pictureAt)).containsExactly(8L, 9L, 9L, 9L, 9L, 10L, 11L, 12L);
        assertThat(times.pictureAt(59)).isEqualTo(55);
        assertThat(times.pictureAt(60)).as("beyond the end").isEqualTo(56);
    }

    @Test
    void aLastPictureThatStaysIsReachedToItsEnd() {
        FrameTimes times = FrameTimes.of(new double[] {0, 0.04, 0.08, 0.12, 0.16}, 3, FrameRate.of(90_000, 1));
        assertThat(times.frames()).isEqualTo(75);
        assertThat(times.pictureAt(74)).isEqualTo(4);
        FrameTimes slow = FrameTimes.of(new double[] {0, 0.04, 0.08, 0.12, 1.16}, 3, FrameRate.of(90_000, 1));
        assertThat(slow.rate()).isEqualTo(FrameRate.FPS_25);
        assertThat(slow.frames()).isEqualTo(75);
        assertThat(slow.pictureAt(28)).isEqualTo(3);
        assertThat(slow.pictureAt(29)).isEqualTo(4);
        assertThat(slow.pictureAt(74)).isEqualTo(4);
    }

    @RepeatedTest(40)
    void eachFrameShowsThePictureThatHasComeByThen(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        double[] shown = new double[80];
        double at = 0;
        for (int i = 0; i < shown.length; i++) {
            shown[i] = at;
            at += 0.01 + random.nextDouble() * 0.2;
        }
        FrameTimes times = FrameTimes.of(shown, at, null);
        double frame = 1 / times.rate().fps().toDouble();
        for (long n = 0; n < times.frames(); n++) {
            int picture = (int) times.pictureAt(n);
            assertThat(picture == 0 || shown[picture] <= (n + 0.5) * frame).isTrue();
            assertThat(picture + 1 >= shown.length || shown[picture + 1] >= (n + 0.5) * frame).isTrue();
        }
        for (int i = 1; i < shown.length; i++) {
            assertThat(times.before(i)).isStrictlyBetween(shown[i - 1], shown[i]);
        }
        assertThat(times.frames() * frame).isBetween(at - frame, at + frame);
    }
}
