package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A render is stale exactly when something that it shows is otherwise, and says since when and by whom. */
@ExtendWith(TestServer.class)
class StaleRendersTest {
    private final Client client = new Client(TestServer.address());
    private Received received;
    private List<Long> shots;

    @BeforeEach
    void receive() throws IOException {
        received = Received.of(client, "Stale " + System.nanoTime(), Map.of("e.edl", Material.edl("Stale", List.of(new Material.Clip("a.png", 90_000, 12),
                new Material.Clip("b.png", 90_000, 12))), "a.png", Material.picture("a", 640, 480), "b.png", Material.picture("b", 640, 480)));
        shots = StreamSupport.stream(client.get("/api/masters/" + received.master()).get("sections").spliterator(), false)
                .map(s -> s.get("shotId").asLong()).toList();
    }

    private static Map<String, Object> recipe(int board, String text) {
        Map<String, Object> recipe = new TreeMap<>(Map.of("burnIn", List.of(), "text", text, "sound", true, "unstaged", "CAMERA", "movieName", "{shot}_{version}",
                "runName", "{shot}_{version}.{frame}"));
        recipe.put("look", Map.of("width", 160, "height", 90, "percent", 100, "edges", "QUICK", "shutter", 0, "samples", 8, "blur", false, "board", board));
        recipe.put("outputs", List.of(Map.of("kind", "H264", "on", true, "quality", 80, "alpha", false, "numbering", Map.of())));
        return recipe;
    }

    private long render(int shot, Map<String, Object> recipe, Map<String, Object> more) throws InterruptedException {
        Map<String, Object> ask = new HashMap<>(Map.of("shotIds", List.of(shots.get(shot)), "master", false, "masterId", received.master(), "width", 160, "height", 90,
                "burnIn", false, "blur", false, "recipe", recipe));
        ask.putAll(more);
        long id = client.post("/api/projects/" + received.project() + "/renders", ask).get(0).asLong();
        for (int i = 0; i < 400 && !Set.of("DONE", "FAILED").contains(of(id).get("state").asString()); i++) {
            Thread.sleep(50);
        }
        assertThat(of(id).get("state").asString()).isEqualTo("DONE");
        return id;
    }

    private JsonNode of(long id) {
        return StreamSupport.stream(client.get("/api/projects/" + received.project() + "/renders?master=" + received.master()).spliterator(), false)
                .filter(r -> r.get("id").asLong() == id).findFirst().orElseThrow();
    }

    private List<String> stale(long id) {
        return StreamSupport.stream(of(id).get("stale").spliterator(), false).map(JsonNode::asString).toList();
    }

    private void keep(Map<String, Object> recipe) {
        client.post("/api/projects/" + received.project() + "/recipes/edits", Map.of("kind", "KEEP_RECIPE", "name", "Over boards", "recipe", recipe));
    }

    private void undo() {
        client.post("/api/projects/" + received.project() + "/undo", null);
    }

    @Test
    @DisplayName("a recipe that is kept otherwise makes stale what was made by it as it was kept, and nothing else; taken back, all stands again")
    void recipe() throws InterruptedException {
        keep(recipe(0, "as kept"));
        Map<String, Object> named = Map.of("recipeName", "Over boards");
        long asKept = render(0, recipe(0, "as kept"), named);
        long changed = render(0, recipe(0, "changed and not kept"), named);
        long unnamed = render(1, recipe(0, "as kept"), Map.of());
        keep(recipe(0, "kept otherwise"));
        assertThat(stale(asKept)).containsExactly("recipe");
        assertThat(stale(changed)).isEmpty();
        assertThat(stale(unnamed)).isEmpty();
        JsonNode why = client.get("/api/renders/" + asKept + "/stale?parts=recipe").get(0);
        assertThat(why.get("who").asString()).isEqualTo("Test");
        assertThat(why.get("part").asString()).isEqualTo("recipe");
        undo();
        assertThat(stale(asKept)).isEmpty();
        assertThat(client.get("/api/renders/" + asKept + "/stale?parts=recipe")).isEmpty();
    }

    @Test
    @DisplayName("a board that lies otherwise makes stale what shows boards, and not what shows none; so does a camera, each said by whom")
    void boards() throws InterruptedException {
        long over = render(0, recipe(40, ""), Map.of());
        long without = render(1, recipe(0, ""), Map.of());
        Map<String, Object> fit = new HashMap<>(Map.of("filled", true, "scale", 1, "right", 0, "up", 0, "cropLeft", 0, "cropRight", 0, "cropTop", 0, "cropBottom", 0));
        fit.put("all", true);
        client.post("/api/shots/" + shots.get(0) + "/edits", OnStage.edit("FIT_BOARD", fit));
        assertThat(stale(over)).containsExactly("boards");
        assertThat(stale(without)).isEmpty();
        assertThat(client.get("/api/renders/" + over + "/stale?parts=boards").get(0).get("who").asString()).isEqualTo("Test");
        undo();
        assertThat(stale(over)).isEmpty();
    }
}
