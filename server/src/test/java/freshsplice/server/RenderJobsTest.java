package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.render.FrameFile;
import freshsplice.render.Probe;
import freshsplice.server.settings.Folders;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Renders of any range into any files, that go on where they stood. */
@ExtendWith(TestServer.class)
class RenderJobsTest {
    private final Client client = new Client(TestServer.address());
    @TempDir
    Path folder;
    private long project;
    private long master;
    private List<JsonNode> sections;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Jobs " + System.nanoTime(), Material.clips(3));
        project = received.project();
        master = received.master();
        look();
    }

    private void look() {
        sections = list(client.get("/api/masters/" + master).get("sections"));
    }

    private static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    private long shot(int piece) {
        return sections.get(piece).get("shotId").asLong();
    }

    private Map<String, Object> ask(Map<String, Object> more, long... shots) {
        Map<String, Object> ask = new HashMap<>(Map.of("shotIds", java.util.Arrays.stream(shots).boxed().toList(), "master", false, "masterId", master,
                "width", 160, "height", 90, "burnIn", false, "blur", false));
        ask.putAll(more);
        return ask;
    }

    private List<Long> render(Map<String, Object> more, long... shots) {
        List<Long> ids = new ArrayList<>();
        client.post("/api/projects/" + project + "/renders", ask(more, shots)).forEach(id -> ids.add(id.asLong()));
        ids.forEach(id -> await(id, Set.of("DONE", "FAILED", "STOPPED")));
        return ids;
    }

    private JsonNode of(long id) {
        return list(client.get("/api/projects/" + project + "/renders?master=" + master)).stream().filter(r -> r.get("id").asLong() == id).findFirst().orElseThrow();
    }

    private JsonNode await(long id, Set<String> states) {
        for (int i = 0; i < 600; i++) {
            JsonNode render = of(id);
            if (states.contains(render.get("state").asString())) {
                return render;
            }
            pause();
        }
        throw new AssertionError("The render stays " + of(id).get("state"));
    }

    private static void pause() {
        try {
            Thread.sleep(50);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private JsonNode recipe(String name) {
        return list(client.get("/api/projects/" + project + "/recipes")).stream().filter(r -> r.get("name").asString().equals(name)).findFirst()
                .orElseThrow().get("recipe");
    }

    /** The stills' recipe with other files. */
    private Map<String, Object> writing(String... kinds) {
        Map<String, Object> recipe = new TreeMap<>(Map.of("burnIn", List.of(), "text", "", "sound", true, "unstaged", "BOARD", "movieName",
                "{shot}_{version}", "runName", "{shot}_{version}.{frame}"));
        recipe.put("look", Map.of("width", 160, "height", 90, "percent", 100, "edges", "QUICK", "shutter", 0, "samples", 8, "blur", false, "board", 0));
        recipe.put("outputs", Stream.of(kinds).map(k -> Map.of("kind", k, "on", true, "quality", 80, "alpha", false, "numbering", Map.of())).toList());
        return recipe;
    }

    @Test
    @DisplayName("the second piece of a shot is rendered too: near ones in one movie, far ones in one each; then nothing is missing")
    void allPieces() {
        long shot = shot(0);
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "DUPLICATE", "sections", List.of(sections.get(0).get("id").asLong())));
        look();
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SLIP", "sections", List.of(sections.get(1).get("id").asLong()), "frames", 200));
        List<Long> both = render(Map.of(), shot);
        assertThat(both).hasSize(2);
        JsonNode state = list(client.get("/api/masters/" + master).get("shots")).stream().filter(s -> s.get("shotId").asLong() == shot).findFirst().orElseThrow();
        assertThat(state.get("stand").asString()).isEmpty();
        assertThat(state.get("covered").asLong()).isEqualTo(state.get("frames").asLong());
        assertThat(client.get("/api/masters/" + master).get("gaps")).isEmpty();
        assertThat(render(Map.of("extent", "MISSING"), shot)).isEmpty();
    }

    private Path keptFrame(long render, long frame) {
        return TestServer.bean(Folders.class).frames().resolve(String.valueOf(render)).resolve("frames").resolve(FrameFile.name(frame));
    }

    @Test
    @DisplayName("a master is joined from its shots' renders: their very frames, only what none has is drawn; a newer render makes it stale")
    void joined() throws Exception {
        List<Long> shots = render(Map.of(), shot(0), shot(1));
        long whole = render(Map.of("shotIds", List.of(), "master", true, "joined", true)).get(0);
        long start = client.get("/api/masters/" + master).get("start").asLong();
        for (int piece = 0; piece < 2; piece++) {
            long in = sections.get(piece).get("in").asLong();
            for (long k = 0; k < sections.get(piece).get("out").asLong() - in; k++) {
                assertThat(Files.isSameFile(keptFrame(whole, in - start + k), keptFrame(shots.get(piece), k))).as("piece %d, frame %d", piece, k).isTrue();
            }
        }
        long drawn = sections.get(2).get("out").asLong() - sections.get(2).get("in").asLong();
        long all = of(whole).get("frames").asLong();
        assertThat(new String(client.bytes("/api/renders/" + whole + "/log"), java.nio.charset.StandardCharsets.UTF_8))
                .contains(all - drawn + " frames taken from finished renders as they are");
        Path movie = Files.write(folder.resolve("m.mp4"), client.bytes("/api/renders/" + whole + "/movie"));
        assertThat(Probe.of(movie).frames()).isEqualTo(all);
        assertThat(of(whole).get("stale")).isEmpty();
        render(Map.of(), shot(0));
        assertThat(list(of(whole).get("stale"))).extracting(JsonNode::asString).containsExactly("renders");
    }

    @Test
    @DisplayName("joined at another size, frames come from the movies; a camera over the whole action, and one picture of each camera")
    void joinedOtherwiseAndStills() throws Exception {
        long in = sections.get(0).get("shotFirst").asLong();
        render(Map.of("extent", "RANGE", "in", in, "out", in + 300), shot(0));
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SPEED", "sections", List.of(sections.get(0).get("id").asLong()),
                "speed", "2"));
        render(Map.of(), shot(1), shot(2));
        long whole = render(Map.of("shotIds", List.of(), "master", true, "joined", true, "width", 320, "height", 180)).get(0);
        assertThat(of(whole).get("state").asString()).isEqualTo("DONE");
        assertThat(new String(client.bytes("/api/renders/" + whole + "/log"), java.nio.charset.StandardCharsets.UTF_8)).contains("; ").contains("0 frames taken");
        List<Long> stills = render(Map.of("extent", "STILL", "when", "FIRST"), shot(0), shot(1), shot(2));
        assertThat(stills).hasSize(3).allSatisfy(id -> {
            assertThat(of(id).get("frames").asLong()).isEqualTo(1);
            assertThat(list(client.get("/api/renders/" + id + "/files"))).extracting(f -> f.get("kind").asString()).contains("PNG8");
        });
        assertThat(of(stills.get(0)).get("fromFrame").asLong()).isEqualTo(sections.get(0).get("shotFirst").asLong());
        long action = render(Map.of("extent", "ACTION"), shot(0)).get(0);
        assertThat(of(action).get("frames").asLong()).isGreaterThan(sections.get(0).get("out").asLong() - sections.get(0).get("in").asLong());
        assertThat(client.tryPost("/api/projects/" + project + "/renders", ask(Map.of("extent", "MOMENT"), shot(0))).statusCode()).isEqualTo(422);
    }

    @Test
    @DisplayName("what is missing after a range was rendered is counted as a gap, and drawn alone")
    void rangeThenMissing() throws IOException {
        long first = sections.get(0).get("shotFirst").asLong();
        long frames = sections.get(0).get("out").asLong() - sections.get(0).get("in").asLong();
        render(Map.of("extent", "RANGE", "in", first + 4, "out", first + 10), shot(0));
        List<JsonNode> gaps = list(client.get("/api/masters/" + master).get("gaps"));
        assertThat(gaps).extracting(g -> g.get("out").asLong() - g.get("in").asLong()).containsExactly(4L, frames - 10);
        List<Long> rest = render(Map.of("extent", "MISSING"), shot(0));
        assertThat(rest).hasSize(2);
        assertThat(of(rest.get(0)).get("frames").asLong()).isEqualTo(4);
        assertThat(client.get("/api/masters/" + master).get("gaps")).isEmpty();
        String list = new String(client.send(client.to("/api/projects/" + project + "/hand-back/edl?master=" + master).POST(
                java.net.http.HttpRequest.BodyPublishers.noBody())).body(), java.nio.charset.StandardCharsets.US_ASCII);
        assertThat(list).contains("sh0010_v001").contains("sh0010_v002").contains("sh0010_v003");
    }

    @Test
    @DisplayName("a final takes the name of the draft and stands where it stood; a trial never counts; handles bend no seam")
    void grades() {
        long trial = render(Map.of("grade", "TRIAL", "every", 2), shot(0)).get(0);
        assertThat(of(trial).get("name").asString()).isEqualTo("sh0010_trial_v001");
        assertThat(client.get("/api/masters/" + master).get("renders")).isEmpty();
        long draft = render(Map.of("handles", 8), shot(0)).get(0);
        JsonNode seams = client.get("/api/masters/" + master).get("seams");
        assertThat(list(seams)).allSatisfy(s -> assertThat(s.get("renderBend").asLong()).isZero());
        long last = render(Map.of("grade", "FINAL", "handles", 8), shot(0)).get(0);
        assertThat(of(last).get("name")).isEqualTo(of(draft).get("name"));
        assertThat(of(last).get("folder").asString()).contains("/final/").doesNotContain("/draft/");
        JsonNode laid = client.get("/api/masters/" + master).get("renders").get(0);
        assertThat(laid.get("renderId").asLong()).isEqualTo(last);
        assertThat(laid.get("grade").asString()).isEqualTo("FINAL");
    }

    @Test
    void picturesAreNumberedByTheShotInAFolderOfTheirOwnAndOtherFilesAreWrittenLater() throws Exception {
        long id = render(Map.of("recipe", writing("PNG8"), "recipeName", "Stills", "handles", 2), shot(0)).get(0);
        JsonNode files = client.get("/api/renders/" + id + "/files");
        assertThat(list(files)).filteredOn(f -> f.get("kind").asString().equals("PNG8")).singleElement().satisfies(f -> {
            assertThat(f.get("first").asString()).endsWith("/draft/sh0010_v001/sh0010_v001.0999.png");
            assertThat(f.get("files").asLong()).isEqualTo(of(id).get("frames").asLong());
        });
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(client.bytes("/api/renders/" + id + "/files/PNG8")))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).hasSize((int) of(id).get("frames").asLong()).startsWith("sh0010_v001.0999.png", "sh0010_v001.1000.png");
        Map<Path, FileTime> drawn = drawn(id);
        client.post("/api/renders/" + id + "/files", Map.of("kind", "PRORES"));
        for (int i = 0; i < 200 && client.get("/api/renders/" + id + "/files").size() < 3; i++) {
            pause();
        }
        Path movie = Files.write(folder.resolve("a.mov"), client.bytes("/api/renders/" + id + "/files/PRORES"));
        assertThat(Probe.of(movie).frames()).isEqualTo(of(id).get("frames").asLong());
        assertThat(drawn(id)).as("nothing is drawn again").isEqualTo(drawn);
        assertThat(Client.message(client.tryPost("/api/renders/" + id + "/files", Map.of("kind", "EXR"))))
                .isEqualTo("The frames of sh0010_v001 have 8 bits: render it again for EXR");
    }

    private Map<Path, FileTime> drawn(long id) throws IOException {
        Map<Path, FileTime> times = new TreeMap<>();
        Path frames = TestServer.bean(Folders.class).frames().resolve(String.valueOf(id)).resolve("frames");
        if (Files.isDirectory(frames)) {
            try (Stream<Path> files = Files.list(frames)) {
                for (Path file : files.filter(f -> f.toString().endsWith(FrameFile.ENDING)).toList()) {
                    times.put(file, Files.getLastModifiedTime(file));
                }
            }
        }
        return times;
    }

    @Test
    @DisplayName("what is stopped in the middle goes on at its first missing frame, drawn as it was when it was begun")
    void goesOn() throws Exception {
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "FILL", "sections", List.of(sections.get(0).get("id").asLong()), "frames", 400, "ripple", true));
        long id = client.post("/api/projects/" + project + "/renders", ask(Map.of("recipe", writing("H264")), shot(0))).get(0).asLong();
        for (int i = 0; i < 400 && drawn(id).size() < 30; i++) {
            Thread.sleep(10);
        }
        client.post("/api/renders/" + id + "/pause", null);
        await(id, Set.of("PAUSED"));
        Thread.sleep(600);
        Map<Path, FileTime> before = drawn(id);
        assertThat(before.size()).isBetween(30, 399);
        new OnStage(client).set(shot(0), 1001, Map.of("lens", 85.0));
        client.post("/api/renders/" + id + "/go-on", null);
        JsonNode done = await(id, Set.of("DONE", "FAILED"));
        assertThat(done.get("state").asString()).isEqualTo("DONE");
        assertThat(drawn(id)).hasSize(400).containsAllEntriesOf(before);
        Path movie = Files.write(folder.resolve("a.mp4"), client.bytes("/api/renders/" + id + "/movie"));
        assertThat(Probe.of(movie).frames()).isEqualTo(400);
        assertThat(list(done.get("stale")).stream().map(JsonNode::asString)).as("the edit came later").containsExactly("camera");
    }

    @Test
    void recipesAreKeptRenamedTakenAwayAndUndone() {
        assertThat(recipe("Review").get("look").get("width").asInt()).isEqualTo(1280);
        String edits = "/api/projects/" + project + "/recipes/edits";
        client.post(edits, Map.of("kind", "KEEP_RECIPE", "name", "Small", "recipe", writing("JPEG")));
        assertThat(recipe("Small").get("outputs").get(0).get("kind").asString()).isEqualTo("JPEG");
        client.post(edits, Map.of("kind", "RENAME_RECIPE", "name", "Small", "to", "Tiny"));
        client.post(edits, Map.of("kind", "MAKE_RECIPE_USUAL", "name", "Tiny"));
        assertThat(list(client.get("/api/projects/" + project + "/recipes"))).filteredOn(r -> r.get("usual").asBoolean()).singleElement()
                .satisfies(r -> assertThat(r.get("name").asString()).isEqualTo("Tiny"));
        client.post(edits, Map.of("kind", "REMOVE_RECIPE", "name", "Tiny"));
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(recipe("Tiny")).isNotNull();
        assertThat(Client.message(client.tryPost(edits, Map.of("kind", "RENAME_RECIPE", "name", "Tiny", "to", "review")))).isEqualTo(
                "There is a recipe review already");
        Map<String, Object> bad = writing("PNG8");
        bad.put("runName", "{shot}");
        assertThat(Client.message(client.tryPost(edits, Map.of("kind", "KEEP_RECIPE", "name", "Bad", "recipe", bad)))).contains(
                "All pictures of a run would be called {shot}: put {frame} into the name");
    }

    @Test
    void whatWillBeWrittenIsSaidBefore() {
        JsonNode forecast = client.post("/api/projects/" + project + "/renders/forecast", ask(Map.of("recipe", writing("PNG8"), "handles", 8), shot(0), shot(1)));
        assertThat(forecast.get("renders").asInt()).isEqualTo(2);
        long frames = sections.get(1).get("out").asLong() - sections.get(0).get("in").asLong() + 32;
        assertThat(forecast.get("frames").asLong()).isEqualTo(frames);
        assertThat(forecast.get("first").asString()).endsWith("/draft/sh0010_v001/sh0010_v001.0993.png");
        assertThat(forecast.get("leastBytes").asDouble()).isPositive().isLessThan(forecast.get("mostBytes").asDouble());
        assertThat(list(forecast.get("findings"))).extracting(f -> f.get("words").asString()).containsExactly("camera never touched", "camera never touched");
        assertThat(list(client.get("/api/projects/" + project + "/renders"))).as("nothing was done").isEmpty();
    }
}
