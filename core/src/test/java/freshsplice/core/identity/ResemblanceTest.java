package freshsplice.core.identity;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRate;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ResemblanceTest {
    private static Source source(String clip, String reel, String file) {
        return new Source(clip == null ? "" : clip, reel, file, FrameRate.FPS_24, null, null);
    }

    private static Resemblance of(Source older, Source newer) {
        return Resemblance.of(older, newer, true);
    }

    @ParameterizedTest(name = "{0} {1} {2} and {3} {4} {5} agree by {6}: {7}")
    @CsvSource({
        "bd_1, , , bd_1, , , 'the clip''s name'",
        "bd_1.png, , , bd_1, , , 'the clip''s name without its ending'",
        "BD_1, , , bd_1, , , 'the clip''s name but for capitals'",
        "a, , boards/bd_1.png, b, , boards/bd_1.png, 'the file''s name'",
        "a, , bd_1.png, b, , bd_1.mov, 'the file''s name without its ending'",
        "bd_1, , , other, , boards/bd_1.png, the name of a clip and of a file",
        "a, TAPE042, , a2, TAPE042, , the reel",
    })
    void whatAgreesIsNamed(String clip, String reel, String file, String clip2, String reel2, String file2, String because) {
        Resemblance found = of(source(clip, reel, file), source(clip2, reel2, file2));
        assertThat(found.because()).contains(because);
        assertThat(found.agreement()).isGreaterThanOrEqualTo(Resemblance.LEAST);
    }

    @Test
    @DisplayName("names are trusted in their order: a file before a clip, a clip before a reel, whole names before stems")
    void order() {
        double file = of(source(null, null, "b/bd.png"), source(null, null, "b/bd.png")).agreement();
        double clip = of(source("bd", null, null), source("bd", null, null)).agreement();
        double stem = of(source("bd.png", null, null), source("bd.mov", null, null)).agreement();
        double reel = of(source(null, "TAPE042", null), source(null, "TAPE042", null)).agreement();
        double capitals = of(source("BD", null, null), source("bd", null, null)).agreement();
        assertThat(List.of(file, clip, stem, reel, capitals)).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(file).isGreaterThan(clip);
        assertThat(reel).isGreaterThan(capitals);
    }

    @Test
    @DisplayName("a list that cuts reels to eight letters still knows them")
    void shortReels() {
        Resemblance found = of(source("x", "LOWWATER_A012", null), source("y", "LOWWATER", null));
        assertThat(found.because()).contains("the reel, shortened");
    }

    @Test
    @DisplayName("reels are the same that lists shorten to the same, however short, on either side")
    void shorterReels() {
        assertThat(of(source("", "HA_010", null), source("", "HA010", null)).because()).containsExactly("the reel, shortened");
        assertThat(of(source("", "HA010", null), source("", "ha-010", null)).byShortReel()).isTrue();
        assertThat(of(source("", "HA_010", null), source("", "HA011", null)).agreement()).isZero();
        assertThat(of(source("", "LowWaterReel4", null), source("", "LowWaterReel201", null)).agreement()).isZero();
        assertThat(of(source("", "LowWaterReel4", null), source("", "LOWWATER_REEL4", null)).because()).containsExactly("the reel, shortened");
        assertThat(of(source("", "---", null), source("", "___", null)).agreement()).isZero();
        assertThat(of(source(null, null, "b/ha_010.mov"), source("", "HA010", null)).because()).containsExactly("the reel and the clip's or file's name");
    }

    @Test
    @DisplayName("a reel that a list named after the clip counts only where nothing else does")
    void reelIsName() {
        assertThat(of(source(null, "bd_0010", null), source("bd_0010", null, null)).because())
                .containsExactly("the reel and the clip's or file's name");
        assertThat(of(source("bd_0010", "bd_0010", null), source("bd_0010", null, null)).because()).containsExactly("the clip's name");
    }

    @Test
    @DisplayName("other clips' names contradict, unless the file is the same")
    void contradiction() {
        assertThat(of(source("bd_1", null, null), source("bd_2", null, null)).contradicts()).isTrue();
        assertThat(of(source("bd_1", null, "b/a.png"), source("bd_2", null, "b/a.png")).contradicts()).isFalse();
        assertThat(of(source(null, null, "b/a.png"), source(null, null, "b/b.png")).contradicts()).isTrue();
        // a picture in files of two kinds has a name in each
        assertThat(of(source(null, null, "b/a.png"), source(null, null, "b/b.mov")).contradicts()).isFalse();
    }

    @Test
    @DisplayName("a file in another folder is the same only where folders have moved")
    void folders() {
        Source here = source(null, null, "day1/bd.png");
        Source there = source(null, null, "day2/bd.png");
        assertThat(Resemblance.of(here, there, true).byFile()).isTrue();
        assertThat(Resemblance.of(here, there, false).byFile()).isFalse();
    }

    @Test
    @DisplayName("where a timecode begins and how long it is strengthen what agrees, and are nothing alone")
    void timecode() {
        Source a = new Source("bd", null, null, FrameRate.FPS_24, 86_400L, 100L);
        Source b = new Source("other", null, null, FrameRate.FPS_24, 86_400L, 100L);
        assertThat(of(a, a).agreement() - of(source("bd", null, null), source("bd", null, null)).agreement()).isEqualTo(1);
        assertThat(of(a, b).agreement()).isZero();
    }

    @Test
    @DisplayName("what nobody names agrees with nothing, and contradicts nothing")
    void nothing() {
        Resemblance found = of(source(null, null, null), source("bd", "R1", "b/a.png"));
        assertThat(found.agreement()).isZero();
        assertThat(found.contradicts()).isFalse();
    }
}
