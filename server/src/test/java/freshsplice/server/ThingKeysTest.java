package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A thing of the set: what stands still is not keyed, and its keys are made, moved and taken away as a camera's are. */
@ExtendWith(TestServer.class)
class ThingKeysTest {
    private final Client client = new Client(TestServer.address());
    private long project;
    private long shot;
    private long thing;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Things", Material.clips(2));
        project = received.project();
        shot = client.get("/api/masters/" + received.master()).get("sections").get(1).get("shotId").asLong();
        thing = client.post("/api/shots/" + shot + "/items", Map.of("shape", "BOAT", "frame", 1001)).asLong();
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
        return client.get("/api/items/" + thing + "/values?frame=" + frame).get("x").asDouble();
    }

    private void place(long frame, double x) {
        client.post("/api/items/" + thing + "/place", Map.of("frame", frame, "values", Map.of("x", x)));
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
        client.post("/api/items/" + thing + "/keys/here?frame=100", null);
        client.post("/api/items/" + thing + "/place", Map.of("frame", 110, "values", Map.of("x", 3), "easing", "STRAIGHT"));
        client.post("/api/items/" + thing + "/keys", Map.of("frame", 100, "values", Map.of("x", 1), "easing", "STRAIGHT"));
        assertThat(keys("x")).isEqualTo(2);
        assertThat(keys("turn")).isEqualTo(1);
        assertThat(x(50)).isEqualTo(1);
        assertThat(x(105)).isEqualTo(2);
        client.post("/api/items/" + thing + "/keys/move", Map.of("from", 110, "to", 120));
        assertThat(x(110)).isEqualTo(2);
        assertThat(client.tryPost("/api/items/" + thing + "/keys/move", Map.of("from", 110, "to", 130)).statusCode()).isEqualTo(422);
        client.post("/api/items/" + thing + "/keys/move", Map.of("from", 120, "to", 100));
        assertThat(keys("x")).as("the key that was there gives way").isEqualTo(1);
        client.post("/api/items/" + thing + "/keys/remove?frame=100", null);
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
        client.post("/api/shots/" + shot + "/keys", Map.of("frame", 1001, "values", Map.of("x", 0, "y", 2), "easing", "STRAIGHT"));
        client.post("/api/shots/" + shot + "/keys", Map.of("frame", 1011, "values", Map.of("x", 10), "easing", "STRAIGHT"));
        client.post("/api/shots/" + shot + "/keys/move", Map.of("from", 1011, "to", 1021));
        assertThat(client.get("/api/shots/" + shot + "/camera?frame=1011").get("x").asDouble()).isEqualTo(5);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(client.get("/api/shots/" + shot + "/camera?frame=1011").get("x").asDouble()).isEqualTo(10);
    }
}
