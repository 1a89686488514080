package freshsplice.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class MainTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @TempDir
    Path folder;

    private record Outcome(int code, String out, String err) {
        JsonNode json() {
            return JSON.readTree(out);
        }
    }

    private static Outcome run(Object... args) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        int code = Main.run(Stream.of(args).map(Object::toString).toList(), out, new PrintStream(err, true,
                StandardCharsets.UTF_8));
        return new Outcome(code, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    }

    static Stream<Path> references() throws IOException, URISyntaxException {
        Path resources = Path.of(MainTest.class.getResource("/straight_cuts_24.edl").toURI()).getParent();
        try (Stream<Path> files = Files.list(resources)) {
            return files.filter(f -> f.toString().endsWith(".expected.json")).sorted().toList().stream();
        }
    }

    /**
     * straight_cuts and speeds were written by OpenTimelineIO 0.18.1 with its EDL adapter 1.0.0, the other lists by hand
     * after SMPTE ST 258 and common practice; xmeml by OpenTimelineIO with its adapter 1.0.0; otio by OpenTimelineIO;
     * straight_25.aaf by its AAF adapter 2.0.0, the other AAF by pyaaf2 1.7.1 after the Object Specification 1.1. The
     * expected readings came with them.
     *
     * Ours, each reading reasoned from the standard and then frozen: scopes_and_mutes_25.aaf (pyaaf2 1.7.1: nested scope,
     * muted clip, choices, looked-through effect, backwards, curve, sub-composition, held frame, marker);
     * odd_but_legal_24.otio (OpenTimelineIO 0.18.1, whose range_in_parent gives the same places) and bundle_24.otioz;
     * bins_and_speeds_25.xml (by hand after the interchange format: bins, two sequences, every kind of speed, a nested
     * sequence, a generator, a fade from black, another rate, tracks and clips switched off, markers).
     */
    @ParameterizedTest
    @MethodSource("references")
    void readsEveryReferenceListAsExpected(Path expectedFile) throws IOException {
        JsonNode expected = JSON.readTree(Files.readString(expectedFile));
        List<Object> args = new ArrayList<>(List.of("read", expectedFile.toString().replace(".expected.json", "")));
        if (expected.has("options")) {
            expected.get("options").forEach(o -> args.add(o.asString()));
        }
        JsonNode read = run(args.toArray()).json();
        assertContains(read.get("format"), expected.get("format"), "format");
        String name = expectedFile.getFileName().toString().replace(".expected.json", "");
        assertContains(read.get("cuts"), expected.get("cuts"), name + " cuts");
    }

    /** Every field that is expected is there and equal; lists have the same length. */
    private static void assertContains(JsonNode actual, JsonNode expected, String at) {
        assertThat(actual).as(at).isNotNull();
        if (expected.isObject()) {
            expected.propertyNames().forEach(name -> assertContains(actual.get(name), expected.get(name),
                    at + "." + name));
        } else if (expected.isArray()) {
            assertThat(actual.size()).as(at).isEqualTo(expected.size());
            for (int i = 0; i < expected.size(); i++) {
                assertContains(actual.get(i), expected.get(i), at + "[" + i + "]");
            }
        } else {
            assertThat(actual).as(at).isEqualTo(expected);
        }
    }

    static Stream<Arguments> conversions() throws IOException, URISyntaxException {
        return references().flatMap(f -> Stream.of("edl", "xmeml", "otio", "aaf").map(to -> Arguments.of(f, to)));
    }

    /** What is seen at every frame stays what it was through any format, where no loss was said. */
    @ParameterizedTest
    @MethodSource("conversions")
    void convertsBetweenAllPairs(Path expectedFile, String to) throws IOException {
        Path in = Path.of(expectedFile.toString().replace(".expected.json", ""));
        JsonNode expected = JSON.readTree(Files.readString(expectedFile));
        String rate = expected.get("cuts").get(0).get("rate").asString();
        Path out = folder.resolve("out." + to);
        JsonNode converted = run("convert", in, out, "--to", to, "--rate", rate).json();
        boolean loss = converted.get("remarks").valueStream().anyMatch(r -> r.get("severity").asString().equals("loss"));
        JsonNode before = run("read", in, "--rate", rate).json().get("cuts").get(0);
        JsonNode after = run("read", out, "--rate", rate).json().get("cuts").get(0);
        assertThat(after.get("length")).isEqualTo(before.get("length"));
        if (!loss) {
            assertThat(seen(after)).isEqualTo(seen(before));
        }
    }

    private static List<String> seen(JsonNode cut) {
        return cut.get("live").valueStream().map(p -> p.get("record") + " " + p.get("from") + " " + p.get("to") + " "
                + nameOf(cut, p)).toList();
    }

    /** The name of the event at the end of a live clip's path. */
    private static String nameOf(JsonNode cut, JsonNode clip) {
        if (!clip.has("path")) {
            return event(cut, clip.get("lane").asInt(), clip.get("event").asInt()).get("name").asString();
        }
        JsonNode at = cut;
        for (int i = 0; i < clip.get("path").size(); i += 2) {
            at = event(at, clip.get("path").get(i).asInt(), clip.get("path").get(i + 1).asInt());
        }
        return at.get("name").asString();
    }

    private static JsonNode event(JsonNode holder, int track, int event) {
        return holder.get("lanes").get(track).get("events").get(event);
    }

    /** The OTIO adapter's source out contradicts its own speed line: the speed line decides, and a doubt says so. */
    @Test
    void aSpeedLineThatIsContradictedIsADoubt() throws IOException, URISyntaxException {
        Path file = references().filter(f -> f.endsWith("speeds_24.edl.expected.json")).findFirst().orElseThrow();
        JsonNode remarks = run("read", file.toString().replace(".expected.json", ""), "--rate", "24").json()
                .get("remarks");
        assertThat(remarks.get(0).get("severity").asString()).isEqualTo("doubt");
        assertThat(remarks.get(0).get("place").asString()).isEqualTo("line 4");
    }

    private Path list(String name, String... lines) throws IOException {
        return Files.writeString(folder.resolve(name), String.join("\n", lines) + "\n");
    }

    @Test
    void changesSaysWhatDiffersInTheFormOfTheContract() throws IOException {
        Path old = list("old.edl", "001 R1 V C 00:00:10:00 00:00:12:00 01:00:00:00 01:00:02:00",
                "* FROM CLIP NAME: a", "002 R2 V C 00:00:10:00 00:00:12:00 01:00:02:00 01:00:04:00",
                "* FROM CLIP NAME: b");
        Path now = list("new.edl", "001 R1 V C 00:00:10:00 00:00:11:16 01:00:00:00 01:00:01:16",
                "* FROM CLIP NAME: a", "002 R2 V C 00:00:10:00 00:00:12:00 01:00:01:16 01:00:03:16",
                "* FROM CLIP NAME: b");
        assertThat(run("changes", old, now, "--rate", "24").out()).isEqualTo("""
                {"rate":"24","identical":false,"kept":0,"changes":[{"kind":"trimmed","old":0,"new":0,"name":"a",\
                "oldRecord":[86400,86448],"newRecord":[86400,86440],"head":0,"tail":-8,"slip":0,"shift":0,\
                "needs":"nothing"},{"kind":"shifted","old":1,"new":1,"name":"b","oldRecord":[86448,86496],\
                "newRecord":[86440,86488],"head":0,"tail":0,"slip":0,"shift":-8,"needs":"nothing","because":0}]}
                """);
        assertThat(run("changes", old, old, "--rate", "24").json().get("identical").asBoolean()).isTrue();
    }

    @Test
    void conformPrintsTheShotsThatWouldBeMade() throws IOException {
        Path file = list("c.edl", "001 AX V C 00:00:00:00 00:00:01:00 01:00:00:00 01:00:01:00",
                "* FROM CLIP NAME: a.png", "002 AX V C 00:00:00:00 00:00:01:00 01:00:01:00 01:00:02:00",
                "* FROM CLIP NAME: a.png");
        assertThat(run("conform", file, "--rate", "24").out()).startsWith("""
                {"shots":[{"code":"sh0010","record":[86400,86448],"frames":[1001,1048],"camera":"sh0010_cam",\
                "source":"a.png","events":[[0,0],[0,1]]}],"remarks":[""");
        assertThat(run("conform", file, "--rate", "24", "--keep-fragments").json().get("shots")).hasSize(2);
    }

    @Test
    void convertWritesAListForEachPictureTrack() throws IOException {
        Path in = Path.of("src/test/resources/two_lanes_24.xml");
        JsonNode said = run("convert", in, folder.resolve("tracks.edl"), "--lane", "each").json();
        assertThat(said.get("files").valueStream().map(f -> Path.of(f.get("file").asString()).getFileName().toString()))
                .hasSize(2).allMatch(name -> name.matches("tracks_[a-z0-9]+\\.edl"));
        for (JsonNode file : said.get("files")) {
            JsonNode read = run("read", Path.of(file.get("file").asString()), "--rate", "24").json();
            assertThat(read.get("cuts").get(0).get("lanes").get(0).get("events")).isNotEmpty();
        }
    }

    @Test
    void convertWritesAListAndTheMapOfItsReels() throws IOException {
        Path in = list("a.edl", "001 a_reel_of_many_letters V C 00:00:10:00 00:00:12:00 01:00:00:00 01:00:02:00");
        Path out = folder.resolve("b.edl");
        JsonNode said = run("convert", in, out, "--rate", "24", "--reels", "short").json();
        assertThat(said.get("reels").get(0).get("written").asString()).isEqualTo("AREELOFM");
        assertThat(run("read", out, "--rate", "24").json().get("cuts").get(0).get("length").asInt()).isEqualTo(48);
    }

    @Test
    void endsWithTwoForWrongUseAndOneForAFileItCannotRead() throws IOException {
        assertThat(run("read").code()).isEqualTo(2);
        assertThat(run("dance").code()).isEqualTo(2);
        assertThat(run("read", "x.edl", "--rate", "fast").code()).isEqualTo(2);
        assertThat(run("read", "x.edl", "--colour", "red").code()).isEqualTo(2);
        Outcome missing = run("read", folder.resolve("none.edl"));
        assertThat(missing.code()).isEqualTo(1);
        assertThat(missing.out()).isEmpty();
        assertThat(missing.err().lines()).singleElement().asString().contains("none.edl");
        assertThat(run("read", folder).code()).isEqualTo(1);
        Path in = list("a.edl", "001 R V C 00:00:10:00 00:00:12:00 01:00:00:00 01:00:02:00");
        assertThat(run("convert", in, folder.resolve("no/such/folder.edl"), "--rate", "24").code()).isEqualTo(1);
        assertThat(run("convert", in, folder.resolve("x.doc")).code()).isEqualTo(2);
    }
}
