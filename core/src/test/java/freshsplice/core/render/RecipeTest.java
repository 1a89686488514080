package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.PictureSize;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RecipeTest {
    private static FrameLook look(int width, int height, int percent) {
        return new FrameLook(width, height, percent, FrameLook.Edges.QUICK, 0, 8, false, 0);
    }

    private static Recipe recipe(FrameLook look, OutputKind... kinds) {
        return Recipe.of(look, List.of(), OutputKind.JPEG).with(java.util.Arrays.stream(kinds).map(Output::of).toList());
    }

    @Test
    @DisplayName("150 % of 1920 x 1080 is 2880 x 1620, 2.25 times the pixels (trade rules: sizes of renders)")
    void drawnLarger() {
        FrameLook look = look(1920, 1080, 150);
        assertThat(look.drawnWidth()).isEqualTo(2880);
        assertThat(look.drawnHeight()).isEqualTo(1620);
        assertThat((double) look.drawnWidth() * look.drawnHeight() / (1920 * 1080)).isEqualTo(2.25);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "9 | 720 | 100 | A picture is 16 to 8192 pixels wide, not 9",
        "1280 | 9000 | 100 | A picture is 16 to 8192 pixels high, not 9000",
        "8192 | 720 | 150 | 150 % of 8192 pixels is more than 8192, the most that can be drawn",
        "1280 | 720 | 10 | Frames are drawn at 25 to 400 percent, not 10"})
    void looksThatCannotBe(int width, int height, int percent, String words) {
        assertThatThrownBy(() -> look(width, height, percent)).isInstanceOf(Refusal.class).hasMessage(words);
    }

    @Test
    void whatFilesCannotBeIsSaidWithWhatTheyCan() {
        assertThatThrownBy(() -> recipe(look(1279, 720, 100), OutputKind.VC3)).isInstanceOf(Refusal.class)
                .hasMessage("VC-3 needs an even number of pixels wide: 1278 or 1280, not 1279");
        assertThatThrownBy(() -> recipe(look(1280, 719, 100), OutputKind.H264)).hasMessage(
                "H.264 needs an even number of pixels high: 718 or 720, not 719");
        assertThatThrownBy(() -> recipe(look(254, 144, 100), OutputKind.VC3)).hasMessage("VC-3 needs at least 256 x 120 pixels, not 254 x 144");
        assertThat(recipe(look(256, 120, 100), OutputKind.VC3).written()).hasSize(1);
        assertThat(recipe(look(1279, 719, 100), OutputKind.PNG8).written()).hasSize(1);
        assertThat(OutputKind.delivered(List.of(OutputKind.H264, OutputKind.PNG8, OutputKind.VC3))).contains(OutputKind.VC3);
        assertThat(OutputKind.delivered(List.of(OutputKind.PNG8))).isEmpty();
        assertThatThrownBy(() -> recipe(look(1280, 720, 100), OutputKind.PNG8, OutputKind.PNG16)).hasMessage(
                "PNG and PNG 16 bit would have the same names, ending in .png: switch one off, and write it later from the kept frames");
        assertThatThrownBy(() -> recipe(look(1280, 720, 100), OutputKind.EXR, OutputKind.EXR)).hasMessage("EXR stands twice among the files");
        assertThatThrownBy(() -> new Output(OutputKind.H264, true, 80, null, true, null)).hasMessage("H.264 cannot leave the sky out");
        assertThatThrownBy(() -> new Output(OutputKind.PRORES, true, 80, 20, false, null)).hasMessage("ProRes has no limit of size");
        assertThatThrownBy(() -> new FrameNumbers(null, 0)).hasMessage("A number has 1 to 10 digits, not 0");
    }

    @Test
    void aProjectsFirstRecipesCanBeUsed() {
        Map<String, Recipe> usual = Recipe.usual(new PictureSize(1280, 720));
        assertThat(usual.keySet()).containsExactly("Review", "Edit room", "Stills");
        assertThat(usual.get("Review").written()).extracting(Output::kind).containsExactly(OutputKind.H264);
        assertThat(usual.get("Review").bits()).isEqualTo(8);
        assertThat(usual.get("Review").with(List.of(Output.of(OutputKind.EXR))).bits()).isEqualTo(16);
    }

    @ParameterizedTest
    @DisplayName("digits: three to 999, four from 1000, five from 10 000 (trade rules: sizes of renders)")
    @CsvSource({"1, 20, 001, 020", "993, 56, 0993, 1048", "1001, 40, 1001, 1040", "9990, 20, 09990, 10009", "0, 1000, 000, 999"})
    void numbersOfARun(long from, long frames, String first, String last) {
        FrameNumbers.Run run = FrameNumbers.OWN.of(new RenderRange(Rational.of(from), Rational.ONE, frames));
        assertThat(run.text(0)).isEqualTo(first);
        assertThat(run.text(frames - 1)).isEqualTo(last);
    }

    @Test
    void everyNthKeepsItsNumberAndOtherSpeedsCountOn() {
        FrameNumbers.Run thirds = FrameNumbers.OWN.of(new RenderRange(Rational.of(1001), Rational.of(3), 5));
        assertThat(List.of(thirds.text(0), thirds.text(1), thirds.text(4))).containsExactly("1001", "1004", "1013");
        FrameNumbers.Run half = FrameNumbers.OWN.of(new RenderRange(Rational.of(1001), Rational.of(1, 2), 5));
        assertThat(half.text(4)).isEqualTo("1005");
        FrameNumbers.Run chosen = new FrameNumbers(0L, 6).of(new RenderRange(Rational.of(1001), Rational.of(3), 5));
        assertThat(chosen.text(4)).isEqualTo("000004");
        assertThatThrownBy(() -> FrameNumbers.OWN.of(new RenderRange(Rational.of(-4), Rational.ONE, 9)))
                .hasMessage("The shot's frame -4 is no number for a file: choose a first number");
        assertThatThrownBy(() -> new FrameNumbers(null, 3).of(new RenderRange(Rational.of(990), Rational.ONE, 20)))
                .hasMessage("Number 1009 has more than 3 digits");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "{shot}_{version} | All pictures of a run would be called {shot}_{version}: put {frame} into the name",
        "{shot}/{frame} | A name is no path: take / and .. out of {shot}/{frame}",
        "..{frame} | A name is no path: take / and .. out of ..{frame}",
        "{shoot}.{frame} | There is no {shoot} to fill in {shoot}.{frame}: project, scene, shot, version, grade, camera, recipe and frame are",
        "{frame}{frame} | {frame} stands twice in {frame}{frame}",
        "Shot {frame} | A name has lower-case letters, digits, _ - and dots between them, and begins with no dot: Shot {frame}"})
    void patternsThatCannotBe(String pattern, String words) {
        assertThatThrownBy(() -> NamePattern.run(pattern)).isInstanceOf(Refusal.class).hasMessage(words);
    }

    @Test
    void aMovieIsOneFile() {
        assertThatThrownBy(() -> NamePattern.movie("{shot}.{frame}")).hasMessage("A movie is one file: take {frame} out of {shot}.{frame}");
        assertThatThrownBy(() -> NamePattern.movie("")).hasMessage("A pattern for names has 1 to 80 letters");
    }

    @Test
    @DisplayName("names are lower case with digits, _ and -; old and new lie in folders of their own (common practice)")
    void names() {
        FileNames names = new FileNames("Low Water", "Pier, morning", new RenderName("sh0030", 2), Grade.DRAFT, "sh0030 cam", "Edit room");
        Recipe recipe = recipe(look(1280, 720, 100), OutputKind.PNG8);
        assertThat(names.folder()).isEqualTo("low_water/pier_morning/draft/sh0030_v002");
        assertThat(names.movie(recipe, OutputKind.H264)).isEqualTo("sh0030_v002.mp4");
        FrameNumbers.Run run = FrameNumbers.OWN.of(new RenderRange(Rational.of(993), Rational.ONE, 56));
        assertThat(names.picture(recipe, OutputKind.PNG8, run, 55)).isEqualTo("sh0030_v002.1048.png");
        assertThat(NamePattern.run("{project}-{scene}-{camera}-{recipe}-{grade}.{frame}").fill(Map.of(NamePattern.Part.PROJECT, "Ü/../x",
                NamePattern.Part.FRAME, "0001"))).isEqualTo("u_x-none-none-none-none.0001");
    }

    @Test
    void chunksAreAllFramesOnceInOrder() {
        for (long frames : new long[] {1, 23, 24, 25, 7200}) {
            for (FrameLook look : List.of(look(320, 180, 100), look(1920, 1080, 100), look(7680, 4320, 100))) {
                List<FrameRange> chunks = Chunks.of(frames, look);
                long at = 0;
                for (FrameRange chunk : chunks) {
                    assertThat(chunk.in()).isEqualTo(at);
                    assertThat(chunk.length()).isBetween(1L, 96L);
                    at = chunk.out();
                }
                assertThat(at).isEqualTo(frames);
            }
        }
    }
}
