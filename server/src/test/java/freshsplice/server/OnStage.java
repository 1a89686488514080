package freshsplice.server;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Edits of cameras and sets, asked for as a window asks. */
final class OnStage {
    private final Client client;

    OnStage(Client client) {
        this.client = client;
    }

    static Map<String, Object> edit(String kind, Map<String, ?> fields) {
        Map<String, Object> body = new HashMap<>(fields);
        body.put("kind", kind);
        return body;
    }

    void camera(long shot, String kind, Map<String, ?> fields) {
        client.post("/api/shots/" + shot + "/camera/edits", edit(kind, fields));
    }

    /** Sets values of a shot's camera at a frame. */
    void set(long shot, long frame, Map<String, ?> values) {
        camera(shot, "SET", Map.of("frame", frame, "values", values));
    }

    /** What is said when it is refused. */
    String refused(long shot, String kind, Map<String, ?> fields) {
        return Client.message(client.tryPost("/api/shots/" + shot + "/camera/edits", edit(kind, fields)));
    }

    JsonNode scene(long scene, String kind, Map<String, ?> fields) {
        return client.post("/api/scenes/" + scene + "/edits", edit(kind, fields));
    }

    void place(long scene, long item, long frame, Map<String, ?> values, String easing) {
        scene(scene, "PLACE", Map.of("frame", frame, "places", List.of(Map.of("id", item, "values", values)), "easing", easing));
    }

    JsonNode stage(long shot) {
        return client.get("/api/shots/" + shot + "/stage");
    }

    double now(long shot, long frame, String channel) {
        return client.get("/api/shots/" + shot + "/camera?frame=" + frame).get("keyed").get(channel).asDouble();
    }
}
