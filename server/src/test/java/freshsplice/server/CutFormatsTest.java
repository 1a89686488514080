package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What the formats besides lists bring into a project: sequences, tracks, nested cuts, speeds by keys. */
@ExtendWith(TestServer.class)
@OwnProjects
class CutFormatsTest {
    private static final Path FILES = Path.of("../cli/src/test/resources");

    private final Client client = new Client(TestServer.address());
    private long project;

    @BeforeEach
    void newProject() {
        project = client.post("/api/projects", Map.of("name", "Formats")).get("id").asLong();
    }

    private long look(String name) throws IOException {
        return client.upload("/api/projects/" + project + "/files", Map.of(name, Files.readAllBytes(FILES.resolve(name))))
                .get("cutId").asLong();
    }

    private JsonNode intake(long cut) {
        return client.get("/api/cuts/" + cut + "/intake");
    }

    private static List<String> texts(JsonNode array, String field) {
        return StreamSupport.stream(array.spliterator(), false).map(n -> n.get(field).asString()).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "otio", "aaf"})
    @DisplayName("a cut is known by what is in it, whatever it is called")
    void calledOtherwise(String format) throws IOException {
        Cut cut = Formats.read(new InputFile("e.edl", Material.edl("Market", Material.clips(4))), ReadOptions.DEFAULT).cuts()
                .get(0);
        byte[] bytes = Formats.writer(format).write(cut, WriteOptions.DEFAULT).bytes();
        for (String name : List.of("cut " + format + ".txt", "cut_" + format)) {
            long id = client.upload("/api/projects/" + project + "/files", Map.of(name, bytes)).get("cutId").asLong();
            assertThat(intake(id).get("shots")).hasSize(4);
        }
    }

    @Test
    @DisplayName("a picture is known by what is in it too, and a text that is no cut is refused")
    void noCut() throws IOException {
        JsonNode arrived = client.upload("/api/projects/" + project + "/files", Map.of("board.txt",
                Material.picture("board", 64, 36), "notes.txt", "001 call at 10:00\n".getBytes(StandardCharsets.UTF_8)));
        assertThat(arrived.has("cutId")).isFalse();
        assertThat(arrived.get("media").get(0).asString()).isEqualTo("board.txt");
        assertThat(arrived.get("refused").get(0).asString()).contains("notes.txt");
    }

    @Test
    void anotherSequenceOfTheFileCanBeChosen() throws IOException {
        long cut = look("bins_and_speeds_25.xml");
        assertThat(texts(intake(cut).get("choices"), "name")).containsExactly("Night market, reel 1", "Inner");
        assertThat(intake(cut).get("name").asString()).isEqualTo("Night market, reel 1");
        client.post("/api/cuts/" + cut + "/sequence?index=1", null);
        assertThat(intake(cut).get("name").asString()).isEqualTo("Inner");
        assertThat(texts(intake(cut).get("shots"), "source")).containsExactly("a", "b");
    }

    @Test
    void shotsAreMadeOfWhatIsSeenOrOfOneTrack() throws IOException {
        long cut = look("bins_and_speeds_25.xml");
        assertThat(texts(intake(cut).get("shots"), "source")).as("a title is a slate").doesNotContain("Title: dawn").startsWith("stall", "stall");
        assertThat(texts(intake(cut).get("remarks"), "text")).anyMatch(t -> t.contains("is a slate and no shot: Title: dawn"));
        assertThat(texts(intake(cut).get("remarks"), "text")).anyMatch(t -> t.contains("V1 alone"));
        client.post("/api/cuts/" + cut + "/track?place=0", null);
        assertThat(texts(intake(cut).get("shots"), "source")).as("its clip below the title in one").startsWith("stall", "stall back");
        assertThat(texts(intake(cut).get("tracks"), "name")).as("all tracks stay in sight").contains("V2", "V3");
        client.post("/api/cuts/" + cut + "/receive", null);
        long master = client.get("/api/projects/" + project).get("masterId").asLong();
        assertThat(client.get("/api/masters/" + master).get("counts").get("offsetSeams").asInt()).isZero();
    }

    @Test
    void shotsAreNumberedAsTheProjectSaysOrByTheCodesInTheNames() throws IOException {
        long cut = look("stills_in_fragments_24.aaf");
        String path = "/api/projects/" + project + "/numbering";
        client.post(path, Map.of("prefix", "lw", "step", 5, "digits", 3, "firstFrame", 101, "handles", 12));
        assertThat(texts(intake(cut).get("shots"), "code")).containsExactly("lw005", "lw010", "lw015");
        assertThat(intake(cut).get("shots").get(0).get("firstFrame").asInt()).isEqualTo(101);
        client.post(path, Map.of("prefix", "lw", "step", 10, "digits", 4, "firstFrame", 1001, "handles", 8,
                "codePattern", "[stall]*"));
        assertThat(texts(intake(cut).get("shots"), "code")).startsWith("stall").hasSize(3).doesNotHaveDuplicates();
        client.post("/api/projects/" + project + "/undo", null);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(texts(intake(cut).get("shots"), "code")).containsExactly("sh0010", "sh0020", "sh0030");
        assertThat(Client.message(client.tryPost(path, Map.of("prefix", "lw", "step", 0, "digits", 4, "firstFrame", 1,
                "handles", 8)))).contains("Step is 1 to 1000");
    }

    @Test
    void anIntakeIsReportedAsTableAndOnPaper() throws IOException {
        long cut = look("bins_and_speeds_25.xml");
        String csv = new String(client.bytes("/api/cuts/" + cut + "/report/csv"), StandardCharsets.UTF_8);
        assertThat(csv).startsWith("\uFEFFWhat,Shot,In,Out").contains("shot,sh0010,10:00:00:00,10:00:00:10,1001,1010,10,stall,")
                .contains("missing,,,,,,20,stall,\"picture, used 2 times\"").contains("black,,").doesNotContain("hidden");
        assertThat(csv.lines().filter(l -> l.startsWith("shot,")).toList()).hasSize(intake(cut).get("shots").size())
                .allMatch(l -> l.split(",", -1).length == 15, "every column is there");
        byte[] pdf = client.bytes("/api/cuts/" + cut + "/report/pdf");
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        assertThat(pdf.length).isGreaterThan(5000);
    }

    @Test
    @DisplayName("the report tells each shot's file, source timecode, speed, camera and sound, and shows its picture on paper")
    void theReportOfWhatWasGiven() throws IOException {
        byte[] edl = Material.edl("Told", List.of(new Material.Clip("quay.png", 86_400, 24), new Material.Clip("bell.png", 90_000, 48)));
        client.upload("/api/projects/" + project + "/files", Map.of("quay.png", Material.picture("quay", 640, 360)));
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("told.edl", edl)).get("cutId").asLong();
        List<String> shots = new String(client.bytes("/api/cuts/" + cut + "/report/csv"), StandardCharsets.UTF_8).lines()
                .filter(l -> l.startsWith("shot,")).toList();
        assertThat(shots.get(0)).contains("quay.png").endsWith("quay.png,,,still,sh0010_cam,");
        byte[] with = client.bytes("/api/cuts/" + cut + "/report/pdf");
        assertThat(new String(with, StandardCharsets.ISO_8859_1)).contains("/Subtype/Image");
        String movies = new String(client.bytes("/api/cuts/" + look("bins_and_speeds_25.xml") + "/report/csv"), StandardCharsets.UTF_8);
        assertThat(movies).contains("stall back,picture to find,,01:00:04:23,01:00:03:24,\u2212100 %,sh0030_cam,wind")
                .contains("stall fast,picture to find,,01:00:04:00,01:00:05:23,200 %,sh0040_cam,wind")
                .contains("stall keyed,picture to find,,01:00:00:20,01:00:02:10,133.33 % on average,sh0060_cam,")
                .contains("sound,A1,10:00:00:00,10:00:04:00,,,100,wind,sound to find,");
    }

    /** Nested cuts, keyed speeds, tracks and transitions come out of the tables as they went in. */
    @ParameterizedTest
    @ValueSource(strings = {"bins_and_speeds_25.xml", "scopes_and_mutes_25.aaf", "odd_but_legal_24.otio", "bundle_24.otioz",
        "tapes_speeds_sound_24.aaf", "two_lanes_24.xml"})
    void theSameFileReceivedAgainChangesNothing(String name) throws IOException {
        client.post("/api/cuts/" + look(name) + "/receive", null);
        long again = look(name);
        assertThat(intake(again).get("sameAs").asInt()).isEqualTo(1);
        client.post("/api/cuts/" + again + "/receive", null);
        JsonNode list = client.get("/api/cuts/" + again + "/turnover");
        assertThat(list.get("changes")).isEmpty();
        assertThat(list.get("kept").asInt()).isPositive();
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aListIsHandedBackInEveryFormatAndComesBackUnchanged(String format) throws IOException {
        client.post("/api/cuts/" + look("stills_in_fragments_24.aaf") + "/receive", null);
        byte[] back = client.postForBytes("/api/projects/" + project + "/hand-back/" + format);
        String ending = format.equals("xmeml") ? "xml" : format;
        long again = client.upload("/api/projects/" + project + "/files", Map.of("back." + ending, back)).get("cutId").asLong();
        client.post("/api/cuts/" + again + "/receive", null);
        assertThat(client.get("/api/cuts/" + again + "/turnover").get("changes")).isEmpty();
    }
}
