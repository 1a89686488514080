package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Two people in one master: each undoes their own, and who loses is told to whom. */
@ExtendWith(TestServer.class)
@WholeServer
class PeopleTest {
    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("a", 0, 40), new Material.Clip("b", 0, 30),
            new Material.Clip("c", 0, 50));

    private final Client ines = new Client(TestServer.address(), "Ines");
    private final Client tom = new Client(TestServer.address(), "Tom");
    private long project;
    private long master;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(ines, "People", CLIPS);
        project = received.project();
        master = received.master();
    }

    private JsonNode clip(int index) {
        return ines.get("/api/masters/" + master).get("clips").get(index);
    }

    private void edit(Client who, String kind, int clip, Map<String, Object> more) {
        Map<String, Object> edit = new HashMap<>(more);
        edit.put("kind", kind);
        edit.put("clips", List.of(clip(clip).get("id").asLong()));
        who.post("/api/masters/" + master + "/edits", edit);
    }

    @Test
    @DisplayName("each undoes their own last step, whatever others did elsewhere meanwhile")
    void ownUndo() {
        edit(ines, "TAIL", 0, Map.of("frames", -10, "ripple", true));
        edit(tom, "SLIP", 2, Map.of("frames", 7));
        assertThat(ines.get("/api/projects/" + project).get("undo").get("name").asString()).startsWith("Trim the tail of sh0010");
        assertThat(tom.get("/api/projects/" + project).get("undo").get("name").asString()).startsWith("Slip sh0030");
        ines.post("/api/projects/" + project + "/undo", null);
        assertThat(clip(2).get("in").asLong()).isEqualTo(86_470);
        assertThat(clip(2).get("shotFirst").asLong()).as("Tom's slip holds").isEqualTo(1008);
        edit(tom, "TAIL", 1, Map.of("frames", 5, "ripple", true));
        ines.post("/api/projects/" + project + "/redo", null);
        assertThat(clip(2).get("in").asLong()).as("both pushes").isEqualTo(86_465);
    }

    @Test
    @DisplayName("an end that was set after a push is right whichever of both is undone first")
    void undoneInAnyOrder() {
        JsonNode before = ines.get("/api/masters/" + master).get("clips");
        int last = before.size() - 1;
        edit(ines, "TAIL", 0, Map.of("frames", -10, "ripple", true));
        edit(tom, "TAIL", last, Map.of("frames", 5));
        ines.post("/api/projects/" + project + "/undo", null);
        tom.post("/api/projects/" + project + "/undo", null);
        assertThat(ines.get("/api/masters/" + master).get("clips")).isEqualTo(before);
        tom.post("/api/projects/" + project + "/redo", null);
        assertThat(clip(last).get("out").asLong()).isEqualTo(before.get(last).get("out").asLong() + 5);
    }

    @Test
    @DisplayName("a step that others built on is not taken back from under them: the sentence says who and what")
    void builtOn() {
        edit(ines, "SLIP", 1, Map.of("frames", 3));
        edit(tom, "SLIP", 1, Map.of("frames", 4));
        String message = Client.message(ines.tryPost("/api/projects/" + project + "/undo", null));
        assertThat(message).contains("Slip sh0020 by +3 frames").contains("Tom did \"Slip sh0020 by +4 frames\"");
        assertThat(clip(1).get("shotFirst").asLong()).isEqualTo(1008);
        tom.post("/api/projects/" + project + "/undo", null);
        ines.post("/api/projects/" + project + "/undo", null);
        assertThat(clip(1).get("shotFirst").asLong()).isEqualTo(1001);
    }

    @Test
    @DisplayName("of two edits of one clip the first holds; the other is told what became of it")
    void conflict() {
        long seen = ines.get("/api/masters/" + master).get("seq").asLong();
        long clip = clip(1).get("id").asLong();
        edit(tom, "EXTRACT", 1, Map.of());
        String message = Client.message(ines.tryPost("/api/masters/" + master + "/edits",
                Map.of("kind", "SLIP", "frames", 2, "clips", List.of(clip)), Map.of("X-Seen", Long.toString(seen))));
        assertThat(message).contains("not in the master any more").contains("Tom came first: Extract sh0020");
    }

    @Test
    @DisplayName("an edit is answered with its number, and whatever is read after it says that it knows it")
    void numbered() {
        long before = known("/api/shots/" + shot(0) + "/bake");
        assertThat(before).isEqualTo(ines.get("/api/projects/" + project).get("seq").asLong());
        HttpResponse<byte[]> made = ines.tryPost("/api/shots/" + shot(0) + "/camera/edits",
                Map.of("kind", "SET", "frame", 1001, "values", Map.of("lens", 50)));
        long edit = number(made);
        assertThat(edit).isEqualTo(before + 1).isEqualTo(ines.get("/api/projects/" + project).get("seq").asLong());
        assertThat(List.of("/bake", "/stage", "/camera?frame=1001")).allSatisfy(part ->
                assertThat(known("/api/shots/" + shot(0) + part)).isEqualTo(edit));
        assertThat(number(tom.tryPost("/api/projects/" + project + "/here", Map.of("window", "w", "who", "Tom", "masterId", master, "frame", 0,
                "clips", List.of())))).as("what is no edit makes no number").isEqualTo(edit);
        assertThat(number(ines.tryPost("/api/projects/" + project + "/undo", null))).isEqualTo(edit + 1);
        assertThat(ines.tryPost("/api/shots/" + shot(0) + "/camera/edits", Map.of("kind", "SET", "frame", 1001, "values", Map.of("lens", -1)))
                .statusCode()).isNotEqualTo(200);
        assertThat(known("/api/shots/" + shot(0) + "/bake")).as("one that was refused is none").isEqualTo(edit + 1);
    }

    private long shot(int index) {
        return clip(index).get("shotId").asLong();
    }

    private long known(String path) {
        return number(tom.tryGet(path));
    }

    private static long number(HttpResponse<byte[]> response) {
        return Long.parseLong(response.headers().firstValue("X-Edit").orElseThrow());
    }

    @Test
    @DisplayName("a clip is not brought back to where another lies by now; the sentence says so and all stays readable")
    void notOverEachOther() {
        edit(ines, "EXTRACT", 1, Map.of());
        edit(tom, "TAIL", 0, Map.of("frames", 12, "ripple", true));
        JsonNode before = ines.get("/api/masters/" + master).get("clips");
        String message = Client.message(ines.tryPost("/api/projects/" + project + "/undo", null));
        assertThat(message).contains("Extract sh0020").contains("lie over each other").contains("history");
        assertThat(ines.get("/api/masters/" + master).get("clips")).isEqualTo(before);
        assertThat(ines.get("/api/projects/" + project).get("undo").get("name").asString()).isEqualTo("Extract sh0020");
        tom.post("/api/projects/" + project + "/undo", null);
        ines.post("/api/projects/" + project + "/undo", null);
        assertThat(ines.get("/api/masters/" + master).get("clips")).hasSize(3);
    }

    @Test
    @DisplayName("a master that others put clips into is not taken away from under them")
    void notWithTheirClips() {
        edit(ines, "NEST", 1, Map.of("text", "Scene"));
        long inner = clip(1).get("nest").get("masterId").asLong();
        tom.post("/api/masters/" + inner + "/edits", Map.of("kind", "PUT", "at", 86_450, "clips", List.of(), "clip",
                Map.of("shows", "BLACK", "frames", 5)));
        String message = Client.message(ines.tryPost("/api/projects/" + project + "/undo", null));
        assertThat(message).contains("Nest sh0020").contains("clips were put into \"Scene\"");
        assertThat(clip(1).get("nest").get("masterId").asLong()).isEqualTo(inner);
    }
}
