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
import tools.jackson.databind.JsonNode;

/** What one person made is not taken away from under what another did with it. */
@ExtendWith(TestServer.class)
@OwnProjects
class UndoUnderOthersTest {
    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("a", 0, 40), new Material.Clip("b", 0, 30));

    private static final List<Integer> PLACED = List.of(1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 2, 8, 1);

    private final Client ada = new Client(TestServer.address(), "Ada");
    private final Client ben = new Client(TestServer.address(), "Ben");
    private long project;
    private long master;
    private long shot;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(ada, "Under others", CLIPS);
        project = received.project();
        master = received.master();
        shot = ada.get("/api/masters/" + master).get("clips").get(0).get("shotId").asLong();
    }

    private JsonNode stage() {
        return ada.get("/api/shots/" + shot + "/stage");
    }

    private void scene(Client who, Map<String, Object> edit) {
        who.post("/api/scenes/" + stage().get("sceneId").asLong() + "/edits", edit);
    }

    private void camera(Client who, Map<String, Object> edit) {
        who.post("/api/shots/" + shot + "/camera/edits", edit);
    }

    private String refusedUndo(Client who) {
        return Client.message(who.tryPost("/api/projects/" + project + "/undo", null));
    }

    private void undo(Client who) {
        who.post("/api/projects/" + project + "/undo", null);
    }

    private void redo(Client who) {
        who.post("/api/projects/" + project + "/redo", null);
    }

    private long newestCamera() {
        return newest(stage().get("cameras"));
    }

    private long newestThing() {
        return newest(stage().get("items"));
    }

    private static long newest(JsonNode rows) {
        return StreamSupport.stream(rows.spliterator(), false).mapToLong(r -> r.get("id").asLong()).max().orElseThrow();
    }

    @Test
    @DisplayName("a camera that somebody films with stays, and the sentence says who does what with it")
    void filmedWith() {
        scene(ada, Map.of("kind", "ADD_CAMERA", "frame", 0, "placed", PLACED, "lens", 35, "focus", 4));
        ben.post("/api/shots/" + shot + "/film-with?camera=" + newestCamera(), null);
        assertThat(refusedUndo(ada)).contains("Ben hangs on it").contains("Go back in the history");
        assertThat(stage().get("cameraId").asLong()).isEqualTo(newestCamera());
        undo(ben);
        undo(ada);
    }

    @Test
    @DisplayName("a camera that somebody keyed stays with its keys")
    void keyed() {
        long before = stage().get("cameraId").asLong();
        scene(ada, Map.of("kind", "ADD_CAMERA", "frame", 0, "placed", PLACED, "lens", 35, "focus", 4));
        long made = newestCamera();
        assertThat(made).isNotEqualTo(before);
        ben.post("/api/cameras/" + made + "/edits", Map.of("kind", "SET", "frame", 1001, "values", Map.of("x", 3)));
        ben.post("/api/cameras/" + made + "/edits", Map.of("kind", "SET", "frame", 1020, "values", Map.of("x", 5)));
        assertThat(refusedUndo(ada)).contains("Ben");
    }

    @Test
    @DisplayName("a thing that a camera is mounted on, or aims at, stays")
    void mountedOn() {
        scene(ada, Map.of("kind", "ADD", "shape", "BICYCLE", "frame", 0, "x", 1, "y", 0, "z", -2, "turn", 0));
        camera(ben, Map.of("kind", "MOUNT", "frame", 1001, "item", newestThing(), "throughout", true));
        assertThat(refusedUndo(ada)).contains("Ben hangs on it");
        ada.get("/api/shots/" + shot + "/stage");
        undo(ben);
        camera(ben, Map.of("kind", "AIM", "frame", 1001, "item", newestThing(), "x", 0, "y", 1, "z", 0, "lag", 0));
        assertThat(refusedUndo(ada)).contains("Ben");
    }

    @Test
    @DisplayName("a step that removed a thing is not done again over what was put on it meanwhile")
    void removedAgain() {
        scene(ada, Map.of("kind", "ADD", "shape", "BICYCLE", "frame", 0, "x", 1, "y", 0, "z", -2, "turn", 0));
        long thing = newestThing();
        scene(ada, Map.of("kind", "REMOVE", "items", List.of(thing), "frame", 0));
        undo(ada);
        camera(ben, Map.of("kind", "MOUNT", "frame", 1001, "item", thing, "throughout", true));
        assertThat(Client.message(ada.tryPost("/api/projects/" + project + "/redo", null))).contains("Ben hangs on it");
    }

    @Test
    @DisplayName("what was done over a step that is undone is not done again without it: no value stays that no step holds")
    void doneOver() {
        JsonNode before = clip();
        slip(ada, 3);
        slip(ben, 4);
        undo(ben);
        undo(ada);
        String message = Client.message(ben.tryPost("/api/projects/" + project + "/redo", null));
        assertThat(message).contains("over \"Slip sh0010 by +3 frames\" of Ada, which is undone");
        assertThat(clip()).isEqualTo(before);
        redo(ada);
        redo(ben);
        assertThat(clip().get("shotFirst").asLong()).isEqualTo(before.get("shotFirst").asLong() + 7);
        undo(ben);
        undo(ada);
        assertThat(clip().get("shotFirst")).isEqualTo(before.get("shotFirst"));
    }

    private JsonNode clip() {
        return ada.get("/api/masters/" + master).get("clips").get(0);
    }

    private void slip(Client who, int frames) {
        who.post("/api/masters/" + master + "/edits", Map.of("kind", "SLIP", "frames", frames, "clips", List.of(clip().get("id").asLong())));
    }
}
