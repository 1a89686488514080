package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** What is chosen in Intake before a cut is received is undone and done again as any edit. */
@OwnProjects
@ExtendWith(TestServer.class)
class IntakeUndoTest {
    private static final List<Material.Clip> RUNS_ON = List.of(new Material.Clip("a", 0, 48), new Material.Clip("a", 48, 30),
            new Material.Clip("b", 0, 20));

    private final Client client = new Client(TestServer.address());
    private long project;
    private long cut;

    @BeforeEach
    void look() throws IOException {
        project = client.post("/api/projects", Map.of("name", "Intake undone")).get("id").asLong();
        cut = client.upload("/api/projects/" + project + "/files", Map.of("e.edl", Material.edl("Undone", RUNS_ON)))
                .get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
    }

    private List<String> shots() {
        JsonNode shots = client.get("/api/cuts/" + cut + "/intake").get("shots");
        return StreamSupport.stream(shots.spliterator(), false).map(s -> s.get("code").asString() + " " + s.get("camera").asString())
                .toList();
    }

    private void turn(String way) {
        client.post("/api/projects/" + project + "/" + way, null);
    }

    @Test
    @DisplayName("cuts that are given at once have numbers of their own")
    void atOnce() throws Exception {
        long own = client.post("/api/projects", Map.of("name", "At once")).get("id").asLong();
        byte[] list = Material.edl("At once", Material.clips(40));
        List<CompletableFuture<Void>> given = IntStream.range(0, 5).mapToObj(i -> CompletableFuture.runAsync(() -> {
            try {
                client.upload("/api/projects/" + own + "/files", Map.of("cut" + i + ".edl", list));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        })).toList();
        given.forEach(CompletableFuture::join);
        List<Integer> versions = TestServer.bean(JdbcTemplate.class).queryForList(
                "select version from cut where project_id = ? order by version", Integer.class, own);
        assertThat(versions).containsExactly(1, 2, 3, 4, 5);
    }

    @Test
    @DisplayName("clips kept apart and cameras named are taken back one by one, and come again")
    void choices() {
        List<String> joined = shots();
        assertThat(joined).hasSize(2);
        long seam = client.get("/api/cuts/" + cut + "/intake").get("shots").get(0).get("seams").get(0).asLong();
        client.post("/api/cuts/" + cut + "/apart", Map.of("seam", seam, "apart", true));
        List<String> apart = shots();
        assertThat(apart).hasSize(3);
        client.post("/api/cuts/" + cut + "/camera", Map.of("at", 86_400, "name", "crane"));
        assertThat(shots().get(0)).endsWith(" crane");
        turn("undo");
        assertThat(shots()).isEqualTo(apart);
        turn("undo");
        assertThat(shots()).isEqualTo(joined);
        turn("redo");
        assertThat(shots()).isEqualTo(apart);
        client.post("/api/cuts/" + cut + "/apart", Map.of("seam", seam, "apart", false));
        client.post("/api/cuts/" + cut + "/apart", Map.of("seam", seam, "apart", true));
        assertThat(shots()).as("kept apart a second time").isEqualTo(apart);
        client.post("/api/cuts/" + cut + "/receive", null);
        turn("undo");
        turn("undo");
        assertThat(shots()).isEqualTo(joined);
    }
}
