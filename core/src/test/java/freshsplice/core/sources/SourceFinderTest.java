package freshsplice.core.sources;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Source;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The order of the ways is the one asked for; names are of the kind that edit rooms send (common practice). */
class SourceFinderTest {
    @ParameterizedTest(name = "{0} is {1}: {2}")
    @CsvSource({
        "harbour.png, harbour.png, NAME",
        "D:\\boards\\harbour.png, harbour.png, NAME",
        "Harbour.PNG, harbour.png, CASE",
        "Hafenküste (weit).png, hafenkuste weit.png, SPELLING",
        "harbour.psd, harbour.png, ENDING",
        "harbour, harbour.tiff, ENDING",
        "scene.12, scene.12.png, ENDING",
        "board_1.png, board_0001.png, NUMBERING",
        "harbour (2).png, harbour.png, NUMBERING",
        "harbour copy 3.png, harbour.png, NUMBERING",
        "007_harbour.png, harbour.png, NUMBERING",
        "harbour_v003.png, harbour_v005.png, VERSION",
        "harbour.png, harbour_V2.png, VERSION",
    })
    void findsByName(String clip, String file, Fit fit) {
        assertThat(find(clip, file)).hasValueSatisfying(found -> assertThat(found.fit()).isEqualTo(fit));
    }

    @ParameterizedTest(name = "{0} is not {1}")
    @CsvSource({
        "harbour.png, harbor.png",
        "board_001.png, board_002.png",
        "scene.12, scene.13.png",
        "sc1_a.png, sc1_b.png",
        "harbour_v003, lighthouse_v003.png",
    })
    void leavesWhatIsAnotherName(String clip, String file) {
        List<SourceNeed> wanted = List.of(wanted(clip), wanted(file));
        assertThat(new SourceFinder(List.of(Candidate.named(1, file)), wanted, Map.of()).find(wanted.get(0))).isEmpty();
    }

    @Test
    @DisplayName("the surest way wins, whatever else fits")
    void surest() {
        SourceFinder finder = finder(List.of("harbour.png", "Harbour.png", "harbour_v2.png", "harbour.psd"));
        assertThat(finder.find(wanted("Harbour.png")).orElseThrow().file().id()).isEqualTo(2);
        assertThat(finder.find(wanted("harbour_v2.png")).orElseThrow().file().id()).isEqualTo(3);
        assertThat(finder.find(wanted("harbour.psd")).orElseThrow().isDoubtful()).isFalse();
    }

    @Test
    @DisplayName("of files with one name the folders decide, and where they cannot it is said")
    void folders() {
        SourceFinder finder = finder(List.of("sc1/board_01.png", "sc2/board_01.png"));
        Match found = finder.find(wanted("E:/show/sc1/board_01.png")).orElseThrow();
        assertThat(found.file().path()).isEqualTo("sc1/board_01.png");
        assertThat(found.isDoubtful()).isFalse();
        Match guessed = finder.find(wanted("board_01.png")).orElseThrow();
        assertThat(guessed.file().id()).as("the newest").isEqualTo(2);
        assertThat(guessed.words()).isEqualTo("by its name; 1 other fits as well");
    }

    @Test
    @DisplayName("a full path is found first, as an address too")
    void path() {
        SourceFinder finder = finder(List.of("/srv/boards/a.png", "/srv/old/boards/a.png"));
        Match found = finder.find(wanted("file://localhost/srv/boards/a.png")).orElseThrow();
        assertThat(found.fit()).isEqualTo(Fit.PATH);
        assertThat(found.file().id()).isEqualTo(1);
    }

    @Test
    @DisplayName("of several versions the highest is taken, doubtful")
    void versions() {
        Match found = finder(List.of("a_v9.png", "a_v10.png", "a_v2.png")).find(wanted("a_v1.png")).orElseThrow();
        assertThat(found.file().path()).isEqualTo("a_v10.png");
        assertThat(found.isDoubtful()).isTrue();
    }

    @Test
    @DisplayName("a number that other clips differ by is never left aside")
    void numbersThatTellApart() {
        List<SourceNeed> wanted = List.of(wanted("board_001.png"), wanted("board_002.png"), wanted("board_003.png"));
        SourceFinder finder = new SourceFinder(List.of(Candidate.named(1, "board_003.png")), wanted, Map.of());
        assertThat(finder.find(wanted.get(0))).isEmpty();
        assertThat(finder.find(wanted.get(2))).isPresent();
    }

    @Test
    @DisplayName("by reel and timecode: the file whose timecode holds all that is used")
    void reelAndTime() {
        Candidate first = movie(1, "A001C001_1125.mov", null, 86400, 240);
        Candidate second = movie(2, "renamed.mov", "A001C002", 90000, 240);
        SourceFinder finder = new SourceFinder(List.of(first, second), List.of(), Map.of());
        assertThat(finder.find(used("A001C001", 86400, 86640)).orElseThrow().fit()).isEqualTo(Fit.REEL_AND_TIME);
        assertThat(finder.find(used("A001C002", 90010, 90020)).orElseThrow().file().id()).isEqualTo(2);
        Match outside = finder.find(used("A001C001", 86400, 86641)).orElseThrow();
        assertThat(outside.fit()).isEqualTo(Fit.REEL);
        assertThat(outside.isDoubtful()).isTrue();
        assertThat(finder.find(used("AX", 86400, 86410))).isEmpty();
        assertThat(finder.find(used("A001", 86400, 86410))).as("too short to stand for a longer name").isEmpty();
    }

    @Test
    @DisplayName("timecode at another rate is compared in time")
    void reelAtAnotherRate() {
        // an hour at 24 frames/s begins at 86400, at 48 frames/s at 172800
        Candidate file = movie(1, "A001C001.mov", null, 86400, 24);
        SourceFinder finder = new SourceFinder(List.of(file), List.of(), Map.of());
        Source source = new Source(null, "A001C001", null, null, null, null);
        assertThat(finder.find(new SourceNeed(source, Rational.of(172800), Rational.of(172848), FrameRate.FPS_48))
                .orElseThrow().fit()).isEqualTo(Fit.REEL_AND_TIME);
        assertThat(finder.find(new SourceNeed(source, Rational.of(172800), Rational.of(172849), FrameRate.FPS_48))
                .orElseThrow().fit()).isEqualTo(Fit.REEL);
    }

    @Test
    @DisplayName("what was chosen by hand is so, also that none fits")
    void chosen() {
        Map<String, Long> chosen = new HashMap<>();
        chosen.put(wanted("a.png").source().identity(), 2L);
        chosen.put(wanted("b.png").source().identity(), null);
        SourceFinder finder = new SourceFinder(List.of(Candidate.named(1, "a.png"), Candidate.named(2, "b.png")),
                List.of(), chosen);
        assertThat(finder.find(wanted("a.png")).orElseThrow().file().id()).isEqualTo(2);
        assertThat(finder.find(wanted("b.png"))).isEmpty();
    }

    @Test
    @DisplayName("by checksum: a renamed file that a list knows under the clip's name")
    void checksum() {
        Candidate file = new Candidate(1, "IMG_2231.png", "x", null, null, null, 1, List.of("boards/harbour.png"));
        Match found = new SourceFinder(List.of(file), List.of(), Map.of()).find(wanted("harbour.png")).orElseThrow();
        assertThat(found.fit()).isEqualTo(Fit.CHECKSUM);
    }

    @Test
    @DisplayName("names of every length and letter are taken")
    void oddNames() {
        for (String name : List.of("", ".", "...", "/", "\\", "a".repeat(5000), "[x](y)*?.png", "图.png", "\u0000.png",
                "1.2.3.4", "v", "copy", "(1)")) {
            assertThat(finder(List.of(name + "z")).find(wanted(name))).isNotNull();
        }
        assertThat(find("图.png", "图.jpg")).isPresent();
    }

    @Test
    @DisplayName("2 000 boards numbered alike are each found, none for another")
    void many() {
        List<String> names = IntStream.range(0, 2000).mapToObj(i -> String.format("bd_%04d.png", i)).toList();
        List<SourceNeed> wanted = IntStream.range(0, 2000).mapToObj(i -> wanted("BD-" + i + ".psd")).toList();
        SourceFinder finder = new SourceFinder(candidates(names), wanted, Map.of());
        for (int i = 0; i < 2000; i++) {
            assertThat(finder.find(wanted.get(i)).orElseThrow().file().id()).isEqualTo(i + 1L);
        }
    }

    private static Optional<Match> find(String clip, String file) {
        return finder(List.of(file)).find(wanted(clip));
    }

    private static SourceFinder finder(List<String> files) {
        return new SourceFinder(candidates(files), List.of(), Map.of());
    }

    private static List<Candidate> candidates(List<String> files) {
        List<Candidate> all = new ArrayList<>();
        files.forEach(f -> all.add(Candidate.named(all.size() + 1L, f)));
        return all;
    }

    private static SourceNeed wanted(String name) {
        boolean path = name.contains("/") || name.contains("\\");
        return SourceNeed.of(new Source(path ? null : name, null, path ? name : null, null, null, null));
    }

    private static SourceNeed used(String reel, long from, long to) {
        return new SourceNeed(new Source(null, reel, null, null, null, null), Rational.of(from), Rational.of(to),
                FrameRate.FPS_24);
    }

    private static Candidate movie(long id, String name, String reel, long start, long frames) {
        return new Candidate(id, name, "c" + id, reel, FrameRate.FPS_24, start, frames, List.of());
    }
}
