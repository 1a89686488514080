package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Cameras and sets worked by hand, asked for as a window asks. */
@OwnProjects
@ExtendWith(TestServer.class)
class StageByHandTest {
    private static final List<Double> LEVEL = List.of(1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 2.0, 1.5, 9.0, 1.0);

    private final Client client = new Client(TestServer.address());
    private final OnStage onStage = new OnStage(client);
    private long project;
    private long master;
    private long shot;
    private long other;
    private long scene;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "By hand", Material.clips(3));
        project = received.project();
        master = received.master();
        JsonNode clips = client.get("/api/masters/" + master).get("clips");
        shot = clips.get(0).get("shotId").asLong();
        other = clips.get(1).get("shotId").asLong();
        scene = onStage.stage(shot).get("sceneId").asLong();
    }

    private void undo() {
        client.post("/api/projects/" + project + "/undo", null);
    }

    private long add(String shape, double x, double z) {
        return onStage.scene(scene, "ADD", Map.of("shape", shape, "x", x, "y", 0, "z", z, "turn", 0)).get(0).asLong();
    }

    private double pose(long frame, String channel) {
        return client.get("/api/shots/" + shot + "/camera?frame=" + frame).get("pose").get(channel).asDouble();
    }

    @Test
    @DisplayName("a new set is empty: ground and no figure, and no camera in it was ever touched")
    void emptySet() {
        assertThat(onStage.stage(shot).get("items")).hasSize(1);
        assertThat(onStage.stage(shot).get("items").get(0).get("name").asString()).isEqualTo("ground");
        assertThat(onStage.stage(shot).get("touched")).isEmpty();
    }

    @Test
    @DisplayName("a fixed camera stays fixed: a lens typed at any frame, and Film from here, change all of it")
    void fixed() {
        onStage.camera(shot, "FILM_FROM", Map.of("frame", 1010, "placed", LEVEL, "lens", 50, "keepAim", false));
        onStage.set(shot, 1020, Map.of("lens", 85));
        JsonNode stage = onStage.stage(shot);
        stage.get("channels").forEach(keys -> assertThat(keys).isEmpty());
        assertThat(onStage.now(shot, 1001, "lens")).isEqualTo(85);
        assertThat(onStage.now(shot, 1001, "x")).isEqualTo(2);
        assertThat(stage.get("touched")).extracting(JsonNode::asString).doesNotContain("stop", "focus").contains("x", "lens");
    }

    @Test
    @DisplayName("a locked camera refuses from every door, and its unlocking is a step that undo takes back")
    void locked() {
        long pole = add("TIDE_POLE", 4, -3);
        onStage.camera(shot, "MOUNT", Map.of("frame", 1001, "item", pole, "throughout", true));
        onStage.camera(shot, "LAYER_ADD", Map.of("name", "jolt", "sway", "JOLT 6 0.2", "amounts", Map.of("y", 0.1), "from", 1005, "frames", 20));
        long layer = onStage.stage(shot).get("layers").get(0).get("layer").asLong();
        onStage.camera(other, "LAYER_SHARE", Map.of("layer", layer, "from", 1001, "frames", 20));
        onStage.camera(shot, "LOCK", Map.of("locked", true));
        JsonNode before = onStage.stage(shot);
        Map<String, Map<String, Object>> doors = Map.of("SET", Map.of("frame", 1001, "values", Map.of("lens", 20)), "FILM_FROM",
                Map.of("frame", 1001, "placed", LEVEL, "keepAim", false), "KEY", Map.of("frame", 1001), "BACK",
                Map.of("width", 36, "height", 24), "AIM", Map.of("frame", 1001, "item", pole, "x", 0, "y", 0, "z", 0, "lag", 0), "FREE",
                Map.of("frame", 1001, "throughout", true), "RENAME", Map.of("name", "mine"), "LAYER_REMOVE", Map.of("use",
                before.get("layers").get(0).get("use").asLong()));
        doors.forEach((kind, fields) -> assertThat(onStage.refused(shot, kind, fields)).as(kind).contains("is locked"));
        long use = onStage.stage(other).get("layers").get(0).get("use").asLong();
        assertThat(onStage.refused(other, "LAYER_RESHAPE", Map.of("use", use, "amounts", Map.of("y", 9)))).as("through a shared layer")
                .contains("is locked");
        assertThat(Client.message(client.tryPost("/api/scenes/" + scene + "/edits", OnStage.edit("REMOVE", Map.of("items",
                List.of(pole), "frame", 0))))).as("by taking away what carries it").contains("is locked");
        assertThat(Client.message(client.tryPost("/api/projects/" + project + "/scenes/edits", OnStage.edit("MOVE_SHOTS",
                Map.of("shots", List.of(shot)))))).as("into another scene, away from what carries it").contains("is locked");
        assertThat(onStage.stage(shot)).isEqualTo(before);
        assertThat(client.get("/api/masters/" + master).get("clips").get(0).get("locked").asBoolean()).isTrue();
        onStage.camera(shot, "LOCK", Map.of("locked", false));
        onStage.set(shot, 1001, Map.of("lens", 20));
        undo();
        undo();
        assertThat(onStage.stage(shot).get("locked").asBoolean()).isTrue();
    }

    @Test
    @DisplayName("mounted on a thing that moves it goes along; the thing taken out lets go of it, and one undo brings all back")
    void carried() {
        long boat = add("BOAT", 0, 0);
        onStage.place(scene, boat, 0, Map.of("x", 0), "STRAIGHT");
        onStage.scene(scene, "KEY", Map.of("frame", 0, "items", List.of(boat)));
        onStage.place(scene, boat, 20, Map.of("x", 10), "STRAIGHT");
        onStage.camera(shot, "FILM_FROM", Map.of("frame", 1001, "placed", LEVEL, "keepAim", false));
        double before = pose(1001, "x");
        onStage.camera(shot, "MOUNT", Map.of("frame", 1001, "item", boat, "throughout", true));
        assertThat(pose(1001, "x")).isEqualTo(before);
        assertThat(pose(1011, "x")).isGreaterThan(before + 3);
        assertThat(onStage.stage(shot).get("items").get(1).get("hanging").get(0).asString()).isEqualTo("sh0010_cam");
        double there = pose(1011, "x");
        onStage.scene(scene, "REMOVE", Map.of("items", List.of(boat), "frame", 0));
        assertThat(onStage.stage(shot).get("mounts")).isEmpty();
        assertThat(pose(1011, "x")).isEqualTo(before);
        assertThat(client.get("/api/projects/" + project).get("undo").get("name").asString())
                .isEqualTo("Take boat out of the set, letting go of sh0010_cam");
        undo();
        assertThat(pose(1011, "x")).isEqualTo(there);
    }

    @Test
    @DisplayName("a move through five viewpoints has four ways, and undo takes it back")
    void throughViewpoints() {
        List<Map<String, Object>> stops = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            List<Double> placed = new ArrayList<>(LEVEL);
            placed.set(12, 3.0 * i);
            long made = onStage.scene(scene, "KEEP_VIEWPOINT", Map.of("placed", placed, "lens", 35 + i, "focus", 4)).get(0).asLong();
            stops.add(Map.of("viewpoint", made, "frames", i < 4 ? 10 : 0, "halt", false));
        }
        onStage.camera(shot, "MOVE_THROUGH", Map.of("from", 1001, "stops", stops));
        JsonNode keys = onStage.stage(shot).get("channels").get("x");
        assertThat(keys).extracting(k -> k.get("frame").asLong()).containsExactly(1001L, 1011L, 1021L, 1031L, 1041L);
        assertThat(keys).extracting(k -> k.get("easing").asString()).containsExactly("EASED", "THROUGH", "THROUGH", "THROUGH", "EASED");
        assertThat(onStage.now(shot, 1021, "x")).isEqualTo(6);
        undo();
        assertThat(onStage.stage(shot).get("channels").path("x")).isEmpty();
        assertThat(onStage.stage(shot).get("viewpoints")).hasSize(5);
        var picture = client.send(client.to("/api/viewpoints/" + onStage.stage(shot).get("viewpoints").get(0).get("id").asLong()
                + "/picture?frame=0"));
        assertThat(picture.headers().firstValue("content-type")).contains("image/jpeg");
    }

    @Test
    @DisplayName("bad values, names of 300 letters, a thing of another set and hidden circles are refused with a sentence")
    void bad() {
        assertThat(onStage.refused(shot, "SET", Map.of("frame", 1001, "values", Map.of("lens", 0)))).contains("between 1.0 and 2000.0");
        assertThat(onStage.refused(shot, "SET", Map.of("frame", 1001, "values", Map.of("pan", 1e9)))).contains("pan of a camera");
        assertThat(onStage.refused(shot, "RENAME", Map.of("name", "x".repeat(300)))).contains("longer than 200");
        assertThat(onStage.refused(shot, "AIM", Map.of("frame", 1001, "item", 1, "x", 0, "y", 0, "z", 0, "lag", 0)))
                .contains("not in this camera's set");
        assertThat(onStage.refused(shot, "MOVE_KEYS", Map.of("keys", List.of(Map.of("frame", 1234)), "by", 2))).contains("no key at frame 1234");
        assertThat(onStage.refused(shot, "SCALE_KEYS", Map.of("keys", List.of(Map.of("frame", 1234)), "pivot", 1, "factor", "x"))).isNotBlank();
        assertThat(onStage.refused(shot, "FREE", Map.of("frame", 1010, "throughout", false))).contains("is free at frame 1010");
        assertThat(onStage.refused(shot, "LAYER_ADD", Map.of("name", "x", "sway", "WOBBLE", "amounts", Map.of(), "from", 1, "frames", 5)))
                .contains("JOLT period damping");
        long block = add("BLOCK", 0, 0);
        assertThat(Client.message(client.tryPost("/api/scenes/" + scene + "/edits", OnStage.edit("LOOK", Map.of("items", List.of(block),
                "width", 0))))).contains("width above 0");
        onStage.scene(scene, "LOCK", Map.of("items", List.of(block), "locked", true));
        assertThat(Client.message(client.tryPost("/api/scenes/" + scene + "/edits", OnStage.edit("MOVE", Map.of("items", List.of(block),
                "frame", 0, "x", 1, "y", 0, "z", 0, "turn", 0))))).contains("\"block\" is locked");
    }

    @Test
    @DisplayName("cameras need no shot: made from a view, copied, given to a shot, and taken away only where they film none")
    void camerasWithoutShots() {
        long made = onStage.scene(scene, "ADD_CAMERA", Map.of("placed", LEVEL, "lens", 40)).get(0).asLong();
        long copy = onStage.scene(scene, "COPY_CAMERA", Map.of("camera", made)).get(0).asLong();
        JsonNode table = client.get("/api/scenes/" + scene + "/cameras");
        assertThat(table).extracting(l -> l.get("name").asString()).contains("camera", "camera 2", "sh0010_cam");
        JsonNode line = table.get(table.size() - 1);
        assertThat(line.get("values").get("lens").asDouble()).isEqualTo(40);
        assertThat(line.get("touched")).extracting(JsonNode::asString).contains("x", "lens").doesNotContain("stop");
        client.post("/api/cameras/" + copy + "/edits", OnStage.edit("RENAME", Map.of("name", "crane")));
        client.post("/api/shots/" + shot + "/film-with?camera=" + copy, null);
        assertThat(onStage.stage(shot).get("camera").asString()).isEqualTo("crane");
        assertThat(Client.message(client.tryPost("/api/scenes/" + scene + "/edits", OnStage.edit("REMOVE_CAMERA", Map.of("camera", copy)))))
                .contains("\"crane\" films sh0010");
        onStage.scene(scene, "REMOVE_CAMERA", Map.of("camera", made));
        assertThat(client.get("/api/scenes/" + scene + "/cameras")).extracting(l -> l.get("name").asString()).doesNotContain("camera");
        undo();
        assertThat(client.get("/api/scenes/" + scene + "/cameras")).extracting(l -> l.get("name").asString()).contains("camera");
    }

    @Test
    @DisplayName("the project's picture changes its size, made even and said, its back and its kits; views follow, and undo takes it back")
    void picture() {
        JsonNode said = client.post("/api/projects/" + project + "/picture", Map.of("width", 3840, "shape", "1.9", "backWidth", 36,
                "backHeight", 24, "lensKit", "50 25 35"));
        assertThat(said.get("said").asString()).isEqualTo("1.9:1 at 3840 wide is 2021.05 high, made 2022");
        assertThat(onStage.stage(shot).get("pictureHeight").asInt()).isEqualTo(2022);
        assertThat(onStage.stage(shot).get("lensKit")).extracting(JsonNode::asDouble).containsExactly(25.0, 35.0, 50.0);
        assertThat(Client.message(client.tryPost("/api/projects/" + project + "/picture", Map.of("width", 1921, "height", 1080))))
                .contains("1920 or 1922");
        undo();
        assertThat(onStage.stage(shot).get("pictureHeight").asInt()).isEqualTo(720);
    }

    @Test
    @DisplayName("a clip is forked into a shot of its own: the next free code, the same camera and action, tuned alone; undone, one shot again")
    void forked() {
        onStage.camera(shot, "FILM_FROM", Map.of("frame", 1001, "placed", LEVEL, "keepAim", false));
        JsonNode first = client.get("/api/masters/" + master).get("clips").get(0);
        String edits = "/api/masters/" + master + "/edits";
        assertThat(Client.message(client.tryPost(edits, OnStage.edit("FORK", Map.of("clips", List.of(first.get("id").asLong()))))))
                .contains("a shot of its own already");
        client.post(edits, OnStage.edit("SPLIT", Map.of("clips", List.of(first.get("id").asLong()), "at", first.get("in").asLong() + 10)));
        JsonNode second = client.get("/api/masters/" + master).get("clips").get(1);
        client.post(edits, OnStage.edit("FORK", Map.of("clips", List.of(second.get("id").asLong()))));
        JsonNode forked = client.get("/api/masters/" + master).get("clips").get(1);
        assertThat(forked.get("code").asString()).isEqualTo("sh0015");
        assertThat(forked.get("shotFirst").asLong()).isEqualTo(second.get("shotFirst").asLong());
        assertThat(forked.get("actionFirst").asLong()).isEqualTo(second.get("actionFirst").asLong());
        assertThat(forked.get("boardName").asString()).isEqualTo(second.get("boardName").asString());
        long own = forked.get("shotId").asLong();
        assertThat(onStage.now(own, 1011, "x")).isEqualTo(2);
        onStage.set(own, 1011, Map.of("x", 7));
        assertThat(onStage.now(shot, 1011, "x")).isEqualTo(2);
        undo();
        undo();
        assertThat(client.get("/api/masters/" + master).get("clips").get(1).get("shotId").asLong()).isEqualTo(shot);
    }

    @Test
    @DisplayName("things put together turn about their middle, in one step")
    void together() {
        long left = add("BLOCK", -2, 0);
        long right = add("BLOCK", 2, 0);
        onStage.scene(scene, "MOVE", Map.of("items", List.of(left, right), "frame", 0, "x", 1, "y", 0, "z", 0, "turn", 90, "pivot",
                List.of(0, 0)));
        assertThat(client.get("/api/items/" + left + "/at?frame=0").get("z").asDouble()).isCloseTo(2, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(client.get("/api/items/" + left + "/at?frame=0").get("x").asDouble()).isCloseTo(1, org.assertj.core.api.Assertions.within(1e-9));
        undo();
        assertThat(client.get("/api/items/" + right + "/at?frame=0").get("x").asDouble()).isEqualTo(2);
    }

    @Test
    @DisplayName("a shot goes into another scene with its camera; a master of both is rendered, each over its own set")
    void twoScenes() {
        JsonNode made = client.post("/api/projects/" + project + "/scenes/edits", OnStage.edit("MOVE_SHOTS", Map.of("shots", List.of(other))));
        long interior = made.get("scene").asLong();
        assertThat(onStage.stage(other).get("sceneId").asLong()).isEqualTo(interior).isNotEqualTo(scene);
        JsonNode clips = client.get("/api/masters/" + master).get("clips");
        assertThat(clips.get(0).get("sceneId").asLong()).isEqualTo(scene);
        assertThat(clips.get(1).get("sceneId").asLong()).isEqualTo(interior);
        for (long of : List.of(shot, other)) {
            onStage.camera(of, "FILM_FROM", Map.of("frame", 1001, "placed", LEVEL, "keepAim", false));
        }
        String same = digest(shot);
        assertThat(digest(other)).as("both sets are nothing but ground").isEqualTo(same);
        onStage.scene(interior, "ADD", Map.of("shape", "HOUSE", "x", 2, "y", 0, "z", 0, "turn", 0));
        assertThat(digest(other)).as("a house stands in its scene").isNotEqualTo(same);
        assertThat(digest(shot)).as("and not in the other").isEqualTo(same);
        assertThat(client.get("/api/projects/" + project + "/scenes")).extracting(s -> s.get("shots").asLong()).containsExactly(2L, 1L);
        String refusal = Client.message(client.tryPost("/api/projects/" + project + "/scenes/edits", OnStage.edit("REMOVE",
                Map.of("scene", interior))));
        assertThat(refusal).contains("sh0020").contains("move the shots");
        undo();
        undo();
        undo();
        undo();
        assertThat(onStage.stage(other).get("sceneId").asLong()).isEqualTo(scene);
    }

    /** What tells the small picture of a shot's first frame from any other. */
    private String digest(long of) {
        return client.send(client.to("/api/shots/" + of + "/picture?frame=1001")).headers().firstValue("etag").orElseThrow();
    }

    private List<Long> keys(String channel) {
        List<Long> frames = new ArrayList<>();
        onStage.stage(shot).get("channels").path(channel).forEach(k -> frames.add(k.get("frame").asLong()));
        return frames;
    }

    @Test
    @DisplayName("values are tried without being made: what the camera would be is answered, and nothing is written")
    void tried() {
        onStage.camera(shot, "FILM_FROM", Map.of("frame", 1001, "placed", LEVEL, "lens", 50, "keepAim", false));
        JsonNode before = onStage.stage(shot);
        JsonNode would = client.post("/api/shots/" + shot + "/camera/try?frame=1010", OnStage.edit("SET", Map.of("frame", 1010, "values",
                Map.of("x", 7, "lens", 85))));
        assertThat(would.get("pose").get("x").asDouble()).isEqualTo(7);
        assertThat(would.get("placed").get(12).asDouble()).isEqualTo(7);
        assertThat(would.get("keyed").get("lens").asDouble()).isEqualTo(85);
        assertThat(onStage.stage(shot)).isEqualTo(before);
        assertThat(Client.message(client.tryPost("/api/shots/" + shot + "/camera/try?frame=1010", OnStage.edit("SET", Map.of("frame", 1010,
                "values", Map.of("lens", 0)))))).contains("lens");
        assertThat(Client.message(client.tryPost("/api/shots/" + shot + "/camera/try?frame=1010", OnStage.edit("LAYER_ADD", Map.of("name",
                "jolt", "sway", "JOLT 6 0.2", "amounts", Map.of("y", 0.1), "from", 1005, "frames", 20))))).contains("Values are tried");
    }

    @Test
    @DisplayName("a recorded walk is one step with few keys, and too loose or broken ones are refused")
    void walked() {
        List<Map<String, Object>> samples = new ArrayList<>();
        for (int i = 0; i <= 30; i++) {
            List<Double> placed = new ArrayList<>(LEVEL);
            placed.set(12, 2 + i * 0.1);
            samples.add(Map.of("seconds", i / 30.0, "placed", placed, "lens", 40));
        }
        onStage.camera(shot, "WALK", Map.of("from", 1001, "samples", samples, "metres", 0.05, "degrees", 1));
        assertThat(keys("x")).containsExactly(1001L, 1025L);
        assertThat(onStage.now(shot, 1025, "x")).isCloseTo(5, within(1e-6));
        assertThat(onStage.refused(shot, "WALK", Map.of("from", 1001, "samples", samples, "metres", 0, "degrees", 1))).contains("kept to");
        assertThat(onStage.refused(shot, "WALK", Map.of("from", 1001, "samples", samples.subList(0, 1), "metres", 1, "degrees", 1)))
                .contains("lasts");
        undo();
        assertThat(keys("x")).isEmpty();
    }

    @Test
    @DisplayName("where a camera comes too near, a key is made that clears it")
    void cleared() {
        long block = add("BLOCK", 4, 9);
        onStage.scene(scene, "LOOK", Map.of("items", List.of(block), "width", 1, "height", 4, "depth", 1));
        onStage.camera(shot, "FILM_FROM", Map.of("frame", 1001, "placed", LEVEL, "keepAim", false));
        onStage.camera(shot, "KEY", Map.of("frame", 1001));
        onStage.set(shot, 1024, Map.of("x", 8));
        JsonNode move = client.get("/api/shots/" + shot + "/move");
        long closest = move.get("closest").asLong();
        assertThat(move.get("clearance").get((int) (closest - 1001)).asDouble()).isLessThan(0.25);
        onStage.camera(shot, "CLEAR", Map.of("frame", closest));
        JsonNode after = client.get("/api/shots/" + shot + "/move").get("clearance");
        assertThat(after.get((int) (closest - 1001)).asDouble()).isGreaterThan(0.25);
        assertThat(keys("z")).as("past it, not back on its way").contains(closest);
        assertThat(onStage.refused(shot, "CLEAR", Map.of("frame", closest))).contains("already");
    }

    @Test
    @DisplayName("several cameras are set alike in one step; one that is finished refuses for all")
    void severalAtOnce() {
        long first = onStage.stage(shot).get("cameraId").asLong();
        long second = onStage.stage(other).get("cameraId").asLong();
        onStage.scene(scene, "SET_CAMERAS", Map.of("cameras", List.of(first, second), "values", Map.of("lens", 65, "stop", 4), "backWidth",
                36, "backHeight", 24));
        assertThat(onStage.now(shot, 1001, "lens")).isEqualTo(65);
        assertThat(onStage.now(other, 1001, "stop")).isEqualTo(4);
        assertThat(onStage.stage(other).get("backWidth").asDouble()).isEqualTo(36);
        undo();
        assertThat(onStage.now(other, 1001, "lens")).isEqualTo(35);
        onStage.scene(scene, "SET_CAMERAS", Map.of("cameras", List.of(second), "locked", true));
        assertThat(Client.message(client.tryPost("/api/scenes/" + scene + "/edits", OnStage.edit("SET_CAMERAS", Map.of("cameras",
                List.of(first, second), "values", Map.of("lens", 20)))))).contains("is locked");
        assertThat(onStage.now(shot, 1001, "lens")).isEqualTo(35);
        assertThat(client.send(client.to("/api/cameras/" + second + "/picture")).statusCode()).isEqualTo(200);
    }
}
