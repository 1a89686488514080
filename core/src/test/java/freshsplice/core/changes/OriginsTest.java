package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Source;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Which of our frames a clip shows is told by a name of ours, whichever name the list kept. */
class OriginsTest {
    private static final FrameRange EDGE = FrameRange.ofLength(86_400, 20);
    private static final RenderRange RANGE = new RenderRange(Rational.of(1001), Rational.ONE, 48);
    private final Origins origins = new Origins().render(new RenderName("sh0010", 2), 7, RANGE)
            .file("Low Water_sc12_sh0010_wide_final.mov", 7, RANGE);

    private static CutClip clip(Source source) {
        TimeMap time = TimeMap.constant(EDGE, Rational.of(1005), Rational.ONE);
        return new CutClip(EDGE, EDGE, source, null, time, false, List.of(List.of(0)), List.of(), null, null, null);
    }

    private static Source named(String name, String reel, String file) {
        return new Source(name, reel, file, FrameRate.FPS_24, null, null);
    }

    @Test
    void aListThatNamesOnlyTheFileOfARender() {
        for (String file : List.of("Low Water_sc12_sh0010_wide_final.mov", "file:///edit/media/LOW WATER_sc12_SH0010_wide_final.mov",
                "D:\\edit\\Low Water_sc12_sh0010_wide_final.mxf")) {
            assertThat(origins.of(clip(named("take one", "A001", file)))).as(file).hasValueSatisfying(origin -> {
                assertThat(origin.shotId()).isEqualTo(7);
                assertThat(origin.position()).isEqualTo(Rational.of(1005));
            });
        }
    }

    @Test
    void aClipOrReelCalledAsTheFileIs() {
        assertThat(origins.of(clip(named("Low Water_sc12_sh0010_wide_final", null, null)))).isPresent();
        assertThat(origins.of(clip(named(null, "Low Water_sc12_sh0010_wide_final.mov", null)))).isPresent();
    }

    @Test
    void otherFilesAreNoneOfOurs() {
        for (String file : List.of("Low Water_sc12_sh0010_wide.mov", "sh0010_wide_final.mov", "x/Low Water_sc12_sh0010_wide_final.mov/other.mov")) {
            assertThat(origins.of(clip(named("take one", "A001", file)))).as(file).isEmpty();
        }
    }
}
