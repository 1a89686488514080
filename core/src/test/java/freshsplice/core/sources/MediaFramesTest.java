package freshsplice.core.sources;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Expected frames are common practice: a movie is found by its timecode, else from where its clip says it begins. */
class MediaFramesTest {
    private static Candidate movie(Long start, long frames) {
        return new Candidate(1, "wave.mov", "1", null, FrameRate.FPS_24, start, frames, List.of());
    }

    private static Source beginning(Long start) {
        return new Source("wave.mov", null, null, null, start, null);
    }

    private static List<Long> shown(Candidate file, Source source, TimeMap time, FrameRange seen) {
        MediaFrames frames = MediaFrames.of(file, source, seen, time);
        return LongStream.range(seen.in(), seen.out()).mapToObj(r -> frames.frameAt(time.at(r))).toList();
    }

    private static TimeMap from(long source, String speed) {
        return TimeMap.constant(FrameRange.ofLength(100, 4), Rational.of(source), Rational.parse(speed));
    }

    private static final FrameRange FOUR = FrameRange.ofLength(100, 4);

    @Test
    @DisplayName("by the timecode of the file where the clip's lies in it, whatever else is told")
    void byTimecode() {
        assertThat(shown(movie(86_400L, 50), beginning(86_000L), from(86_410, "1"), FOUR)).containsExactly(10L, 11L, 12L, 13L);
        assertThat(shown(movie(null, 50), beginning(null), from(10, "2"), FOUR)).as("counted from 0").containsExactly(10L, 12L,
                14L, 16L);
    }

    @Test
    @DisplayName("from where the source begins; a file that was cut to length shows its first frame first, backwards its last")
    void withoutTimecode() {
        assertThat(shown(movie(null, 50), beginning(86_400L), from(86_410, "1"), FOUR)).containsExactly(10L, 11L, 12L, 13L);
        assertThat(shown(movie(null, 50), beginning(null), from(86_410, "1/2"), FOUR)).containsExactly(0L, 0L, 1L, 1L);
        assertThat(shown(movie(null, 4), beginning(null), from(86_413, "-1"), FOUR)).containsExactly(3L, 2L, 1L, 0L);
    }

    @Test
    @DisplayName("a clip longer than the file holds the file's ends")
    void ends() {
        MediaFrames frames = new MediaFrames(10, 5);
        assertThat(frames.frameAt(Rational.of(3))).isZero();
        assertThat(frames.frameAt(Rational.parse("29/2"))).as("the frame that contains it").isEqualTo(4);
        assertThat(frames.frameAt(Rational.of(400))).isEqualTo(4);
    }
}
