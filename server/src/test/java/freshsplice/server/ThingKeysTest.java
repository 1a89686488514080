package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A thing of the set: what stands still is not keyed, and its keys are made, moved and taken away as a camera's are. */
@OwnProjects
@ExtendWith(TestServer.class)
class ThingKeysTest {
    private final Client client = new Client(TestServer.address());
    private final OnStage onStage = new OnStage(client);
    private long project;
    private long shot;
    private long thing;
    private long scene;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Things", Material.clips(2));
        project = received.project();
        shot = client.get("/api/masters/" + received.master()).get("clips").get(1).get("shotId").asLong();
        thing = client.post("/api/shots/" + shot + "/items", Map.of("shape", "BOAT", "frame", 1001)).asLong();
        scene = onStage.stage(shot).get("sceneId").asLong();
    }

    private JsonNode channels() {
        for (JsonNode item : client.get("/api/shots/" + shot + "/stage").get("items")) {
            if (item.get("id").asLong() == thing) {
                return item.get("channels");
            }
        }
        throw new AssertionError("The thing is gone");
    }

    private double x(long frame) {
        return client.get("/api/items/" + thing + "/at?frame=" + frame).get("x").asDouble();
    }

    private void place(long frame, double x) {
        onStage.place(scene, thing, frame, Map.of("x", x), "EASED");
    }

    private long keys(String channel) {
        return channels().path(channel).size();
    }

    @Test
    @DisplayName("a new thing has no key: a value typed later moves it in every frame, and none drifts")
    void standingStill() {
        assertThat(keys("x") + keys("y") + keys("z") + keys("turn")).isZero();
        place(150, 4.5);
        assertThat(keys("x")).isZero();
        assertThat(x(0)).isEqualTo(4.5);
        assertThat(x(75)).isEqualTo(4.5);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(x(150)).isNotEqualTo(4.5);
    }

    @Test
    @DisplayName("keyed where it is, it moves from there on; between keys its value at the frame is told, not the key's before")
    void moving() {
        place(0, 1);
        onStage.scene(scene, "KEY", Map.of("frame", 100, "items", List.of(thing)));
        onStage.place(scene, thing, 110, Map.of("x", 3), "STRAIGHT");
        onStage.place(scene, thing, 100, Map.of("x", 1), "STRAIGHT");
        assertThat(keys("x")).isEqualTo(2);
        assertThat(keys("turn")).isEqualTo(1);
        assertThat(x(50)).isEqualTo(1);
        assertThat(x(105)).isEqualTo(2);
        onStage.scene(scene, "MOVE_KEYS", Map.of("from", 110, "to", 120, "items", List.of(thing)));
        assertThat(x(110)).isEqualTo(2);
        assertThat(client.tryPost("/api/scenes/" + scene + "/edits", OnStage.edit("MOVE_KEYS", Map.of("from", 110, "to", 130, "items",
                List.of(thing)))).statusCode()).isEqualTo(422);
        onStage.scene(scene, "MOVE_KEYS", Map.of("from", 120, "to", 100, "items", List.of(thing)));
        assertThat(keys("x")).as("the key that was there gives way").isEqualTo(1);
        onStage.scene(scene, "REMOVE_KEYS", Map.of("frame", 100, "items", List.of(thing)));
        assertThat(keys("x") + keys("turn")).isZero();
        assertThat(x(0)).as("it stays where its last key had it").isEqualTo(3);
        for (int i = 0; i < 3; i++) {
            client.post("/api/projects/" + project + "/undo", null);
        }
        assertThat(x(105)).isEqualTo(2);
    }

    @Test
    @DisplayName("a camera's keys move too, and undone they are where they were")
    void cameraKeys() {
        onStage.set(shot, 1001, Map.of("x", 0, "y", 2));
        onStage.camera(shot, "KEY", Map.of("frame", 1001, "channels", List.of("x"), "easing", "STRAIGHT"));
        onStage.camera(shot, "SET", Map.of("frame", 1011, "values", Map.of("x", 10), "easing", "STRAIGHT"));
        onStage.camera(shot, "MOVE_KEYS", Map.of("keys", List.of(Map.of("frame", 1011)), "by", 10));
        assertThat(onStage.now(shot, 1011, "x")).isEqualTo(5);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(onStage.now(shot, 1011, "x")).isEqualTo(10);
    }
}
