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
import java.util.Arrays;
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
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** Renders of any range into any files, that go on where they stood. */
@ExtendWith(TestServer.class)
class RenderJobsTest {
    private final Client client = new Client(TestServer.address());
    @TempDir
    Path folder;
    private long project;
    private long master;
    private AskedRenders renders;
    private List<JsonNode> clips;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Jobs " + System.nanoTime(), Material.clips(3));
        project = received.project();
        master = received.master();
        renders = new AskedRenders(client, project, master);
        look();
    }

    private void look() {
        clips = list(client.get("/api/masters/" + master).get("clips"));
    }

    private static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    private long shot(int clip) {
        return clips.get(clip).get("shotId").asLong();
    }

    private JsonNode recipe(String name) {
        return list(client.get("/api/projects/" + project + "/recipes")).stream().filter(r -> r.get("name").asString().equals(name)).findFirst()
                .orElseThrow().get("recipe");
    }

    private static Map<String, Object> writing(String... kinds) {
        return AskedRenders.recipe(Map.of(), Map.of(), kinds);
    }

    @Test
    @DisplayName("a stop that fails at the second of its two writes changes nothing, and can be asked for again")
    void stopIsOneTransaction() {
        List<Long> ids = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            client.post("/api/projects/" + project + "/renders", renders.ask(Map.of("every", 1, "extent", "CLIPS"), shot(i))).forEach(id -> ids.add(id.asLong()));
        }
        long last = ids.get(ids.size() - 1);
        client.post("/api/renders/" + last + "/pause", null);
        assertThat(renders.of(last).get("state").asString()).isEqualTo("PAUSED");
        JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
        TransactionTemplate held = TestServer.bean(TransactionTemplate.class);
        // other renders come to their ends beside it
        jdbc.execute("create trigger no_taking_away before delete on scheduled_writing for each row begin if old.task_name = 'never' then "
                + "signal sqlstate '45000' set message_text = 'no'; end if; end");
        try {
            held.executeWithoutResult(status -> jdbc.update("insert into scheduled_writing (task_name, task_instance, execution_time, picked, version) "
                    + "values ('never', ?, '2037-01-01', false, 1)", String.valueOf(last)));
            assertThat(client.tryPost("/api/renders/" + last + "/stop", null).statusCode()).isGreaterThanOrEqualTo(500);
            assertThat(renders.of(last).get("state").asString()).isEqualTo("PAUSED");
        } finally {
            jdbc.execute("drop trigger no_taking_away");
            held.executeWithoutResult(status -> jdbc.update("delete from scheduled_writing where task_name = 'never'"));
        }
        client.post("/api/renders/" + last + "/stop", null);
        ids.forEach(renders::ended);
    }

    @Test
    @DisplayName("the second clip of a shot is rendered too: near ones in one movie, far ones in one each; then nothing is missing")
    void allClips() {
        long shot = shot(0);
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "DUPLICATE", "clips", List.of(clips.get(0).get("id").asLong())));
        look();
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SLIP", "clips", List.of(clips.get(1).get("id").asLong()), "frames", 200));
        List<Long> both = renders.render(Map.of(), shot);
        assertThat(both).hasSize(2);
        JsonNode state = list(client.get("/api/masters/" + master).get("shots")).stream().filter(s -> s.get("shotId").asLong() == shot).findFirst().orElseThrow();
        assertThat(state.get("stand").asString()).isEmpty();
        assertThat(state.get("covered").asLong()).isEqualTo(state.get("frames").asLong());
        assertThat(client.get("/api/masters/" + master).get("gaps")).isEmpty();
        assertThat(renders.render(Map.of("extent", "MISSING"), shot)).isEmpty();
    }

    @Test
    @DisplayName("a master is joined from its shots' renders: their very frames, only what none has is drawn; a newer render makes it stale")
    void joined() throws Exception {
        List<Long> shots = renders.render(Map.of(), shot(0), shot(1));
        long whole = renders.render(Map.of("shotIds", List.of(), "master", true, "joined", true)).get(0);
        long start = client.get("/api/masters/" + master).get("start").asLong();
        for (int clip = 0; clip < 2; clip++) {
            long in = clips.get(clip).get("in").asLong();
            for (long k = 0; k < clips.get(clip).get("out").asLong() - in; k++) {
                assertThat(Files.isSameFile(AskedRenders.keptFrame(whole, in - start + k), AskedRenders.keptFrame(shots.get(clip), k))).as("clip %d, frame %d", clip, k).isTrue();
            }
        }
        long drawn = clips.get(2).get("out").asLong() - clips.get(2).get("in").asLong();
        long all = renders.of(whole).get("frames").asLong();
        assertThat(new String(client.bytes("/api/renders/" + whole + "/log"), java.nio.charset.StandardCharsets.UTF_8))
                .contains(all - drawn + " frames taken from finished renders as they are");
        Path movie = Files.write(folder.resolve("m.mp4"), client.bytes("/api/renders/" + whole + "/movie"));
        assertThat(Probe.of(movie).frames()).isEqualTo(all);
        assertThat(renders.of(whole).get("stale")).isEmpty();
        renders.render(Map.of(), shot(0));
        assertThat(list(renders.of(whole).get("stale"))).extracting(JsonNode::asString).containsExactly("renders");
    }

    @Test
    @DisplayName("joined at another size, frames come from the movies; a camera over the whole action, and one picture of each camera")
    void joinedOtherwiseAndStills() throws Exception {
        long in = clips.get(0).get("shotFirst").asLong();
        renders.render(Map.of("extent", "RANGE", "in", in, "out", in + 300), shot(0));
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SPEED", "clips", List.of(clips.get(0).get("id").asLong()),
                "speed", "2"));
        renders.render(Map.of(), shot(1), shot(2));
        long whole = renders.render(Map.of("shotIds", List.of(), "master", true, "joined", true, "width", 320, "height", 180)).get(0);
        assertThat(renders.of(whole).get("state").asString()).isEqualTo("DONE");
        assertThat(new String(client.bytes("/api/renders/" + whole + "/log"), java.nio.charset.StandardCharsets.UTF_8)).contains("; ").contains("0 frames taken");
        List<Long> stills = renders.render(Map.of("extent", "STILL", "when", "FIRST"), shot(0), shot(1), shot(2));
        assertThat(stills).hasSize(3).allSatisfy(id -> {
            assertThat(renders.of(id).get("frames").asLong()).isEqualTo(1);
            assertThat(list(client.get("/api/renders/" + id + "/files"))).extracting(f -> f.get("kind").asString()).contains("PNG8");
        });
        assertThat(renders.of(stills.get(0)).get("fromFrame").asLong()).isEqualTo(clips.get(0).get("shotFirst").asLong());
        long action = renders.render(Map.of("extent", "ACTION"), shot(0)).get(0);
        assertThat(renders.of(action).get("frames").asLong()).isGreaterThan(clips.get(0).get("out").asLong() - clips.get(0).get("in").asLong());
        assertThat(client.tryPost("/api/projects/" + project + "/renders", renders.ask(Map.of("extent", "MOMENT"), shot(0))).statusCode()).isEqualTo(422);
    }

    @Test
    @DisplayName("what is missing after a range was rendered is counted as a gap, and drawn alone")
    void rangeThenMissing() throws IOException {
        long first = clips.get(0).get("shotFirst").asLong();
        long frames = clips.get(0).get("out").asLong() - clips.get(0).get("in").asLong();
        renders.render(Map.of("extent", "RANGE", "in", first + 4, "out", first + 10), shot(0));
        List<JsonNode> gaps = list(client.get("/api/masters/" + master).get("gaps"));
        assertThat(gaps).extracting(g -> g.get("out").asLong() - g.get("in").asLong()).containsExactly(4L, frames - 10);
        List<Long> rest = renders.render(Map.of("extent", "MISSING"), shot(0));
        assertThat(rest).hasSize(2);
        assertThat(renders.of(rest.get(0)).get("frames").asLong()).isEqualTo(4);
        assertThat(client.get("/api/masters/" + master).get("gaps")).isEmpty();
        String list = new String(client.send(client.to("/api/projects/" + project + "/hand-back/edl?master=" + master).POST(
                java.net.http.HttpRequest.BodyPublishers.noBody())).body(), java.nio.charset.StandardCharsets.US_ASCII);
        assertThat(list).contains("sh0010_v001").contains("sh0010_v002").contains("sh0010_v003");
    }

    @Test
    @DisplayName("a list that is handed back points at the movie for the edit room, by the name that the recipe gave it, also where it was written later")
    void delivered() throws IOException {
        Map<String, Object> recipe = AskedRenders.recipe(Map.of(), Map.of("movieName", "cut-{shot}-{version}"), "PRORES");
        renders.render(Map.of("recipe", recipe), shot(0));
        assertThat(handedBack("xmeml")).contains("cut-sh0010-v001.mov").contains(">sh0010_v001<").doesNotContain("sh0010_v001.mp4");
        long second = renders.render(Map.of(), shot(1)).get(0);
        assertThat(handedBack("xmeml")).contains("sh0020_v001.mp4");
        client.post("/api/renders/" + second + "/files", Map.of("kind", "PRORES"));
        awaitFiles(second, 2);
        assertThat(handedBack("xmeml")).contains("sh0020_v001.mov").doesNotContain("sh0020_v001.mp4");
    }

    @Test
    @DisplayName("kept frames are counted, and let go of when nothing works on them: files stay, what needs frames says what to do")
    void keptFrames() throws IOException {
        long done = renders.render(Map.of(), shot(0)).get(0);
        JsonNode kept = client.get("/api/projects/" + project + "/kept-frames").get(0);
        assertThat(kept.get("id").asLong()).isEqualTo(done);
        assertThat(kept.get("frames").asLong()).isEqualTo(renders.of(done).get("frames").asLong());
        long freed = Long.parseLong(new String(client.tryPost("/api/projects/" + project + "/kept-frames/let-go", Map.of("renders", List.of(done))).body(),
                java.nio.charset.StandardCharsets.US_ASCII));
        assertThat(freed).isEqualTo(kept.get("bytes").asLong()).isPositive();
        assertThat(client.get("/api/projects/" + project + "/kept-frames")).isEmpty();
        assertThat(client.bytes("/api/renders/" + done + "/movie")).isNotEmpty();
        assertThat(Client.message(client.tryPost("/api/renders/" + done + "/files", Map.of("kind", "PRORES")))).contains("were let go: render it again");
        client.post("/api/projects/" + project + "/renders", renders.ask(Map.of("width", 1280, "height", 720), shot(1), shot(2)));
        long open = list(client.get("/api/projects/" + project + "/renders")).stream().filter(r -> !r.get("state").asString().equals("DONE")).findFirst()
                .orElseThrow().get("id").asLong();
        client.post("/api/renders/" + open + "/pause", null);
        assertThat(Client.message(client.tryPost("/api/projects/" + project + "/kept-frames/let-go", Map.of("renders", List.of(open))))).contains("stop it first");
        client.post("/api/renders/" + open + "/stop", null);
    }

    private void awaitFiles(long id, int count) {
        for (int i = 0; i < 2400 && client.get("/api/renders/" + id + "/files").size() < count; i++) {
            AskedRenders.pause();
        }
    }

    private String handedBack(String format) throws IOException {
        return new String(client.send(client.to("/api/projects/" + project + "/hand-back/" + format + "?master=" + master).POST(
                java.net.http.HttpRequest.BodyPublishers.noBody())).body(), java.nio.charset.StandardCharsets.UTF_8);
    }

    @Test
    @DisplayName("a final takes the name of the draft and stands where it stood; a trial never counts; handles bend no seam")
    void grades() {
        long trial = renders.render(Map.of("grade", "TRIAL", "every", 2), shot(0)).get(0);
        assertThat(renders.of(trial).get("name").asString()).isEqualTo("sh0010_trial_v001");
        assertThat(client.get("/api/masters/" + master).get("renders")).isEmpty();
        long draft = renders.render(Map.of("handles", 8), shot(0)).get(0);
        JsonNode seams = client.get("/api/masters/" + master).get("seams");
        assertThat(list(seams)).allSatisfy(s -> assertThat(s.get("renderOffset").asLong()).isZero());
        long last = renders.render(Map.of("grade", "FINAL", "handles", 8), shot(0)).get(0);
        assertThat(renders.of(last).get("name")).isEqualTo(renders.of(draft).get("name"));
        assertThat(renders.of(last).get("folder").asString()).contains("/final/").doesNotContain("/draft/");
        JsonNode laid = client.get("/api/masters/" + master).get("renders").get(0);
        assertThat(laid.get("renderId").asLong()).isEqualTo(last);
        assertThat(laid.get("grade").asString()).isEqualTo("FINAL");
    }

    @Test
    void picturesAreNumberedByTheShotInAFolderOfTheirOwnAndOtherFilesAreWrittenLater() throws Exception {
        long id = renders.render(Map.of("recipe", writing("PNG8"), "recipeName", "Stills", "handles", 2), shot(0)).get(0);
        JsonNode files = client.get("/api/renders/" + id + "/files");
        assertThat(list(files)).filteredOn(f -> f.get("kind").asString().equals("PNG8")).singleElement().satisfies(f -> {
            assertThat(f.get("first").asString()).endsWith("/draft/sh0010_v001/sh0010_v001.0999.png");
            assertThat(f.get("files").asLong()).isEqualTo(renders.of(id).get("frames").asLong());
        });
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(client.bytes("/api/renders/" + id + "/files/PNG8")))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).hasSize((int) renders.of(id).get("frames").asLong()).startsWith("sh0010_v001.0999.png", "sh0010_v001.1000.png");
        Map<Path, FileTime> drawn = drawn(id);
        client.post("/api/renders/" + id + "/files", Map.of("kind", "PRORES"));
        awaitFiles(id, 3);
        Path movie = Files.write(folder.resolve("a.mov"), client.bytes("/api/renders/" + id + "/files/PRORES"));
        assertThat(Probe.of(movie).frames()).isEqualTo(renders.of(id).get("frames").asLong());
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

    /** A render stopped with some of its frames drawn. */
    private long stopped(int frames) throws IOException, InterruptedException {
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "FILL", "clips", List.of(clips.get(0).get("id").asLong()), "frames", 400, "ripple", true));
        long id = client.post("/api/projects/" + project + "/renders", renders.ask(Map.of(), shot(0))).get(0).asLong();
        for (int i = 0; i < 6000 && drawn(id).size() < frames; i++) {
            Thread.sleep(10);
        }
        client.post("/api/renders/" + id + "/stop", null);
        renders.await(id, Set.of("STOPPED"));
        // the frame that was being drawn comes to its end
        Thread.sleep(600);
        return id;
    }

    @Test
    @DisplayName("a stopped render keeps its frames when another of its shot and grade is finished, and goes on with them")
    void besideAFinishedOne() throws Exception {
        long stopped = stopped(20);
        Map<Path, FileTime> before = drawn(stopped);
        long first = clips.get(0).get("shotFirst").asLong();
        long range = renders.render(Map.of("extent", "RANGE", "in", first, "out", first + 6), shot(0)).get(0);
        assertThat(drawn(stopped)).isEqualTo(before);
        client.post("/api/renders/" + stopped + "/go-on", null);
        assertThat(renders.await(stopped, Set.of("DONE", "FAILED")).get("state").asString()).isEqualTo("DONE");
        assertThat(drawn(stopped)).containsAllEntriesOf(before);
        assertThat(drawn(range)).as("of another range").hasSize(6);
        long again = renders.render(Map.of(), shot(0)).get(0);
        assertThat(drawn(again)).hasSize(400);
        // it is let go once the newer one is told to be done
        for (int i = 0; i < 600 && Files.exists(AskedRenders.keptFrame(stopped, 0)); i++) {
            AskedRenders.pause();
        }
        assertThat(Files.exists(AskedRenders.keptFrame(stopped, 0))).as("an older one of the same frames").isFalse();
    }

    @Test
    @DisplayName("a kept frame that the disk damaged or lost is drawn again, and the render comes to its end")
    void damagedFrames() throws Exception {
        long id = stopped(20);
        byte[] whole = Files.readAllBytes(AskedRenders.keptFrame(id, 7));
        Files.write(AskedRenders.keptFrame(id, 7), Arrays.copyOf(whole, whole.length / 2));
        Files.write(AskedRenders.keptFrame(id, 0), new byte[0]);
        client.post("/api/renders/" + id + "/go-on", null);
        assertThat(renders.await(id, Set.of("DONE", "FAILED")).get("state").asString()).isEqualTo("DONE");
        assertThat(Files.readAllBytes(AskedRenders.keptFrame(id, 7))).isEqualTo(whole);
        assertThat(new String(client.bytes("/api/renders/" + id + "/log"), java.nio.charset.StandardCharsets.UTF_8)).contains("The kept frame 7 cannot be read")
                .contains("it is drawn again");
    }

    @Test
    @DisplayName("a render that was killed between its folder in the database and its job on the disk is begun anew and finished")
    void killedAsItBegan() throws Exception {
        long id = stopped(4);
        JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
        jdbc.update("update render set folder = null where id = ?", id);
        jdbc.update("delete from render_part where render_id = ?", id);
        client.post("/api/renders/" + id + "/go-on", null);
        JsonNode done = renders.await(id, Set.of("DONE", "FAILED"));
        assertThat(done.get("state").asString()).isEqualTo("DONE");
        assertThat(done.get("stale")).isEmpty();
    }

    @Test
    @DisplayName("two projects of one name, in letters of any script, have folders of their own, and files keep the letters")
    void ownFolders() throws IOException {
        String name = "夜市 " + System.nanoTime();
        List<String> movies = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            Received received = Received.of(client, name, Material.clips(1));
            AskedRenders own = new AskedRenders(client, received.project(), received.master());
            long shot = client.get("/api/masters/" + received.master()).get("clips").get(0).get("shotId").asLong();
            long id = own.render(Map.of(), shot).get(0);
            movies.add(TestServer.bean(JdbcTemplate.class).queryForObject("select file from render where id = ?", String.class, id));
            assertThat(Files.exists(TestServer.bean(Folders.class).renders().resolve(movies.get(i)))).isTrue();
        }
        assertThat(movies).doesNotHaveDuplicates().allMatch(m -> m.startsWith("夜市_"));
    }

    @Test
    @DisplayName("what is stopped in the middle goes on at its first missing frame, drawn as it was when it was begun")
    void goesOn() throws Exception {
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "FILL", "clips", List.of(clips.get(0).get("id").asLong()), "frames", 400, "ripple", true));
        long id = client.post("/api/projects/" + project + "/renders", renders.ask(Map.of("recipe", writing("H264")), shot(0))).get(0).asLong();
        for (int i = 0; i < 6000 && drawn(id).size() < 30; i++) {
            Thread.sleep(10);
        }
        client.post("/api/renders/" + id + "/pause", null);
        renders.await(id, Set.of("PAUSED"));
        Thread.sleep(600);
        Map<Path, FileTime> before = drawn(id);
        assertThat(before.size()).isBetween(30, 399);
        new OnStage(client).set(shot(0), 1001, Map.of("lens", 85.0));
        client.post("/api/renders/" + id + "/go-on", null);
        JsonNode done = renders.await(id, Set.of("DONE", "FAILED"));
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
        JsonNode forecast = client.post("/api/projects/" + project + "/renders/forecast", renders.ask(Map.of("recipe", writing("PNG8"), "handles", 8), shot(0), shot(1)));
        assertThat(forecast.get("renders").asInt()).isEqualTo(2);
        long frames = clips.get(1).get("out").asLong() - clips.get(0).get("in").asLong() + 32;
        assertThat(forecast.get("frames").asLong()).isEqualTo(frames);
        assertThat(forecast.get("first").asString()).endsWith("/draft/sh0010_v001/sh0010_v001.0993.png");
        assertThat(forecast.get("leastBytes").asDouble()).isPositive().isLessThan(forecast.get("mostBytes").asDouble());
        assertThat(list(forecast.get("findings"))).extracting(f -> f.get("words").asString()).containsExactly("camera never touched", "camera never touched");
        assertThat(list(client.get("/api/projects/" + project + "/renders"))).as("nothing was done").isEmpty();
    }
}
