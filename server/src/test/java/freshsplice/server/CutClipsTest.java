package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import tools.jackson.databind.JsonNode;

/**
 * The clips of a cut are kept in memory and by windows: never longer than they are so. Alone, as the server keeps few cuts: others that
 * read many push this one out.
 */
@Isolated
@ExtendWith(TestServer.class)
class CutClipsTest {
    /** The second goes on in the source of the first. */
    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("wave", 100, 40), new Material.Clip("wave", 140, 30),
            new Material.Clip("gull", 0, 50));

    private final Client client = new Client(TestServer.address());
    private long project;
    private long cut;

    @BeforeEach
    void look() throws IOException {
        project = client.post("/api/projects", Map.of("name", "Clips")).get("id").asLong();
        cut = client.upload("/api/projects/" + project + "/files", Map.of("e.edl", Material.edl("Clips", CLIPS)))
                .get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
    }

    private List<String> clips() {
        return StreamSupport.stream(client.get("/api/cuts/" + cut + "/clips").get("clips").spliterator(), false)
                .map(p -> p.get("name").asString() + " " + (p.get("in").asLong()) + "-" + p.get("out").asLong()).toList();
    }

    private JsonNode master() {
        return client.get("/api/masters/" + client.get("/api/projects/" + project).get("masterId").asLong());
    }

    private String stamp() {
        return master().get("cut").get("stamp").asString();
    }

    @Test
    @DisplayName("another rate, seams kept open or closed: what is asked for next is what is so then")
    void followIntake() {
        assertThat(clips()).containsExactly("wave 86400-86470", "gull 86470-86520");
        client.post("/api/cuts/" + cut + "/apart", Map.of("seam", 86_440, "apart", true));
        assertThat(clips()).containsExactly("wave 86400-86440", "wave 86440-86470", "gull 86470-86520");
        client.post("/api/cuts/" + cut + "/apart/all?apart=false", null);
        assertThat(clips()).containsExactly("wave 86400-86470", "gull 86470-86520");
        client.post("/api/cuts/" + cut + "/rate?rate=25", null);
        // the same labels on another clock: an hour is 90 000 frames
        assertThat(clips()).allMatch(p -> p.contains(" 90"));
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        assertThat(clips()).containsExactly("wave 86400-86470", "gull 86470-86520");
    }

    @Test
    @DisplayName("a cut that was received, taken back and read at another rate has other clips")
    void followUndo() {
        client.post("/api/cuts/" + cut + "/receive", null);
        assertThat(clips()).hasSize(2);
        String before = stamp();
        client.post("/api/projects/" + project + "/undo", null);
        client.post("/api/cuts/" + cut + "/rate?rate=25", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        assertThat(clips()).allMatch(p -> p.contains(" 90"));
        assertThat(master().get("rate").asString()).isEqualTo("25");
        assertThat(stamp()).isNotEqualTo(before);
    }

    @Test
    @DisplayName("the stamp stays through edits of the master, and is another when a picture is found or chosen")
    void stamps() throws IOException {
        client.post("/api/cuts/" + cut + "/receive", null);
        String first = stamp();
        long master = master().get("id").asLong();
        client.post("/api/masters/" + master + "/seam", Map.of("at", 86_470, "frames", 3));
        assertThat(stamp()).as("an edit leaves the cut as it is").isEqualTo(first);
        assertThat(client.cutClips(master()).get(1).has("mediaId")).isFalse();

        client.upload("/api/projects/" + project + "/files", Map.of("gull.png", Material.picture("gull", 64, 36)));
        String second = stamp();
        assertThat(second).isNotEqualTo(first);
        assertThat(client.cutClips(master()).get(1).get("mediaId").asLong()).isPositive();

        client.upload("/api/projects/" + project + "/files", Map.of("tone.wav", Material.tone(1)));
        assertThat(client.cutClips(master()).get(1).get("mediaId").asLong()).isPositive();
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(client.cutClips(master())).hasSize(2);
    }
}
