package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** What is taken away takes along what is nothing without it, and comes back with it. */
@ExtendWith(TestServer.class)
@OwnProjects
class TakenAwayTest {
    private final Client client = new Client(TestServer.address(), "Test");
    private final JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
    private long project;
    private long scene;

    @BeforeEach
    void receive() throws IOException {
        project = Received.of(client, "Taken away", List.of(new Material.Clip("a", 0, 40))).project();
        scene = client.post("/api/projects/" + project + "/scenes/edits", Map.of("kind", "ADD", "code", "s2", "name", "Loft")).get("scene").asLong();
    }

    private long edit(Map<String, Object> edit) {
        JsonNode made = client.post("/api/scenes/" + scene + "/edits", edit);
        return made.isEmpty() ? 0 : made.get(0).asLong();
    }

    private void undo() {
        client.post("/api/projects/" + project + "/undo", null);
    }

    private int living(String table, String of, long id) {
        return jdbc.queryForObject("select count(*) from " + table + " where alive = 1 and " + of + " = ?", Integer.class, id);
    }

    private long keyedThing() {
        long thing = edit(Map.of("kind", "ADD", "shape", "BLOCK", "x", 0, "y", 0, "z", 0, "turn", 0));
        edit(Map.of("kind", "KEY", "frame", 10, "items", List.of(thing)));
        return thing;
    }

    @Test
    @DisplayName("a thing takes its keys along")
    void keysOfAThing() {
        long thing = keyedThing();
        int keys = living("item_key", "item_id", thing);
        assertThat(keys).isPositive();
        edit(Map.of("kind", "REMOVE", "items", List.of(thing), "frame", 0));
        assertThat(living("item_key", "item_id", thing)).isZero();
        undo();
        assertThat(living("item_key", "item_id", thing)).isEqualTo(keys);
    }

    @Test
    @DisplayName("a scene takes its things, cameras and viewpoints along, with all that is theirs")
    void allOfAScene() {
        long thing = keyedThing();
        long camera = edit(Map.of("kind", "ADD_CAMERA", "name", "high", "placed", List.of(1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 2, 8, 1), "lens", 35, "focus", 4));
        edit(Map.of("kind", "KEEP_VIEWPOINT", "name", "door", "placed", List.of(1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 2, 8, 1), "lens", 35, "focus", 4));
        client.post("/api/projects/" + project + "/scenes/edits", Map.of("kind", "REMOVE", "scene", scene));
        assertThat(living("item", "scene_id", scene) + living("camera", "scene_id", scene) + living("viewpoint", "scene_id", scene)
                + living("item_key", "item_id", thing)).isZero();
        undo();
        assertThat(living("item_key", "item_id", thing)).isPositive();
        assertThat(List.of(living("item", "id", thing), living("camera", "id", camera), living("viewpoint", "scene_id", scene))).containsExactly(1, 1, 1);
    }
}
