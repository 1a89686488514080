package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.render.Probe;
import freshsplice.server.renders.RenderQueue;
import freshsplice.server.renders.WithoutMemory;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** The loop over HTTP, with material that is not the demo's. */
@OwnProjects
@ExtendWith(TestServer.class)
class WalkTest {
    @TempDir
    Path folder;

    private final Client client = new Client(TestServer.address());
    private long project;

    @BeforeEach
    void newProject() {
        project = client.post("/api/projects", Map.of("name", "Night market")).get("id").asLong();
    }

    private long look(List<Material.Clip> clips, Map<String, byte[]> more) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>(more);
        files.put("market.edl", Material.edl("Night market", clips));
        return client.upload("/api/projects/" + project + "/files", files).get("cutId").asLong();
    }

    private long receive(List<Material.Clip> clips) throws IOException {
        long cut = look(clips, Map.of());
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        return cut;
    }

    private JsonNode view() {
        return client.get("/api/projects/" + project);
    }

    private JsonNode sequence() {
        return client.get("/api/masters/" + view().get("masterId").asLong());
    }

    private static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    @Test
    void sixtyEventsBecomeSixtyShotsInOneStepThatIsUndoneWhole() throws IOException {
        Map<String, byte[]> given = new LinkedHashMap<>();
        IntStream.rangeClosed(1, 58).forEach(i -> given.put("PANEL_" + i + ".png", Material.picture("p" + i, 64, 36)));
        given.put("atmosphere.wav", Material.tone(2));
        long cut = look(Material.clips(60), given);
        JsonNode intake = client.get("/api/cuts/" + cut + "/intake");
        assertThat(intake.get("shots")).hasSize(60);
        assertThat(intake.get("rateReason").asString()).contains("only at 24 or 24000/1001 frames/s are 60 events");
        assertThat(intake.get("shots").get(0).get("found").asString()).contains("ending left aside");
        assertThat(list(intake.get("missing")).stream().map(m -> m.get("name").asString()))
                .containsExactly("panel 59", "panel 60");
        assertThat(view().has("masterId")).isFalse();

        client.post("/api/cuts/" + cut + "/receive", null);
        JsonNode sequence = sequence();
        assertThat(sequence.get("clips")).hasSize(60);
        assertThat(sequence.get("counts").get("offsetSeams").asInt()).isZero();
        assertThat(sequence.get("counts").get("missingBoards").asInt()).isEqualTo(2);
        assertThat(sequence.get("sound")).hasSize(1);
        assertThat(view().get("undo").get("name").asString()).startsWith("Receive Night market");

        client.post("/api/projects/" + project + "/undo", null);
        assertThat(view().has("masterId")).isFalse();
        assertThat(client.get("/api/cuts/" + cut + "/intake").get("received").asBoolean()).isFalse();
        client.post("/api/projects/" + project + "/redo", null);
        assertThat(sequence().get("clips")).hasSize(60);

        JsonNode arrived = client.upload("/api/projects/" + project + "/files",
                Map.of("Panel 59.jpg.png", Material.picture("late", 64, 36), "panel-60.png",
                        Material.picture("later", 64, 36)));
        assertThat(arrived.get("found").asInt()).isEqualTo(1);
        assertThat(sequence().get("counts").get("missingBoards").asInt()).isEqualTo(1);
    }

    @Test
    void fragmentsAreJoinedAndCanBeKeptApartOneByOne() throws IOException {
        List<Material.Clip> clips = List.of(new Material.Clip("a", 1000, 10), new Material.Clip("a", 1010, 10),
                new Material.Clip("a", 1020, 10));
        long cut = look(clips, Map.of());
        JsonNode first = client.get("/api/cuts/" + cut + "/intake");
        assertThat(first.get("shots")).hasSize(1);
        long seam = first.get("shots").get(0).get("seams").get(1).asLong();
        client.post("/api/cuts/" + cut + "/apart", Map.of("seam", seam, "apart", true));
        assertThat(client.get("/api/cuts/" + cut + "/intake").get("shots")).hasSize(2);
        client.post("/api/cuts/" + cut + "/receive", null);
        assertThat(sequence().get("counts").get("offsetSeams").asInt()).isZero();
        assertThat(client.cutClips(sequence())).hasSize(2);
    }

    @Test
    void aMovedSeamBendsByItsFramesAndUndoStraightensIt() throws IOException {
        receive(Material.clips(6));
        JsonNode before = sequence();
        long at = before.get("clips").get(2).get("in").asLong();
        client.post("/api/masters/" + before.get("id").asLong() + "/seam", Map.of("at", at, "frames", 3));
        JsonNode moved = sequence();
        assertThat(moved.get("seams").get(2).get("cutOffset").asLong()).isEqualTo(3);
        assertThat(moved.get("seams").get(2).get("at").asLong()).isEqualTo(at + 3);
        assertThat(moved.get("clips").get(2).get("shotFirst").asLong()).isEqualTo(1004);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(sequence().get("seams")).isEqualTo(before.get("seams"));
        assertThat(Client.message(client.tryPost("/api/masters/" + before.get("id").asLong() + "/seam",
                Map.of("at", at, "frames", 4000)))).contains("cannot lose");
    }

    private long render(long shotId) {
        long id = client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(shotId), "master",
                false, "width", 320, "height", 180, "burnIn", true, "blur", false)).get(0).asLong();
        await(id);
        return id;
    }

    private JsonNode await(long renderId) {
        for (int i = 0; i < 600; i++) {
            JsonNode render = list(client.get("/api/projects/" + project + "/renders")).stream()
                    .filter(r -> r.get("id").asLong() == renderId).findFirst().orElseThrow();
            if (!Set.of("WAITING", "DRAWING").contains(render.get("state").asString())) {
                return render;
            }
            try {
                Thread.sleep(100);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }
        throw new AssertionError("The render does not end");
    }

    private Path movie(long renderId) throws IOException {
        return Files.write(folder.resolve(renderId + ".mp4"), client.bytes("/api/renders/" + renderId + "/movie"));
    }

    @Test
    @DisplayName("a render for which there is no memory fails and says so; the queue draws the next")
    void noMemory() throws Exception {
        receive(Material.clips(1));
        long shot = sequence().get("clips").get(0).get("shotId").asLong();
        WithoutMemory.once(TestServer.bean(RenderQueue.class), id -> list(client.get("/api/projects/" + project + "/renders")).stream()
                .anyMatch(r -> r.get("id").asLong() == id));
        JsonNode failed = await(render(shot));
        assertThat(failed.get("state").asString()).isEqualTo("FAILED");
        assertThat(failed.get("error").asString()).contains("not enough memory");
        assertThat(await(render(shot)).get("state").asString()).isEqualTo("DONE");
    }

    @Test
    void rendersHaveVersionsFramesTimecodeAndSayWhatMadeThemStale() throws IOException {
        long cut = look(Material.clips(3), Map.of("wind.wav", Material.tone(4)));
        client.post("/api/cuts/" + cut + "/receive", null);
        JsonNode clip = sequence().get("clips").get(1);
        long shot = clip.get("shotId").asLong();
        long first = render(shot);
        Probe probe = Probe.of(movie(first));
        assertThat(probe.frames()).isEqualTo(clip.get("out").asLong() - clip.get("in").asLong());
        assertThat(probe.timecode()).isEqualTo("00:00:41:17");
        assertThat(probe.sound()).isTrue();
        assertThat(sequence().get("renders").get(0).get("stale")).isEmpty();

        new OnStage(client).set(shot, 5000, Map.of("x", 0.0));
        assertThat(sequence().get("renders").get(0).get("stale")).as("a key that changes no picture").isEmpty();
        new OnStage(client).set(shot, 1005, Map.of("lens", 85.0));
        assertThat(list(sequence().get("renders").get(0).get("stale")).stream().map(JsonNode::asString))
                .containsExactly("camera");
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(sequence().get("renders").get(0).get("stale")).isEmpty();

        long second = render(shot);
        assertThat(await(second).get("name").asString()).endsWith("_v002");
        assertThat(client.bytes("/api/renders/" + first + "/movie")).isNotEmpty();
        // an open end is lengthened: the render no longer reaches its seam
        long end = sequence().get("end").asLong();
        client.post("/api/masters/" + sequence().get("id").asLong() + "/seam", Map.of("at", clip.get("out").asLong(),
                "frames", 5));
        assertThat(end).isEqualTo(sequence().get("end").asLong());
        assertThat(sequence().get("seams").get(2).get("renderOffset").asLong()).isEqualTo(-5);
    }

    @Test
    void aStoppedRenderLeavesNothingAndAFinishedOneStays() throws IOException {
        receive(List.of(new Material.Clip("long", 1000, 2000), new Material.Clip("short", 9000, 5)));
        long done = render(sequence().get("clips").get(1).get("shotId").asLong());
        long id = client.post("/api/projects/" + project + "/renders", Map.of("shotIds",
                List.of(sequence().get("clips").get(0).get("shotId").asLong()), "master", false, "width", 640,
                "height", 360, "burnIn", false, "blur", false)).get(0).asLong();
        client.post("/api/renders/" + id + "/stop", null);
        assertThat(await(id).get("state").asString()).isEqualTo("STOPPED");
        assertThat(client.send(client.to("/api/renders/" + id + "/movie")).statusCode()).isEqualTo(404);
        assertThat(await(done).get("state").asString()).isEqualTo("DONE");
    }

    @Test
    void theListHandedBackHasNoChangesAndTheNextCutIsCarriedIn() throws IOException {
        List<Material.Clip> clips = Material.clips(8);
        // sound that no event names is laid under the master, and goes back with the list
        client.post("/api/cuts/" + look(clips, Map.of("wind.wav", Material.tone(4))) + "/receive", null);
        List<Long> shots = list(sequence().get("clips")).stream().map(s -> s.get("shotId").asLong()).toList();
        new OnStage(client).set(shots.get(3), 1001, Map.of("x", 4.5));
        render(shots.get(0));
        render(shots.get(3));
        byte[] back = client.postForBytes("/api/projects/" + project + "/hand-back/edl");
        assertThat(new String(back, StandardCharsets.UTF_8)).contains("* FROM CLIP NAME: sh0010_v001")
                .contains("00:00:41:17");
        long again = client.upload("/api/projects/" + project + "/files", Map.of("back.edl", back)).get("cutId")
                .asLong();
        assertThat(list(client.get("/api/cuts/" + again + "/sources")).stream().filter(s -> s.get("name").asString().contains("_v001"))
                .map(s -> s.path("found").asString("missing"))).as("our own renders are found by themselves").hasSize(2)
                .doesNotContain("missing");
        client.post("/api/cuts/" + again + "/receive", null);
        assertThat(client.get("/api/cuts/" + again + "/turnover").get("changes")).isEmpty();

        List<Material.Clip> next = new ArrayList<>(clips);
        next.set(3, new Material.Clip(clips.get(3).name(), clips.get(3).from() - 6, clips.get(3).length() + 20));
        next.remove(5);
        next.add(2, new Material.Clip("stranger", 5000, 33));
        long cut = receive(next);
        JsonNode list = client.get("/api/cuts/" + cut + "/turnover");
        List<String> edits = list(list.get("changes")).stream().filter(c -> !c.get("pushed").asBoolean())
                .map(c -> c.get("kind").asString() + " " + c.get("head").asLong() + " " + c.get("tail").asLong()
                        + " " + c.get("needs").asString()).toList();
        assertThat(edits).containsExactly("NEW 0 33 CAMERA", "TRIMMED 6 14 HANDLES",
                "OMITTED 0 -" + clips.get(5).length() + " NOTHING");
        JsonNode outOfDate = client.applyChanges(cut, list.get("changes")).get("outOfDate");
        assertThat(list(outOfDate).stream().filter(r -> !r.get("before").asBoolean()).map(r -> r.get("code").asString() + ": " + r.get("why").asString()))
                .as("what became stale is said: pushed along, it lies over other wind")
                .containsExactly("sh0040: stale: sound changed; covers " + clips.get(3).length() + " of " + (clips.get(3).length() + 20) + " frames");
        JsonNode after = sequence();
        assertThat(after.get("counts").get("offsetSeams").asInt()).as("off from the cut").isEqualTo((int) list(
                after.get("seams")).stream().filter(s -> s.get("renderOffset").asLong() != 0).count());
        assertThat(list(after.get("seams")).stream().mapToLong(s -> s.get("cutOffset").asLong())).containsOnly(0L);
        assertThat(list(after.get("clips")).stream().map(s -> s.get("code").asString())).containsExactly("sh0010",
                "sh0020", "sh0025", "sh0030", "sh0040", "sh0050", "sh0070", "sh0080");
        assertThat(after.get("clips").get(4).get("shotFirst").asLong()).isEqualTo(995);
        assertThat(client.get("/api/shots/" + shots.get(3) + "/stage").get("plain").get("x").asDouble()).as("camera work is kept").isEqualTo(4.5);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(list(sequence().get("clips")).stream().map(s -> s.get("shotId").asLong())).isEqualTo(shots);
    }
}
