package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Boards laid over the delivery frame, and shots laid along the action. */
@OwnProjects
@ExtendWith(TestServer.class)
class BoardFitsTest {
    private final Client client = new Client(TestServer.address());
    private final OnStage onStage = new OnStage(client);
    private Received received;

    @BeforeEach
    void receive() throws IOException {
        received = Received.of(client, "Fits", Map.of("e.edl", Material.edl("Fits", List.of(new Material.Clip("a.png", 90_000, 24),
                new Material.Clip("b.png", 90_000, 24), new Material.Clip("c.png", 90_000, 24))), "a.png", Material.picture("a", 640, 480), "b.png",
                Material.picture("b", 320, 240), "c.png", Material.picture("c", 640, 360)));
    }

    private JsonNode clip(int index) {
        return client.get("/api/masters/" + received.master()).get("clips").get(index);
    }

    private static Map<String, Object> fit(Map<String, ?> other) {
        Map<String, Object> fit = new HashMap<>(Map.of("filled", false, "scale", 1, "right", 0, "up", 0, "cropLeft", 0, "cropRight", 0,
                "cropTop", 0));
        fit.put("cropBottom", 0);
        fit.put("all", false);
        fit.putAll(other);
        return OnStage.edit("FIT_BOARD", fit);
    }

    private String edits(int index) {
        return "/api/shots/" + clip(index).get("shotId").asLong() + "/edits";
    }

    private double place(int index, String what) {
        return clip(index).get("boardFit").get("place").get(what).asDouble();
    }

    @Test
    @DisplayName("a board of 4:3 fills 16:9 with a sixth cut above and below, follows the project's picture, and one undo lays it back")
    void filled() {
        assertThat(clip(0).has("boardFit")).isFalse();
        assertThat(client.post(edits(0), fit(Map.of("filled", true))).asInt()).isEqualTo(1);
        assertThat(place(0, "top")).isCloseTo(-120 / 720.0, within(1e-9));
        assertThat(place(0, "height")).isCloseTo(960 / 720.0, within(1e-9));
        assertThat(clip(1).has("boardFit")).as("the others lie as they lay").isFalse();
        client.post("/api/projects/" + received.project() + "/picture", Map.of("width", 1200, "height", 900));
        assertThat(place(0, "height")).isCloseTo(1, within(1e-9));
        client.post("/api/projects/" + received.project() + "/undo", null);
        client.post("/api/projects/" + received.project() + "/undo", null);
        assertThat(clip(0).has("boardFit")).isFalse();
    }

    @Test
    @DisplayName("a fit is given to all boards of one shape, whatever their sizes, and to no other")
    void allOfOneShape() {
        assertThat(client.post(edits(1), fit(Map.of("scale", 0.5, "right", 0.25, "all", true))).asInt()).isEqualTo(2);
        for (int index : new int[] {0, 1}) {
            assertThat(place(index, "width")).isCloseTo(0.375, within(1e-9));
            assertThat(place(index, "left")).isCloseTo((1 - 0.375) / 2 + 0.25, within(1e-9));
        }
        assertThat(clip(2).has("boardFit")).isFalse();
        client.post("/api/projects/" + received.project() + "/undo", null);
        assertThat(clip(0).has("boardFit") || clip(1).has("boardFit")).isFalse();
    }

    @Test
    @DisplayName("what cannot be is refused in words and changes nothing")
    void refused() {
        assertThat(Client.message(client.tryPost(edits(0), fit(Map.of("scale", 0))))).contains("scaled by");
        assertThat(Client.message(client.tryPost(edits(0), fit(Map.of("cropLeft", 0.7, "cropRight", 0.7))))).contains("left and right");
        assertThat(clip(0).has("boardFit")).isFalse();
        long bare = client.post("/api/projects/" + received.project() + "/masters", Map.of("name", "Bare", "shots", 1, "frames", 24)).asLong();
        long shot = client.get("/api/masters/" + bare).get("clips").get(0).get("shotId").asLong();
        assertThat(Client.message(client.tryPost("/api/shots/" + shot + "/edits", fit(Map.of())))).contains("no picture");
    }

    @Test
    @DisplayName("a shot laid elsewhere on the action films what happens there; a finished camera that follows the action holds it")
    void onTheAction() {
        long shot = clip(1).get("shotId").asLong();
        long scene = clip(1).get("sceneId").asLong();
        long boat = onStage.scene(scene, "ADD", Map.of("shape", "BOAT", "x", 0, "y", 0, "z", 0, "turn", 0)).get(0).asLong();
        long first = onStage.stage(shot).get("first").asLong();
        client.post("/api/shots/" + shot + "/edits", OnStage.edit("PLACE_ON_ACTION", Map.of("action", 500)));
        assertThat(onStage.stage(shot).get("actionOffset").asLong()).isEqualTo(500 - first);
        assertThat(clip(1).get("actionFirst").asLong()).isEqualTo(500);
        onStage.camera(shot, "MOUNT", Map.of("frame", first, "item", boat, "throughout", true));
        onStage.camera(shot, "LOCK", Map.of("locked", true));
        assertThat(Client.message(client.tryPost("/api/shots/" + shot + "/edits", OnStage.edit("PLACE_ON_ACTION", Map.of("action", 7)))))
                .contains("is locked");
        assertThat(clip(1).get("actionFirst").asLong()).isEqualTo(500);
        assertAskedFirst("/api/shots/" + shot + "/edits", OnStage.edit("PLACE_ON_ACTION", Map.of("action", 7)));
        assertThat(clip(1).get("actionFirst").asLong()).isEqualTo(7);
    }

    @Test
    @DisplayName("what a finished camera rides on moves only when somebody was told and wants it; its name and colour at once")
    void riding() {
        long shot = clip(1).get("shotId").asLong();
        long scene = clip(1).get("sceneId").asLong();
        long boat = onStage.scene(scene, "ADD", Map.of("shape", "BOAT", "x", 0, "y", 0, "z", 0, "turn", 0)).get(0).asLong();
        long first = onStage.stage(shot).get("first").asLong();
        onStage.camera(shot, "MOUNT", Map.of("frame", first, "item", boat, "throughout", true));
        Map<String, Object> move = OnStage.edit("MOVE", Map.of("frame", first, "items", List.of(boat), "x", 2, "y", 0, "z", 0, "turn", 0));
        client.post("/api/scenes/" + scene + "/edits", move);
        onStage.camera(shot, "LOCK", Map.of("locked", true));
        double stood = client.get("/api/shots/" + shot + "/camera?frame=" + first).get("pose").get("x").asDouble();
        assertAskedFirst("/api/scenes/" + scene + "/edits", move);
        assertThat(client.get("/api/shots/" + shot + "/camera?frame=" + first).get("pose").get("x").asDouble()).isEqualTo(stood + 2);
        onStage.scene(scene, "LOOK", Map.of("items", List.of(boat), "colour", "#aa8844"));
    }

    private void assertAskedFirst(String path, Map<String, Object> edit) {
        var asked = client.tryPost(path, edit);
        assertThat(asked.statusCode()).isEqualTo(409);
        assertThat(Client.json(asked).get("confirm").asBoolean()).isTrue();
        assertThat(Client.message(asked)).contains("is locked because it is finished").contains("its picture would change");
        assertThat(client.tryPost(path, edit, Map.of("X-Confirmed", "1")).statusCode()).isEqualTo(200);
    }
}
