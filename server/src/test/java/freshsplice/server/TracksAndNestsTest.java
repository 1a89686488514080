package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Tracks above others, masters in masters, copies, markers, sound and numbers, over HTTP. */
@OwnProjects
@ExtendWith(TestServer.class)
class TracksAndNestsTest {
    private static final long START = 86_400;
    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("a", 0, 40), new Material.Clip("b", 0, 30),
            new Material.Clip("c", 0, 50), new Material.Clip("d", 0, 20));

    private final Client client = new Client(TestServer.address());
    private long project;
    private long master;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Tracks", CLIPS);
        project = received.project();
        master = received.master();
    }

    private JsonNode view(long of) {
        return client.get("/api/masters/" + of);
    }

    private JsonNode view() {
        return view(master);
    }

    private long clip(int index) {
        return view().get("clips").get(index).get("id").asLong();
    }

    private HttpResponse<byte[]> tryEdit(long of, String kind, List<Long> clips, Map<String, Object> more) {
        Map<String, Object> edit = new HashMap<>(more);
        edit.put("kind", kind);
        edit.put("clips", clips);
        return client.tryPost("/api/masters/" + of + "/edits", edit);
    }

    private void edit(String kind, List<Long> clips, Map<String, Object> more) {
        HttpResponse<byte[]> answer = tryEdit(master, kind, clips, more);
        assertThat(answer.statusCode()).as(new String(answer.body(), StandardCharsets.UTF_8)).isEqualTo(200);
    }

    private String refusal(String kind, List<Long> clips, Map<String, Object> more) {
        JsonNode before = view();
        HttpResponse<byte[]> answer = tryEdit(master, kind, clips, more);
        assertThat(answer.statusCode()).isBetween(400, 499);
        assertThat(view()).as("nothing changed").isEqualTo(before);
        return Client.message(answer);
    }

    private static String laid(JsonNode clips) {
        List<String> words = new ArrayList<>();
        clips.forEach(s -> words.add(s.get("code").asString() + ":" + (s.get("in").asLong() - START) + "-"
                + (s.get("out").asLong() - START)));
        return String.join(" ", words);
    }

    private JsonNode done(String kind, List<Long> clips, Map<String, Object> more) {
        HttpResponse<byte[]> answer = tryEdit(master, kind, clips, more);
        assertThat(answer.statusCode()).as(new String(answer.body(), StandardCharsets.UTF_8)).isEqualTo(200);
        return Client.json(answer);
    }

    @Test
    @DisplayName("a clip above is shortened with the rest moving up on its own track; asked for all tracks, the one without room is named")
    void rippleAbove() {
        JsonNode copied = done("COPY_UP", List.of(clip(1)), Map.of());
        assertThat(copied.get("made")).as("the copy is named, so that it can be chosen").hasSize(1);
        long tried = copied.get("made").get(0).asLong();
        String main = laid(view().get("clips"));
        assertThat(done("TAIL", List.of(tried), Map.of("frames", -8, "ripple", true)).get("said")).isEmpty();
        assertThat(laid(view().get("upper").get(0).get("clips"))).isEqualTo("sh0020:40-62");
        assertThat(laid(view().get("clips"))).isEqualTo(main);
        done("TAIL", List.of(tried), Map.of("frames", 20, "ripple", true));
        assertThat(laid(view().get("clips"))).as("lengthening it leaves the main track alone").isEqualTo(main);
        JsonNode all = done("TAIL", List.of(tried), Map.of("frames", -30, "ripple", true, "along", "ALL_TRACKS"));
        assertThat(all.get("said").get(0).asString()).startsWith("Track Shots stays where it is");
    }

    @Test
    @DisplayName("frames taken out before them take sound and markers along; sound stays where that is asked")
    void takesAlong() throws IOException {
        client.upload("/api/projects/" + project + "/files", Map.of("guide.wav", Material.tone(1)));
        long marker = client.post("/api/masters/" + master + "/markers", Map.of("at", START + 90, "frames", 1, "words", "bell")).asLong();
        edit("EXTRACT", List.of(clip(0)), Map.of());
        assertThat(markerAt(marker)).isEqualTo(50);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(markerAt(marker)).isEqualTo(90);
    }

    @Test
    @DisplayName("another master opens where it means the same; a nested one shows the cut under it, and is held against none")
    void sameInAnotherMaster() {
        edit("NEST", List.of(clip(1), clip(2)), Map.of("name", "Quay"));
        long inner = view().get("clips").get(1).get("nest").get("masterId").asLong();
        edit("EXTRACT", List.of(clip(0)), Map.of());
        assertThat(client.get("/api/masters/" + master + "/same?master=" + inner + "&frame=" + (START + 50)).asLong())
                .isEqualTo(START + 10);
        assertThat(client.get("/api/masters/" + inner + "/same?master=" + master + "&frame=" + (START + 10)).asLong())
                .isEqualTo(START + 50);
        client.post("/api/projects/" + project + "/undo", null);
        JsonNode under = client.get("/api/masters/" + inner + "/cut-under").get("clips");
        assertThat(under.valueStream().map(p -> p.get("in").asLong() - START)).containsExactly(40L, 70L);
        assertThat(view(inner).get("cut").get("id").asLong()).isZero();
        assertThat(view(inner).get("cut").get("version").asInt()).isEqualTo(1);
        assertThat(view(inner).get("differences")).isEmpty();
        assertThat(client.get("/api/masters/" + master + "/cut-under").get("clips")).isEmpty();
    }

    @Test
    @DisplayName("a shot is gone to by its name or a part of it, clip after clip; what is unclear or not there is said")
    void byName() {
        edit("DUPLICATE", List.of(clip(1)), Map.of());
        assertThat(position("sh0020", 0)).isEqualTo(40);
        assertThat(position("SH0020", 40)).isEqualTo(70);
        assertThat(position("sh0020", 70)).isEqualTo(40);
        assertThat(position("h003", 0)).isEqualTo(100);
        assertThat(position("1:00", 0)).as("a label stays a label").isEqualTo(24);
        assertThat(Client.message(client.tryGet("/api/masters/" + master + "/position?from=0&text=sh00")))
                .isEqualTo("\"sh00\" may be sh0010, sh0020, sh0030 and 1 more: type more of it");
        assertThat(Client.message(client.tryGet("/api/masters/" + master + "/position?from=0&text=quay"))).contains("quay");
        edit("LIFT", List.of(clip(3)), Map.of());
        assertThat(Client.message(client.tryGet("/api/masters/" + master + "/position?from=0&text=sh0030")))
                .contains("does not show sh0030");
    }

    private long position(String text, long from) {
        return client.get("/api/masters/" + master + "/position?from=" + (START + from) + "&text=" + text).get("frame").asLong() - START;
    }

    private long markerAt(long id) {
        for (JsonNode marker : view().get("markers")) {
            if (marker.get("id").asLong() == id) {
                return marker.get("in").asLong() - START;
            }
        }
        throw new AssertionError("The marker is gone");
    }

    @Test
    @DisplayName("what is put in between is as long as the list of shots says, of a clip that is held or reversed too")
    void putLengths() {
        edit("HOLD", List.of(clip(2)), Map.of("at", START + 80));
        edit("REVERSE", List.of(clip(3)), Map.of());
        for (JsonNode shot : view().get("shots")) {
            long before = view().get("masterEnd").asLong();
            edit("PUT", List.of(), Map.of("at", START, "ripple", true, "clip", Map.of("shows", "SHOT", "id", shot.get("shotId").asLong())));
            assertThat(view().get("masterEnd").asLong() - before).as(shot.get("code").asString())
                    .isEqualTo(shot.get("cutOut").asLong() - shot.get("cutIn").asLong());
            client.post("/api/projects/" + project + "/undo", null);
        }
    }

    @Test
    @DisplayName("a speed beyond the handles is done and said")
    void speedSaid() {
        assertThat(done("SPEED", List.of(clip(1)), Map.of("speed", "-2")).get("said").get(0).asString())
                .startsWith("sh0020 now shows ");
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(done("SPEED", List.of(clip(1)), Map.of("speed", "1/2")).get("said")).isEmpty();
    }

    @Test
    @DisplayName("a clip is tried on a track above, is live there, and is laid down in one stroke; undone it is there again")
    void tryAndLayDown() {
        edit("COPY_UP", List.of(clip(1)), Map.of());
        JsonNode upper = view().get("upper").get(0);
        long tried = upper.get("clips").get(0).get("id").asLong();
        edit("SLIP", List.of(tried), Map.of("frames", 6));
        edit("TAIL", List.of(tried), Map.of("frames", 10));
        assertThat(laid(view().get("upper").get(0).get("clips"))).isEqualTo("sh0020:40-80");
        assertThat(laid(view().get("clips"))).isEqualTo("sh0010:0-40 sh0020:40-70 sh0030:70-120 sh0040:120-140");
        JsonNode live = view().get("live").get(0);
        assertThat(live.get("in").asLong() - START).isEqualTo(40);
        assertThat(live.get("out").asLong() - START).isEqualTo(80);
        JsonNode before = view();
        edit("LAY_DOWN", List.of(tried), Map.of());
        assertThat(laid(view().get("clips"))).isEqualTo("sh0010:0-40 sh0020:40-80 sh0030:80-120 sh0040:120-140");
        assertThat(view().get("clips").get(1).get("shotFirst").asLong()).isEqualTo(1007);
        assertThat(view().get("live")).isEmpty();
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(view().get("clips")).isEqualTo(before.get("clips"));
        assertThat(view().get("upper")).isEqualTo(before.get("upper"));
    }

    @Test
    @DisplayName("tracks are named, switched off, locked, put in order and taken away; a locked one refuses by name")
    void tracks() {
        edit("TRACK_ADD", List.of(), Map.of("text", "Tries"));
        edit("TRACK_ADD", List.of(), Map.of());
        long first = view().get("upper").get(0).get("track").get("id").asLong();
        edit("PUT", List.of(), Map.of("at", START + 5, "track", first, "clip",
                Map.of("shows", "SLATE", "text", "Gulls to come", "frames", 12)));
        long slate = view().get("upper").get(0).get("clips").get(0).get("id").asLong();
        edit("TRACK_LOCK", List.of(), Map.of("track", first));
        assertThat(refusal("SLIP", List.of(slate), Map.of("frames", 1))).isEqualTo("Track \"Tries\" is locked: unlock it first");
        edit("TAIL", List.of(clip(0)), Map.of("frames", -3, "ripple", true));
        assertThat(view().get("upper").get(0).get("clips").get(0).get("in").asLong()).isEqualTo(START + 5);
        edit("TRACK_SWITCH", List.of(), Map.of("track", first));
        assertThat(view().get("live")).isEmpty();
        edit("TRACK_ORDER", List.of(), Map.of("track", first, "frames", 1));
        assertThat(view().get("upper").get(1).get("track").get("name").asString()).isEqualTo("Tries");
        edit("TRACK_LOCK", List.of(), Map.of("track", first));
        edit("TRACK_RENAME", List.of(), Map.of("track", first, "text", "Titles"));
        edit("TRACK_REMOVE", List.of(), Map.of("track", first));
        assertThat(view().get("upper")).hasSize(1);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(view().get("upper").get(1).get("track").get("name").asString()).isEqualTo("Titles");
        assertThat(view().get("upper").get(1).get("clips")).hasSize(1);
        assertThat(refusal("TRACK_REMOVE", List.of(), Map.of())).contains("main track");
    }

    @Test
    @DisplayName("a scene in a sequence: nested, opened, edited on either level, never in itself, laid out again")
    void nests() {
        JsonNode flat = view();
        edit("NEST", List.of(clip(1), clip(2)), Map.of("text", "The tide"));
        assertThat(laid(view().get("clips"))).isEqualTo(laid(flat.get("clips")));
        assertThat(view().get("counts").get("offsetSeams").asInt()).as("it is still as in the cut").isZero();
        JsonNode nested = view().get("clips").get(1).get("nest");
        long inner = nested.get("masterId").asLong();
        assertThat(laid(view(inner).get("clips"))).isEqualTo("sh0020:40-70 sh0030:70-120");
        // from the outer level: a nested clip gets longer, and its scene with it
        long innerClip = nested.get("innerId").asLong();
        edit("TAIL", List.of(innerClip), Map.of("frames", 5, "ripple", true));
        assertThat(laid(view().get("clips"))).isEqualTo("sh0010:0-40 sh0020:40-75 sh0030:75-125 sh0040:125-145");
        // from the inner one
        tryEdit(inner, "EXTRACT", List.of(innerClip), Map.of());
        assertThat(laid(view().get("clips"))).isEqualTo("sh0010:0-40 sh0030:40-90 sh0040:90-110");
        client.post("/api/projects/" + project + "/undo", null);
        HttpResponse<byte[]> loop = tryEdit(inner, "PUT", List.of(), Map.of("at", START + 40, "ripple", true, "clip",
                Map.of("shows", "MASTER", "id", master)));
        assertThat(Client.message(loop)).contains("would be nested in itself");
        assertThat(client.get("/api/masters/" + master + "/inside?frame=" + (START + 50)).get("frame").asLong())
                .isEqualTo(START + 50);
        edit("OPEN", List.of(view().get("clips").get(1).get("id").asLong()), Map.of());
        assertThat(view().get("clips").get(1).has("nest")).isFalse();
        assertThat(laid(view().get("clips"))).isEqualTo("sh0010:0-40 sh0020:40-75 sh0030:75-125 sh0040:125-145");
    }

    @Test
    @DisplayName("the newer cut is applied through a nest: kept where nothing changed in it, laid out where it did")
    void cutThroughNest() throws IOException {
        edit("NEST", List.of(clip(1), clip(2)), Map.of("text", "The tide"));
        List<Material.Clip> shifted = List.of(new Material.Clip("a", 0, 44), CLIPS.get(1), CLIPS.get(2), CLIPS.get(3));
        assertThat(applied(shifted)).isEqualTo("sh0010:0-44 sh0020:44-74 sh0030:74-124 sh0040:124-144");
        assertThat(view().get("clips").get(1).has("nest")).as("still nested").isTrue();
        List<Material.Clip> trimmed = List.of(CLIPS.get(0), new Material.Clip("b", 0, 26), CLIPS.get(2), CLIPS.get(3));
        assertThat(applied(trimmed)).isEqualTo("sh0010:0-40 sh0020:40-66 sh0030:66-116 sh0040:116-136");
        assertThat(view().get("clips").get(1).has("nest")).as("laid out").isFalse();
    }

    private String applied(List<Material.Clip> clips) throws IOException {
        long next = client.upload("/api/projects/" + project + "/files", Map.of("n.edl", Material.edl("Tracks", clips)))
                .get("cutId").asLong();
        client.post("/api/cuts/" + next + "/receive", null);
        client.post("/api/cuts/" + next + "/as-in-cut?master=" + master, Map.of("clips", List.of()));
        return laid(view().get("clips"));
    }

    @Test
    @DisplayName("copies keep their gaps, within the master and into another; what is gone or of another project is refused")
    void copies() {
        edit("PASTE", List.of(clip(0), clip(3)), Map.of("at", START + 40, "ripple", true));
        assertThat(laid(view().get("clips"))).startsWith("sh0010:0-40 sh0010:40-80").contains("sh0040:160-180");
        long other = client.post("/api/projects/" + project + "/masters", Map.of("name", "Other", "shots", 0, "frames", 1))
                .asLong();
        assertThat(tryEdit(other, "PASTE", List.of(clip(0)), Map.of("at", START)).statusCode()).isEqualTo(200);
        assertThat(laid(view(other).get("clips"))).isEqualTo("sh0010:0-40");
        long gone = clip(0);
        edit("LIFT", List.of(gone), Map.of());
        assertThat(refusal("PASTE", List.of(gone), Map.of("at", START))).contains("not there any more");
        edit("REPLACE", List.of(clip(1)), Map.of("clip", Map.of("shows", "BLACK")));
        assertThat(view().get("clips").get(1).get("content").asString()).isEqualTo("BLACK");
        edit("CLEAR", List.of(), Map.of("at", START + 50, "frames", 20, "ripple", true));
        assertThat(refusal("CLEAR", List.of(), Map.of("at", START + 50, "frames", 0))).contains("at least one frame");
    }

    @Test
    @DisplayName("from nothing: so many shots with cameras and numbers, at a rate; a cut is laid against it later")
    void fromNothing() throws IOException {
        long fresh = client.post("/api/projects", Map.of("name", "Nothing")).get("id").asLong();
        long begun = client.post("/api/projects/" + fresh + "/masters", Map.of("name", "Reel", "shots", 4, "frames", 30,
                "rate", "25", "start", "10:00:00:00")).asLong();
        JsonNode made = view(begun);
        assertThat(made.get("rate").asString()).isEqualTo("25");
        assertThat(made.get("start").asLong()).isEqualTo(10 * 3600 * 25);
        List<String> codes = new ArrayList<>();
        made.get("clips").forEach(s -> codes.add(s.get("code").asString() + " " + s.get("camera").asString()));
        assertThat(codes).containsExactly("sh0010 sh0010_cam", "sh0020 sh0020_cam", "sh0030 sh0030_cam", "sh0040 sh0040_cam");
        assertThat(made.get("cut").get("id").asLong()).isZero();
        long later = client.upload("/api/projects/" + fresh + "/files", Map.of("l.edl", Material.edl("Later", CLIPS)))
                .get("cutId").asLong();
        client.post("/api/cuts/" + later + "/rate?rate=25", null);
        client.post("/api/cuts/" + later + "/receive", null);
        assertThat(view(begun).get("clips")).as("laid against it, not over it").hasSize(4);
        client.post("/api/masters/" + begun + "/hold?cut=" + later, null);
        assertThat(client.cutClips(view(begun))).hasSize(4);
        client.post("/api/projects/" + fresh + "/undo", null);
        assertThat(view(begun).get("cut").get("id").asLong()).isZero();
        assertThat(Client.message(client.tryPost("/api/projects/" + fresh + "/masters", Map.of("name", "X", "shots", 3,
                "frames", 0)))).contains("1 to 1000000 frames");
    }

    @Test
    @DisplayName("markers stand at frames, or go along with their clip and the frame that it shows")
    void markers() {
        long second = clip(1);
        client.post("/api/masters/" + master + "/markers", Map.of("at", START + 60, "frames", 1, "words", "gull lands",
                "clip", second));
        client.post("/api/masters/" + master + "/markers", Map.of("at", START + 10, "frames", 5, "words", "wind"));
        edit("TAIL", List.of(clip(0)), Map.of("frames", -8, "ripple", true));
        assertThat(markerAt("gull lands")).isEqualTo(52);
        edit("SLIP", List.of(second), Map.of("frames", 4));
        assertThat(markerAt("gull lands")).isEqualTo(48);
        assertThat(markerAt("wind")).isEqualTo(10);
        edit("TAIL", List.of(second), Map.of("frames", -20));
        assertThat(view().get("markers")).as("its frame is not shown").hasSize(1);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(markerAt("gull lands")).isEqualTo(48);
        assertThat(Client.message(client.tryPost("/api/masters/" + master + "/markers", Map.of("at", START, "frames", 1, "words",
                " ")))).contains("letters");
    }

    @Test
    @DisplayName("a marker goes on with the clip that shows its frame where its own is gone, goes with its clip where none does, and comes back with it")
    void markersOfClipsThatAreGone() {
        long second = clip(1);
        client.post("/api/masters/" + master + "/markers", Map.of("at", START + 60, "frames", 1, "words", "gull lands", "clip", second));
        edit("SPLIT", List.of(second), Map.of("at", START + 55));
        List<Long> halves = List.of(clip(1), clip(2));
        assertThat(markerAt("gull lands")).as("it lies in the half that is new").isEqualTo(60);
        edit("LIFT", List.of(halves.get(0)), Map.of());
        assertThat(markerAt("gull lands")).isEqualTo(60);
        client.post("/api/projects/" + project + "/undo", null);
        edit("EXTRACT", halves, Map.of());
        assertThat(view().get("markers")).isEmpty();
        JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
        assertThat(jdbc.queryForObject("select count(*) from master_marker k join clip s on s.id = k.clip_id where k.alive = 1 and s.alive is null and "
                + "k.master_id = ?", Integer.class, master)).isZero();
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(markerAt("gull lands")).isEqualTo(60);
    }

    private long markerAt(String words) {
        for (JsonNode marker : view().get("markers")) {
            if (marker.get("words").asString().equals(words)) {
                return marker.get("in").asLong() - START;
            }
        }
        throw new AssertionError("No marker " + words);
    }

    @Test
    @DisplayName("shots are numbered anew past every number used; the old ones stay known, until a cut was handed back")
    void numbers() {
        edit("SWAP", List.of(clip(0)), Map.of());
        assertThat(client.get("/api/projects/" + project + "/renumber?master=" + master).get(0).get("from").asString())
                .isEqualTo("sh0020");
        client.post("/api/projects/" + project + "/renumber?master=" + master, null);
        assertThat(laid(view().get("clips"))).startsWith("sh0050:0-30 sh0060:30-70 sh0070:70-120");
        assertThat(view().get("clips").get(0).get("alias").asString()).isEqualTo("sh0020");
        edit("NEW_SHOT", List.of(), Map.of("at", START, "frames", 10));
        assertThat(view().get("clips").get(0).get("code").asString()).as("never an old number").isNotIn("sh0010", "sh0020");
        client.postForBytes("/api/projects/" + project + "/hand-back/edl");
        assertThat(Client.message(client.tryPost("/api/projects/" + project + "/renumber?master=" + master, null)))
                .contains("handed back");
    }

    @Test
    @DisplayName("hostile and mistaken edits are refused in a sentence and change nothing")
    void refused() {
        assertThat(refusal("HEAD", List.of(clip(1)), Map.of("frames", 30))).contains("has 30 frames");
        assertThat(refusal("TAIL", List.of(clip(1)), Map.of("frames", Long.MAX_VALUE, "ripple", true))).isNotBlank();
        assertThat(refusal("SPEED", List.of(clip(1)), Map.of("speed", "x"))).contains("Not a number");
        assertThat(refusal("FILL", List.of(clip(1)), Map.of("frames", 0))).contains("at least one frame");
        assertThat(refusal("MOVE_KEY", List.of(clip(1)), Map.of("at", START + 50, "frames", 2))).contains("no key");
        assertThat(refusal("ROLL", List.of(), Map.of("at", -5, "frames", 2))).contains("no seam");
        assertThat(refusal("PUT", List.of(), Map.of("at", START, "clip", Map.of("shows", "SLATE")))).contains("letters");
        assertThat(refusal("PUT", List.of(), Map.of("at", START, "clip", Map.of("shows", "RENDER", "id", 1)))).contains("not finished");
        assertThat(refusal("PUT", List.of(), Map.of("at", START, "track", 12345, "clip", Map.of("shows", "BLACK"))))
                .contains("track is not in the master");
        assertThat(refusal("OPEN", List.of(clip(1)), Map.of())).contains("nests no master");
        long other = client.post("/api/projects/" + project + "/masters", Map.of("name", "Other", "shots", 1, "frames", 9))
                .asLong();
        long theirs = view(other).get("clips").get(0).get("id").asLong();
        assertThat(refusal("SLIP", List.of(theirs), Map.of("frames", 2))).contains("do not lie in");
        assertThat(Client.message(client.tryGet("/api/masters/" + master + "/position?text=1:99&from=86400"))).isNotBlank();
        assertThat(Client.message(client.tryGet("/api/masters/" + master + "/position?text=%2Bx&from=86400"))).isNotBlank();
    }

    @Test
    @DisplayName("the master as it was after any step, worked out backwards, through trims, pushes, nests and what was taken out")
    void past() {
        List<String> after = new ArrayList<>();
        List<Long> steps = new ArrayList<>();
        List<Runnable> edits = List.of(() -> edit("TAIL", List.of(clip(0)), Map.of("frames", -7, "ripple", true)),
                () -> edit("EXTRACT", List.of(clip(1)), Map.of()), () -> edit("SWAP", List.of(clip(0)), Map.of()),
                () -> edit("SPLIT", List.of(clip(0)), Map.of("at", view().get("clips").get(0).get("in").asLong() + 9)),
                () -> edit("DUPLICATE", List.of(clip(1)), Map.of()));
        for (Runnable edit : edits) {
            edit.run();
            after.add(laid(view().get("clips")));
            steps.add(client.get("/api/projects/" + project).get("seq").asLong());
        }
        for (int i = 0; i < steps.size(); i++) {
            List<String> clips = new ArrayList<>();
            client.get("/api/masters/" + master + "/at/" + steps.get(i)).get("clips").forEach(p -> clips.add(
                    p.get("name").asString() + ":" + (p.get("in").asLong() - START) + "-" + (p.get("out").asLong() - START)));
            assertThat(String.join(" ", clips)).as("after step " + i).isEqualTo(after.get(i));
        }
        assertThat(client.tryGet("/api/masters/" + master + "/at/99999").statusCode()).isEqualTo(404);
    }
}
