package freshsplice.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class TimeMapTest {
    @Test
    void reversePlayOfSourceFrames0To48BeginsAt47AndEndsBefore0() {
        TimeMap map = TimeMap.between(FrameRange.of(100, 148), Rational.of(47), Rational.of(-1));
        assertThat(map.frameAt(100)).isEqualTo(47);
        assertThat(map.frameAt(147)).isEqualTo(0);
        assertThat(map.slope()).contains(Rational.of(-1));
    }

    @Test
    void halfSpeedShowsEveryFrameTwice() {
        TimeMap map = TimeMap.constant(FrameRange.of(0, 6), Rational.of(10), Rational.of(1, 2));
        assertThat(LongStream.range(0, 6).map(map::frameAt)).containsExactly(10L, 10L, 11L, 11L, 12L, 12L);
    }

    @Test
    void aPartShowsWhatTheWholeShowedThere() {
        TimeMap map = new TimeMap(List.of(new TimeMap.Key(0, Rational.of(0)), new TimeMap.Key(10, Rational.of(40)),
                new TimeMap.Key(20, Rational.of(45))), false);
        TimeMap part = map.over(FrameRange.of(4, 15));
        assertThat(LongStream.range(4, 15).map(part::frameAt)).containsExactlyElementsOf(
                LongStream.range(4, 15).map(map::frameAt).boxed().toList());
        assertThat(map.slope()).isEmpty();
    }
}
