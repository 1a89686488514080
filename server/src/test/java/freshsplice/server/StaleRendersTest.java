package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
    private AskedRenders renders;
    private List<Long> shots;

    @BeforeEach
    void receive() throws IOException {
        received = Received.of(client, "Stale " + System.nanoTime(), Map.of("e.edl", Material.edl("Stale", List.of(new Material.Clip("a.png", 90_000, 12),
                new Material.Clip("b.png", 90_000, 12))), "a.png", Material.picture("a", 640, 480), "b.png", Material.picture("b", 640, 480)));
        renders = new AskedRenders(client, received.project(), received.master());
        shots = StreamSupport.stream(client.get("/api/masters/" + received.master()).get("clips").spliterator(), false)
                .map(s -> s.get("shotId").asLong()).toList();
    }

    private static Map<String, Object> recipe(int board, String text) {
        return AskedRenders.recipe(Map.of("board", board), Map.of("text", text, "unstaged", "CAMERA"), "H264");
    }

    private long render(int shot, Map<String, Object> recipe, Map<String, Object> more) {
        Map<String, Object> all = new HashMap<>(more);
        all.put("recipe", recipe);
        long id = renders.render(all, shots.get(shot)).get(0);
        assertThat(renders.of(id).get("state").asString()).isEqualTo("DONE");
        return id;
    }

    private List<String> stale(long id) {
        return StreamSupport.stream(renders.of(id).get("stale").spliterator(), false).map(JsonNode::asString).toList();
    }

    private void keep(Map<String, Object> recipe) {
        client.post("/api/projects/" + received.project() + "/recipes/edits", Map.of("kind", "KEEP_RECIPE", "name", "Over boards", "recipe", recipe));
    }

    private void undo() {
        client.post("/api/projects/" + received.project() + "/undo", null);
    }

    @Test
    @DisplayName("a recipe that is kept otherwise makes stale what was made by it as it was kept, and nothing else; taken back, all stands again")
    void recipe() {
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
    @DisplayName("a recipe that all projects begin with, changed, makes stale what was made by it")
    void builtIn() {
        JsonNode review = client.get("/api/projects/" + received.project() + "/recipes").get(0);
        Map<String, Object> own = Client.JSON.convertValue(review.get("recipe"), new tools.jackson.core.type.TypeReference<>() {
        });
        long asIs = render(0, own, Map.of("recipeName", "Review"));
        assertThat(stale(asIs)).isEmpty();
        Map<String, Object> changed = new HashMap<>(own);
        changed.put("text", "another");
        client.post("/api/projects/" + received.project() + "/recipes/edits", Map.of("kind", "KEEP_RECIPE", "name", "Review", "recipe", changed));
        assertThat(stale(asIs)).containsExactly("recipe");
    }

    @Test
    @DisplayName("what no frame of a render sees makes it no staler, however it looks and goes; what comes into view does")
    void outOfView() {
        long scene = client.get("/api/masters/" + received.master()).get("clips").get(0).get("sceneId").asLong();
        OnStage stage = new OnStage(client);
        stage.set(shots.get(0), 1001, Map.of("x", 0, "y", 1.5, "z", 0, "pan", 0, "tilt", 0));
        long behind = stage.scene(scene, "ADD", Map.of("shape", "BLOCK", "x", 0, "y", 0, "z", 30, "turn", 0)).get(0).asLong();
        long made = render(0, recipe(0, "close"), Map.of());
        assertThat(stale(made)).isEmpty();
        stage.scene(scene, "LOOK", Map.of("items", List.of(behind), "colour", "#aa8844"));
        stage.scene(scene, "MOVE", Map.of("frame", 0, "items", List.of(behind), "x", 3, "y", 0, "z", 0, "turn", 40));
        assertThat(stale(made)).isEmpty();
        stage.scene(scene, "MOVE", Map.of("frame", 0, "items", List.of(behind), "x", -3, "y", 0, "z", -40, "turn", 0));
        assertThat(stale(made)).containsExactly("set");
        undo();
        assertThat(stale(made)).isEmpty();
    }

    @Test
    @DisplayName("a master that is stale by its edit, its cameras or its set says since when and by whom")
    void reasonsOfMasters() {
        long whole = renders.render(Map.of("shotIds", List.of(), "master", true)).get(0);
        assertThat(stale(whole)).isEmpty();
        long clip = client.get("/api/masters/" + received.master()).get("clips").get(1).get("id").asLong();
        client.post("/api/masters/" + received.master() + "/edits", Map.of("kind", "SLIP", "frames", 2, "clips", List.of(clip)));
        assertThat(stale(whole)).containsExactly("edit");
        JsonNode why = client.get("/api/renders/" + whole + "/stale?parts=edit").get(0);
        assertThat(why.get("step").asString()).startsWith("Slip");
        assertThat(why.get("who").asString()).isEqualTo("Test");
        undo();
        assertThat(stale(whole)).isEmpty();
        client.post("/api/shots/" + shots.get(0) + "/camera/edits", Map.of("kind", "SET", "frame", 1001, "values", Map.of("lens", 85)));
        assertThat(stale(whole)).containsExactly("cameras");
        assertThat(client.get("/api/renders/" + whole + "/stale?parts=cameras").get(0).get("who").asString()).isEqualTo("Test");
    }

    @Test
    @DisplayName("what no frame of a master sees makes its movie no staler: another colour and another place behind all cameras")
    void unseenInMasters() {
        long scene = client.get("/api/projects/" + received.project()).get("sceneId").asLong();
        OnStage stage = new OnStage(client);
        for (long shot : shots) {
            stage.set(shot, 1001, Map.of("x", 0, "y", 1.5, "z", 0, "pan", 0, "tilt", 0));
        }
        long behind = stage.scene(scene, "ADD", Map.of("shape", "BLOCK", "x", 0, "y", 0, "z", 30, "turn", 0)).get(0).asLong();
        long whole = renders.render(Map.of("shotIds", List.of(), "master", true)).get(0);
        assertThat(stale(whole)).isEmpty();
        stage.scene(scene, "LOOK", Map.of("items", List.of(behind), "colour", "#aa8844"));
        stage.scene(scene, "MOVE", Map.of("frame", 0, "items", List.of(behind), "x", 2, "y", 0, "z", 0, "turn", 0));
        assertThat(stale(whole)).as("behind all cameras").isEmpty();
        undo();
        stage.scene(scene, "MOVE", Map.of("frame", 0, "items", List.of(behind), "x", 0, "y", 0, "z", -40, "turn", 0));
        assertThat(stale(whole)).containsExactly("set");
        assertThat(client.get("/api/renders/" + whole + "/stale?parts=set").get(0).get("who").asString()).isEqualTo("Test");
        undo();
        assertThat(stale(whole)).isEmpty();
    }

    @Test
    @DisplayName("ways that are drawn as an aid are the whole action's: a render that shows them is stale when a thing moves otherwise outside its frames")
    void paths() {
        long scene = client.get("/api/projects/" + received.project()).get("sceneId").asLong();
        OnStage onStage = new OnStage(client);
        long boat = onStage.scene(scene, "ADD", Map.of("shape", "BOAT", "x", 0, "y", 0, "z", -20, "turn", 0)).get(0).asLong();
        onStage.scene(scene, "KEY", Map.of("frame", 88_000, "items", List.of(boat)));
        onStage.place(scene, boat, 92_000, Map.of("x", 10), "STRAIGHT");
        onStage.place(scene, boat, 92_100, Map.of("x", 10), "STRAIGHT");
        Map<String, Object> look = Map.of("aids", List.of("PATHS", "THIRDS"));
        long with = render(0, AskedRenders.recipe(look, Map.of("unstaged", "CAMERA"), "H264"), Map.of());
        long without = render(1, recipe(0, ""), Map.of());
        assertThat(stale(with)).as("before").isEmpty();
        onStage.place(scene, boat, 92_100, Map.of("x", 30), "STRAIGHT");
        assertThat(stale(with)).containsExactly("paths");
        assertThat(stale(without)).isEmpty();
        undo();
        assertThat(stale(with)).isEmpty();
    }

    @Test
    @DisplayName("a board that lies otherwise makes stale what shows boards, and not what shows none; so does a camera, each said by whom")
    void boards() {
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
