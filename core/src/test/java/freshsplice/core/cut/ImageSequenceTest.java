package freshsplice.core.cut;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ImageSequenceTest {
    @ParameterizedTest
    @CsvSource({
        "wave.%04d.exr, wave., .exr, -1",
        "/a/b/wave_####.png, wave_, .png, -1",
        "wave.@@@@@.tif, wave., .tif, -1",
        "wave.[0001-0240].exr, wave., .exr, -1",
        "wave.0007.exr, wave., .exr, 7",
        "wave7.exr, wave, .exr, 7",
        "v2_wave.0100.png, v2_wave., .png, 100",
    })
    void readsNumbers(String name, String prefix, String suffix, long number) {
        assertThat(ImageSequence.of(name)).hasValue(new ImageSequence(prefix, suffix, number));
    }

    @ParameterizedTest
    @CsvSource({"wave.%04d.exr, false", "wave.####.png, false", "wave.0001.png, true", "C#.png, true"})
    void aRunMovesAndOneOfItsPicturesDoesNot(String name, boolean still) {
        assertThat(Source.named(name, null, null).isStill()).isEqualTo(still);
    }

    @ParameterizedTest
    @CsvSource({"wave.exr", "wave", "12", "wave.0001"})
    void leavesOthers(String name) {
        assertThat(ImageSequence.of(name)).isEmpty();
        assertThat(ImageSequence.isRun(name)).isFalse();
    }
}
