package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Edits of a master over HTTP: each a step with a name, each refused in a sentence where it cannot be done. */
@OwnProjects
@ExtendWith(TestServer.class)
class MasterEditsTest {
    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("a", 0, 40), new Material.Clip("b", 0, 30),
            new Material.Clip("c", 0, 50));

    private final Client client = new Client(TestServer.address());
    private long project;
    private long cut;
    private long master;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Edits", CLIPS);
        project = received.project();
        cut = received.cut();
        master = received.master();
    }

    private JsonNode clips() {
        return client.get("/api/masters/" + master).get("clips");
    }

    private String laid() {
        return String.join(" ", StreamSupport.stream(clips().spliterator(), false).map(s -> s.get("code").asString()
                + ":" + (s.get("in").asLong() - 86_400) + "-" + (s.get("out").asLong() - 86_400)).toList());
    }

    private HttpResponse<byte[]> tryEdit(String kind, int clip, Map<String, Object> more) {
        Map<String, Object> edit = new HashMap<>(more);
        edit.put("kind", kind);
        edit.putIfAbsent("clips", List.of(clips().get(clip).get("id").asLong()));
        return client.tryPost("/api/masters/" + master + "/edits", edit);
    }

    private void edit(String kind, int clip, Map<String, Object> more) {
        HttpResponse<byte[]> answer = tryEdit(kind, clip, more);
        assertThat(answer.statusCode()).as(new String(answer.body(), java.nio.charset.StandardCharsets.UTF_8)).isEqualTo(200);
    }

    private String undoName() {
        return client.get("/api/projects/" + project).get("undo").get("name").asString();
    }

    @Test
    @DisplayName("a clip that is pulled out before the first frame takes the master's beginning along, said and undone")
    void beginsEarlier() {
        HttpResponse<byte[]> answer = tryEdit("HEAD", 0, Map.of("frames", -4));
        assertThat(Client.json(answer).get("said").get(0).asString()).isEqualTo("The master begins 4 frames earlier now, at 00:59:59:20");
        JsonNode view = client.get("/api/masters/" + master);
        assertThat(view.get("masterStart").asLong()).isEqualTo(86_396);
        assertThat(view.get("counts").get("blackFrames").asLong()).isZero();
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(client.get("/api/masters/" + master).get("masterStart").asLong()).isEqualTo(86_400);
    }

    @ParameterizedTest(name = "{0} {2}")
    @CsvSource(delimiter = '|', value = {
        "HEAD|1|frames=5|sh0010:0-40 sh0020:45-70 sh0030:70-120|Trim the head of sh0020 by +5 frames",
        "TAIL|1|frames=-4,ripple=true|sh0010:0-40 sh0020:40-66 sh0030:66-116|Trim the tail of sh0020 by −4 frames",
        "SLIP|0|frames=1|sh0010:0-40 sh0020:40-70 sh0030:70-120|Slip sh0010 by +1 frame",
        "SLIDE|1|frames=-6|sh0010:0-34 sh0020:34-64 sh0030:64-120|Slide sh0020 by −6 frames",
        "SPLIT|1|at=86450|sh0010:0-40 sh0020:40-50 sh0020:50-70 sh0030:70-120|Split sh0020",
        "EXTRACT|1||sh0010:0-40 sh0030:40-90|Extract sh0020",
        "LIFT|0||sh0020:40-70 sh0030:70-120|Lift sh0010",
        "DUPLICATE|0||sh0010:0-40 sh0010:40-80 sh0020:80-110 sh0030:110-160|Duplicate sh0010",
        "SWAP|0||sh0020:0-30 sh0010:30-70 sh0030:70-120|Swap sh0010",
        "MOVE|0|at=86520|sh0020:0-30 sh0030:30-80 sh0010:80-120|Move sh0010",
        "FILL|1|at=86480,ripple=true|sh0010:0-40 sh0020:40-80 sh0030:80-130|Stretch sh0020",
        "NEW_SHOT|0|at=86440,frames=24|sh0010:0-40 sh0015:40-64 sh0020:64-94 sh0030:94-144|Put a new shot in",
        "DISSOLVE|1|frames=12|sh0010:0-40 sh0020:40-70 sh0030:70-120|Dissolve into sh0020",
    })
    @DisplayName("each edit is one step, named, and undone whole")
    void steps(String kind, int clip, String fields, String laid, String name) {
        JsonNode before = clips();
        Map<String, Object> more = new HashMap<>();
        for (String field : fields == null ? new String[0] : fields.split(",")) {
            String value = field.substring(field.indexOf('=') + 1);
            more.put(field.substring(0, field.indexOf('=')), value.equals("true") ? (Object) true : Long.parseLong(value));
        }
        edit(kind, clip, more);
        assertThat(laid()).isEqualTo(laid);
        assertThat(undoName()).isEqualTo(name);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(clips()).isEqualTo(before);
        client.post("/api/projects/" + project + "/redo", null);
        assertThat(laid()).isEqualTo(laid);
    }

    @Test
    @DisplayName("a shot's own range follows by itself, and a shot that is in no clip any more is omitted, not lost")
    void follows() {
        edit("TAIL", 0, Map.of("frames", -10, "ripple", true));
        edit("SLIP", 0, Map.of("frames", 4));
        JsonNode first = clips().get(0);
        assertThat(first.get("shotFirst").asLong()).isEqualTo(1005);
        assertThat(first.get("shotLast").asLong()).isEqualTo(1034);
        JsonNode stage = client.get("/api/shots/" + first.get("shotId").asLong() + "/stage");
        assertThat(stage.get("first").asLong()).isEqualTo(1005);
        assertThat(stage.get("last").asLong()).isEqualTo(1034);
        edit("EXTRACT", 0, Map.of());
        assertThat(client.get("/api/shots/" + first.get("shotId").asLong() + "/stage").get("code").asString())
                .isEqualTo("sh0010");
        edit("NEW_SHOT", 0, Map.of("at", 86_400, "frames", 10));
        assertThat(laid()).as("a number once used is never given again").startsWith("sh0011:0-10");
    }

    @Test
    @DisplayName("an action that ends early is pulled back and stretched; another camera takes the action over")
    void gestures() {
        edit("TAIL", 0, Map.of("frames", -8));
        edit("FILL_GAP", 0, Map.of());
        assertThat(clips().get(0).get("speed").asString()).isEqualTo("4/5");
        assertThat(clips().get(0).get("shotLast").asLong()).isEqualTo(1032);
        long other = clips().get(2).get("shotId").asLong();
        edit("CUT_TO", 1, Map.of("at", 86_450, "shotId", other));
        assertThat(laid()).isEqualTo("sh0010:0-40 sh0020:40-50 sh0030:50-70 sh0030:70-120");
        JsonNode before = clips().get(1);
        JsonNode after = clips().get(2);
        long lastAction = before.get("actionFirst").asLong() + 9;
        assertThat(after.get("actionFirst").asLong()).as("the next frame of the action").isEqualTo(lastAction + 1);
    }

    @Test
    @DisplayName("clips and all are brought back to what the cut has")
    void asInCut() {
        edit("TAIL", 0, Map.of("frames", -6, "ripple", true));
        edit("TAIL", 1, Map.of("frames", -3, "ripple", true));
        assertThat(client.get("/api/masters/" + master).get("counts").get("offsetSeams").asInt()).isPositive();
        client.post("/api/cuts/" + cut + "/as-in-cut", Map.of("clips", List.of()));
        assertThat(laid()).isEqualTo("sh0010:0-40 sh0020:40-70 sh0030:70-120");
        HttpResponse<byte[]> again = client.tryPost("/api/cuts/" + cut + "/as-in-cut", Map.of("clips", List.of()));
        assertThat(Client.message(again)).contains("as in the cut already");
    }

    @ParameterizedTest(name = "{0} {2}")
    @CsvSource(delimiter = '|', value = {
        "TAIL|0|frames=-40|has 40 frames", "TAIL|0|frames=5|lie over each other", "SPLIT|0|at=86400|inside the clip",
        "FILL|0|at=86300|at least one frame", "HEAD|0||needs \"at\" or \"frames\"", "SLIP|0||\"frames\" is needed", "SPLIT|0||\"at\" is needed", "SWAP|2||Nothing meets",
        "JOIN|0||does not go on", "HOLD|0|at=90000|inside the clip", "DISSOLVE|1|frames=200|room for",
        "CUT_TO|0|at=86400,shotId=1|not there any more", "HEAD|0|frames=-90000|before record frame 0",
        "NEW_SHOT|0|at=86400,frames=0|1 to 1000000", "SLIDE|1|frames=99999999999|frames; it cannot lose",
    })
    @DisplayName("what cannot be done is refused in a sentence, and nothing is changed")
    void refused(String kind, int clip, String fields, String why) {
        JsonNode before = clips();
        Map<String, Object> more = new HashMap<>();
        for (String field : fields == null ? new String[0] : fields.split(",")) {
            more.put(field.substring(0, field.indexOf('=')), Long.parseLong(field.substring(field.indexOf('=') + 1)));
        }
        HttpResponse<byte[]> answer = tryEdit(kind, clip, more);
        assertThat(answer.statusCode()).isBetween(400, 422);
        assertThat(Client.message(answer)).contains(why);
        assertThat(clips()).isEqualTo(before);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "{\"kind\":\"NO_SUCH\"}|400|NO_SUCH", "{\"clips\":[1]}|400|kind", "{\"kind\":\"LIFT\",\"clips\":[]}|422|Choose a clip first",
        "{\"kind\":\"LIFT\"}|422|Choose a clip first", "{\"kind\":\"LIFT\",\"clips\":[null]}|422|clips[0]",
        "{\"kind\":\"PUT\",\"at\":86400,\"clip\":{}}|422|\"clip.shows\" is needed",
        "{\"kind\":\"PUT\",\"at\":86400,\"clip\":{\"shows\":\"FILM\"}}|400|FILM",
        "{\"kind\":\"PASTE\",\"at\":86400,\"clips\":[]}|422|copy again",
    })
    @DisplayName("an edit that lacks something is refused before anything is done, and says what it lacks")
    void lacking(String edit, int status, String why) {
        JsonNode before = clips();
        HttpResponse<byte[]> answer = client.tryPost("/api/masters/" + master + "/edits", Client.JSON.readTree(edit));
        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(Client.message(answer)).contains(why);
        assertThat(clips()).isEqualTo(before);
    }

    @Test
    @DisplayName("what belongs to no project is not there, whatever is asked of it")
    void ofNoProject() {
        for (String room : List.of("projects", "masters", "cuts", "shots", "renders", "media", "sounds", "markers", "items", "scenes", "tasks")) {
            assertThat(client.tryPost("/api/" + room + "/987654321/remove", Map.of()).statusCode()).as(room).isIn(404, 405);
        }
        assertThat(client.tryPost("/api/masters/987654321/edits", Map.of("kind", "LIFT")).statusCode())
                .as("known before what is asked is looked at").isEqualTo(404);
    }

    @Test
    @DisplayName("action frames that are shown twice by two cameras are pointed at, at their seam")
    void slips() {
        assertThat(client.get("/api/masters/" + master).get("seams").get(1).has("action")).isFalse();
        edit("SLIP", 1, Map.of("frames", -2));
        assertThat(client.get("/api/masters/" + master).get("seams").get(1).get("action").asString())
                .isEqualTo("2 frames of the action are shown twice: sh0010 ends on 39, sh0020 begins on 38");
    }

    @Test
    @DisplayName("the history goes back and forward to any step, by name and person")
    void history() {
        edit("SLIP", 0, Map.of("frames", 1));
        String slipped = laid();
        edit("EXTRACT", 1, Map.of());
        edit("DUPLICATE", 0, Map.of());
        String last = laid();
        JsonNode history = client.get("/api/projects/" + project + "/history");
        assertThat(history.get(0).get("name").asString()).isEqualTo("Duplicate sh0010");
        assertThat(history.get(0).get("who").asString()).isEqualTo("Test");
        JsonNode slip = history.get(2);
        assertThat(slip.get("name").asString()).startsWith("Slip sh0010");
        String path = "/api/projects/" + project + "/history/";
        assertThat(client.post(path + slip.get("seq").asLong(), null).asInt()).isEqualTo(2);
        assertThat(laid()).isEqualTo(slipped);
        assertThat(client.get("/api/projects/" + project + "/history").get(0).get("done").asBoolean()).isFalse();
        client.post(path + history.get(0).get("seq").asLong(), null);
        assertThat(laid()).isEqualTo(last);
        client.post(path + 0, null);
        assertThat(client.get("/api/projects/" + project).has("masterId")).as("also the receiving").isFalse();
    }

    @Test
    @DisplayName("a pull says what it would make, and makes nothing")
    void pull() {
        JsonNode before = clips();
        JsonNode pull = client.get("/api/masters/" + master + "/pull?kind=ROLL&at=86440&frames=3");
        assertThat(pull.get("words").asString()).isEqualTo(
                "sh0010 40 → 43 frames, to 1043, 5 left · sh0020 30 → 27 frames, from 1004, 11 left");
        assertThat(pull.get("left").get("position").asString()).isEqualTo("1043");
        assertThat(client.get("/api/masters/" + master + "/pull?kind=ROLL&at=86440&frames=90").get("refused").asBoolean())
                .isTrue();
        assertThat(clips()).isEqualTo(before);
    }

    @Test
    @DisplayName("an edit of a clip that somebody took out in the meantime says so")
    void gone() {
        long id = clips().get(1).get("id").asLong();
        edit("EXTRACT", 1, Map.of());
        HttpResponse<byte[]> answer = tryEdit("SLIP", 0, Map.of("clips", List.of(id), "frames", 2));
        assertThat(Client.message(answer)).contains("somebody took it out");
        assertThat(Client.message(tryEdit("SPEED", 0, Map.of("speed", "fast")))).isNotBlank();
    }
}
