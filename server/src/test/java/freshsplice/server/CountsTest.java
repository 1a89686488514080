package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** One answer to each count, in every place that shows it. */
@ExtendWith(TestServer.class)
@WholeServer
class CountsTest {
    private final Client client = new Client(TestServer.address());
    private Received received;

    @BeforeEach
    void receive() throws IOException {
        received = Received.of(client, "Counts", Material.clips(6));
    }

    private JsonNode view() {
        return client.get("/api/masters/" + received.master());
    }

    private void edit(String kind, int clip, Map<String, Object> more) {
        Map<String, Object> edit = new HashMap<>(more);
        edit.put("kind", kind);
        edit.put("clips", List.of(view().get("clips").get(clip).get("id").asLong()));
        client.post("/api/masters/" + received.master() + "/edits", edit);
    }

    private static Stream<JsonNode> stream(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false);
    }

    @Test
    @DisplayName("which renders stand is the same in the tracks, the counts, the list to render, and the list handed back")
    void renders() throws InterruptedException {
        List<Long> shots = stream(view().get("clips")).map(s -> s.get("shotId").asLong()).toList();
        new OnStage(client).set(shots.get(4), 1001, Map.of("x", 1.5));
        client.post("/api/projects/" + received.project() + "/renders", Map.of("shotIds", shots.subList(0, 3), "master", true,
                "width", 64, "height", 36, "burnIn", false, "blur", false));
        String renders = "/api/projects/" + received.project() + "/renders?master=" + received.master();
        for (int i = 0; i < 300 && !stream(client.get(renders)).allMatch(r -> r.get("state").asString().equals("DONE")); i++) {
            Thread.sleep(100);
        }
        assertThat(stream(client.get(renders)).flatMap(r -> stream(r.get("stale")))).isEmpty();
        // sh0020 is filmed otherwise, sh0030 shows five frames more than its render has
        new OnStage(client).set(shots.get(1), 1001, Map.of("x", 4.5));
        long frames = view().get("clips").get(2).get("out").asLong() - view().get("clips").get(2).get("in").asLong();
        edit("TAIL", 2, Map.of("frames", 5, "ripple", true));

        JsonNode view = view();
        String short5 = "covers " + frames + " of " + (frames + 5) + " frames";
        assertThat(stream(view.get("shots")).map(s -> s.get("code").asString() + " " + s.get("stand").asString() + " "
                + s.get("toRender").asBoolean())).containsExactly("sh0010  false", "sh0020 stale: camera changed true",
                "sh0030 " + short5 + " true", "sh0040  false", "sh0050  true", "sh0060  false");
        assertThat(stream(view.get("renders")).map(r -> r.get("stand").asString()))
                .containsExactly("", "stale: camera changed", short5);
        JsonNode counts = view.get("counts");
        assertThat(counts.get("outOfDate").asInt()).isEqualTo(2);
        assertThat(counts.get("toRender").asInt()).isEqualTo(3);
        assertThat(counts.get("rendered").asInt()).isEqualTo(3);
        JsonNode back = client.get("/api/projects/" + received.project() + "/hand-back?master=" + received.master());
        assertThat(back.get("tally").toString()).isEqualTo("{\"clips\":6,\"rendered\":1,\"part\":1,\"stale\":1,\"none\":3}");
        assertThat(stream(back.get("remarks")).map(r -> r.get("text").asString()))
                .anyMatch(t -> t.equals("sh0020_v001 is stale: camera changed")).anyMatch(t -> t.startsWith("sh0030_v001 " + short5));
        assertThat(stream(client.get(renders)).filter(r -> !r.get("stale").isEmpty()).map(r -> r.get("name").asString()))
                .as("the movie of the whole master is stale too").containsExactlyInAnyOrder("sh0020_v001", "counts_v001");
    }

    @Test
    @DisplayName("shots, black and what is unlike the cut are counted over all tracks, each shot once")
    void masters() {
        JsonNode before = view().get("counts");
        assertThat(before.get("shots").asInt()).isEqualTo(6);
        edit("SPLIT", 1, Map.of("at", view().get("clips").get(1).get("in").asLong() + 10));
        assertThat(view().get("counts").get("shots").asInt()).as("a split shot is one shot").isEqualTo(6);
        assertThat(view().get("counts").get("offsetSeams").asInt()).as("a mere split changes no seam").isZero();
        assertThat(view().get("differences")).isEmpty();
        long length = view().get("clips").get(3).get("out").asLong() - view().get("clips").get(3).get("in").asLong();
        edit("LIFT", 3, Map.of());
        assertThat(view().get("counts").get("blackFrames").asLong()).isEqualTo(length);
        assertThat(view().get("differences")).hasSize(1);
        assertThat(view().get("differences").get(0).get("words").asString()).isEqualTo("only in the cut");
        edit("SWITCH", 0, Map.of());
        assertThat(stream(view().get("differences")).map(d -> d.get("words").asString()))
                .containsExactly("switched off, the cut shows it", "only in the cut");
        assertThat(view().get("counts").get("missingBoards").asInt()).as("sources without a picture, each once")
                .isEqualTo((int) stream(view().get("clips")).map(s -> s.get("boardName").asString()).distinct().count());
        long end = view().get("end").asLong();
        edit("EXTRACT", 4, Map.of());
        assertThat(view().get("masterEnd").asLong()).isLessThan(end);
        assertThat(view().get("end").asLong()).as("the cut still reaches there").isEqualTo(end);
    }
}
