package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Many steps one after another: the master as it was after each of them, and the way back to it. */
@ExtendWith(TestServer.class)
@OwnProjects
class HistoryTest {
    private static final List<String> KINDS = List.of("TAIL", "HEAD", "SLIP", "EXTRACT", "LIFT", "SPLIT", "DUPLICATE", "SWAP",
            "SPEED", "COPY_UP", "NEST", "SWITCH");

    private final Client client = new Client(TestServer.address());
    private long project;
    private long master;

    private void receive(String name, int clips) throws IOException {
        Received received = Received.of(client, name, Material.clips(clips));
        project = received.project();
        master = received.master();
    }

    private JsonNode view() {
        return client.get("/api/masters/" + master);
    }

    /** Everything that is laid, on all tracks, as the window has it. */
    private static String laid(JsonNode view) {
        List<String> clips = new ArrayList<>();
        view.get("clips").forEach(s -> clips.add(words(s)));
        view.get("upper").forEach(track -> track.get("clips").forEach(s -> clips.add("above " + words(s))));
        return String.join("\n", clips);
    }

    private static String words(JsonNode s) {
        return s.get("code").asString() + " " + s.get("in") + "-" + s.get("out") + " @" + s.get("seenFrom").asString() + " x"
                + s.get("speed").asString() + (s.get("enabled").asBoolean() ? "" : " off") + (s.has("nest") ? " nested" : "");
    }

    /** In and out of the clips of the main track, nests left aside: what of them is seen is for their masters to say. */
    private static List<String> places(JsonNode clips) {
        List<String> places = new ArrayList<>();
        for (JsonNode p : clips) {
            boolean nest = p.has("nest") || p.path("name").asString("").equals("master");
            if (!nest) {
                places.add(p.get("in").asString() + "-" + p.get("out").asString());
            }
        }
        return places;
    }

    private Map<String, Object> anyEdit(Random random, JsonNode view) {
        String kind = KINDS.get(random.nextInt(KINDS.size()));
        JsonNode clip = view.get("clips").get(random.nextInt(view.get("clips").size()));
        long inside = clip.get("in").asLong() + 1 + random.nextInt(10);
        Map<String, Object> edit = new TreeMap<>(Map.of("kind", kind, "clips", List.of(clip.get("id").asLong()),
                "ripple", random.nextInt(3) > 0, "frames", random.nextInt(13) - 6, "at", inside, "text", "N" + random.nextInt(1000),
                "speed", random.nextBoolean() ? "3/4" : "150 %"));
        if (kind.equals("SPLIT")) {
            edit.put("clips", List.of());
        }
        return edit;
    }

    @Test
    @DisplayName("the history goes back and forth over a change of the project itself")
    void overTheProject() throws IOException {
        receive("Over the project", 3);
        long before = client.get("/api/projects/" + project).get("seq").asLong();
        client.post("/api/projects/" + project + "/picture", Map.of("width", 640, "height", 360));
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SLIP", "frames", 3, "clips",
                List.of(view().get("clips").get(0).get("id").asLong())));
        long after = client.get("/api/projects/" + project).get("seq").asLong();
        client.post("/api/projects/" + project + "/history/" + before, null);
        assertThat(client.get("/api/projects/" + project).get("pictureWidth").asInt()).isNotEqualTo(640);
        client.post("/api/projects/" + project + "/history/" + after, null);
        assertThat(client.get("/api/projects/" + project).get("pictureWidth").asInt()).isEqualTo(640);
    }

    @Test
    @DisplayName("a recipe taken away in the step that first kept the recipes stays away when that is done again")
    void takenAwayInOneStep() throws IOException {
        receive("Taken away in one step", 3);
        String recipes = "/api/projects/" + project + "/recipes";
        JsonNode first = client.get(recipes);
        client.post(recipes + "/edits", Map.of("kind", "REMOVE_RECIPE", "name", first.get(0).get("name").asString()));
        JsonNode without = client.get(recipes);
        assertThat(without).hasSize(first.size() - 1);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(client.get(recipes)).isEqualTo(first);
        client.post("/api/projects/" + project + "/redo", null);
        assertThat(client.get(recipes)).isEqualTo(without);
    }

    @RepeatedTest(6)
    @DisplayName("whatever two people did, undid and did again: going to any step and back to the newest is as it was")
    void anyStepOfTwo(RepetitionInfo info) throws IOException {
        Random random = new Random(info.getCurrentRepetition() * 137L);
        receive("Two in history " + info.getCurrentRepetition(), 10);
        List<Client> two = List.of(client, new Client(TestServer.address(), "Ida"));
        for (int i = 0; i < 40; i++) {
            Client who = two.get(random.nextInt(2));
            int what = random.nextInt(6);
            if (what == 0) {
                who.tryPost("/api/projects/" + project + "/undo", null);
            } else if (what == 1) {
                who.tryPost("/api/projects/" + project + "/redo", null);
            } else {
                who.tryPost("/api/masters/" + master + "/edits", anyEdit(random, view()));
            }
        }
        String now = laid(view());
        List<Long> steps = new ArrayList<>();
        client.get("/api/projects/" + project + "/history").forEach(s -> steps.add(s.get("seq").asLong()));
        long newest = steps.stream().filter(s -> holds(s)).mapToLong(s -> s).max().orElseThrow();
        for (int i = 0; i < 8; i++) {
            long seq = steps.get(random.nextInt(steps.size()));
            client.post("/api/projects/" + project + "/history/" + seq, null);
            client.post("/api/projects/" + project + "/history/" + newest, null);
            assertThat(laid(view())).as("from step %d back to the newest", seq).isEqualTo(now);
        }
    }

    private boolean holds(long seq) {
        for (JsonNode step : client.get("/api/projects/" + project + "/history")) {
            if (step.get("seq").asLong() == seq) {
                return step.get("done").asBoolean();
            }
        }
        return false;
    }

    @RepeatedTest(4)
    @DisplayName("the master as it was after any step is what was seen then; going there makes it so, and back again")
    void anyStep(RepetitionInfo info) throws IOException {
        Random random = new Random(info.getCurrentRepetition() * 71L);
        receive("History " + info.getCurrentRepetition(), 12);
        TreeMap<Long, String> laid = new TreeMap<>();
        TreeMap<Long, List<String>> places = new TreeMap<>();
        for (int i = 0; i < 60 && laid.size() < 25; i++) {
            JsonNode view = view();
            laid.put(view.get("seq").asLong(), laid(view));
            places.put(view.get("seq").asLong(), places(view.get("clips")));
            client.tryPost("/api/masters/" + master + "/edits", anyEdit(random, view));
        }
        assertThat(laid.size()).as("edits that were done").isGreaterThan(10);
        places.forEach((seq, then) -> assertThat(places(client.get("/api/masters/" + master + "/at/" + seq).get("clips")))
                .as("after step %d", seq).isEqualTo(then));
        List<Long> steps = new ArrayList<>(laid.keySet());
        for (int i = 0; i < 6; i++) {
            long seq = steps.get(random.nextInt(steps.size()));
            client.post("/api/projects/" + project + "/history/" + seq, null);
            assertThat(laid(view())).as("back at step %d", seq).isEqualTo(laid.get(seq));
        }
        client.post("/api/projects/" + project + "/history/" + laid.lastKey(), null);
        assertThat(laid(view())).isEqualTo(laid.lastEntry().getValue());
    }
}
