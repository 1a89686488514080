package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class DrawingTimesTest {
    private static DrawingTimes.Sample seen(double started, double finished, double pixels, double frames) {
        return new DrawingTimes.Sample(started, finished, pixels, frames);
    }

    /** 100 frames of 1280 x 720 in 5.15 s, of which 0.15 to begin: 20 frames a second; 25 to 100 frames/s is four times the work (common practice). */
    @Test
    void fourTimesTheFramesTakeFourTimesAsLong() {
        DrawingTimes times = new DrawingTimes(List.of(seen(0, 5.15, 1280 * 720, 100)));
        assertThat(times.of(1, 1280 * 720, 100).orElseThrow().least()).isCloseTo(5.15, within(1e-6));
        assertThat(times.of(1, 1280 * 720, 400).orElseThrow().least()).isCloseTo(20.15, within(1e-6));
        assertThat(times.of(1, 1920 * 1080, 100).orElseThrow().most()).as("2.25 times the pixels").isCloseTo(0.15 + 5 * 2.25, within(1e-6));
    }

    /** Three were begun together and ended a second apart: each took one second, whatever it waited. */
    @Test
    void whatWaitedForOthersCountsFromTheirEnd() {
        DrawingTimes times = new DrawingTimes(List.of(seen(0, 3, 1000, 10), seen(0, 1, 1000, 10), seen(0, 2, 1000, 10)));
        assertThat(times.of(10, 1000, 100).orElseThrow()).satisfies(range -> {
            assertThat(range.least()).isCloseTo(10, within(0.01));
            assertThat(range.most()).isCloseTo(10, within(0.01));
        });
    }

    @Test
    void picturesOfAnotherSizeTellOnlyWhereNoneAreAlike() {
        List<DrawingTimes.Sample> small = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            small.add(seen(i, i + 0.2, 64 * 36, 6));
        }
        assertThat(new DrawingTimes(small).of(1, 1280 * 720, 240).orElseThrow()).satisfies(range -> {
            assertThat(range.least()).as("a quick machine").isCloseTo(4.15, within(1e-6));
            assertThat(range.most()).as("a slow one").isCloseTo(60.15, within(1e-6));
        });
        small.add(seen(100, 105.15, 1280 * 720, 100));
        assertThat(new DrawingTimes(small).of(1, 1280 * 720, 100).orElseThrow().most()).isCloseTo(5.15, within(1e-6));
    }

    @Test
    void nothingIsToldOfNothing() {
        assertThat(new DrawingTimes(List.of()).of(3, 1000, 10)).isEmpty();
        assertThat(new DrawingTimes(List.of(seen(0, 0.1, 1000, 10))).of(3, 1000, 10)).as("all of it was beginning").isEmpty();
    }
}
