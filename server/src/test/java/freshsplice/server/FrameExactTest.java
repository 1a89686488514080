package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.LongStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * The number of each action frame is drawn into the picture, as ten blocks that are there or not, and read back from
 * the rendered movie: what the file shows at a frame is what the frame chain says.
 */
@ExtendWith(TestServer.class)
@OwnProjects
class FrameExactTest {
    private static final int BITS = 10;
    private static final int W = 320;
    private static final int H = 180;

    @TempDir
    Path folder;

    private final Client client = new Client(TestServer.address());

    private long project;
    private long master;

    /** Two shots of 24 and 30 frames that film a counter: each action frame shows its number in lit blocks. */
    private void counted() throws IOException {
        project = client.post("/api/projects", Map.of("name", "Counted")).get("id").asLong();
        byte[] edl = """
                001  A V C 00:00:10:00 00:00:11:00 01:00:00:00 01:00:01:00
                * FROM CLIP NAME: a
                002  B V C 00:00:10:00 00:00:11:06 01:00:01:00 01:00:02:06
                * FROM CLIP NAME: b
                """.getBytes(java.nio.charset.StandardCharsets.UTF_8);
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("c.edl", edl)).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        JsonNode view = client.get("/api/projects/" + project);
        master = view.get("masterId").asLong();
        JsonNode clips = client.get("/api/masters/" + master).get("clips");
        clearSet(view.get("sceneId").asLong(), clips.get(0).get("shotId").asLong());
        buildCounter(view.get("sceneId").asLong());
        for (JsonNode clip : clips) {
            new OnStage(client).set(clip.get("shotId").asLong(), 1001, Map.of("x", 4.5, "y", 0.5, "z", 12.0, "pan", 0.0, "tilt", 0.0, "lens", 24.0));
        }
    }

    private List<Long> rendered() throws IOException, InterruptedException {
        long render = client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(), "master", true,
                "width", W, "height", H, "burnIn", false, "blur", false)).get(0).asLong();
        return read(movie(project, render));
    }

    /** The second shot goes into a scene where nothing stands: its frames show no number, the first shot's the same as before. */
    @Test
    void twoScenesInOneMasterAreRenderedEachWithItsOwnSet() throws Exception {
        counted();
        List<Long> before = rendered();
        long second = client.get("/api/masters/" + master).get("clips").get(1).get("shotId").asLong();
        long empty = client.post("/api/projects/" + project + "/scenes/edits", OnStage.edit("MOVE_SHOTS", Map.of("shots",
                List.of(second)))).get("scene").asLong();
        clearSet(empty, second);
        List<Long> after = rendered();
        assertThat(after.subList(0, 24)).isEqualTo(before.subList(0, 24));
        assertThat(after.subList(24, 54)).containsOnly(0L);
    }

    private void edit(String kind, int clip, Map<String, Object> more) {
        Map<String, Object> edit = new HashMap<>(more);
        edit.put("kind", kind);
        edit.put("clips", List.of(client.get("/api/masters/" + master).get("clips").get(clip).get("id").asLong()));
        client.post("/api/masters/" + master + "/edits", edit);
    }

    @Test
    void editsOfTheMasterAreRenderedFrameByFrame() throws Exception {
        counted();
        edit("REVERSE", 0, Map.of());
        edit("SLIP", 1, Map.of("frames", 10));
        edit("FILL", 1, Map.of("frames", 60, "ripple", true));
        edit("SPLIT", 1, Map.of("at", 86_434));
        edit("EXTRACT", 1, Map.of());
        edit("DUPLICATE", 0, Map.of());
        edit("HOLD", 1, Map.of("at", 86_428));
        edit("TAIL", 1, Map.of("frames", -4));

        List<Long> chain = new ArrayList<>();
        // the first shot backwards; its copy holds what it showed 4 frames in, then 4 frames of black
        LongStream.rangeClosed(0, 23).map(r -> 23 - r).forEach(chain::add);
        LongStream.range(0, 20).map(r -> 19).forEach(chain::add);
        LongStream.range(0, 4).map(r -> 0).forEach(chain::add);
        // the second slipped from action 24 to 34, at half speed, less its first 10 record frames: from 39 on, each twice
        LongStream.range(0, 50).map(r -> 39 + r / 2).forEach(chain::add);
        assertThat(rendered()).isEqualTo(chain);
    }

    private JsonNode view() {
        return client.get("/api/masters/" + master);
    }

    private void on(long ofMaster, String kind, List<Long> clips, Map<String, Object> more) {
        Map<String, Object> edit = new HashMap<>(more);
        edit.put("kind", kind);
        edit.put("clips", clips);
        client.post("/api/masters/" + ofMaster + "/edits", edit);
    }

    @Test
    void tracksNestsKeyedSpeedsRendersAndBlackAreRenderedFrameByFrame() throws Exception {
        counted();
        // the first shot's own movie, to stand on a track above as a render
        long first = view().get("clips").get(0).get("shotId").asLong();
        long render = client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(first), "master",
                false, "width", W, "height", H, "burnIn", false, "blur", false)).get(0).asLong();
        movie(project, render);
        // the first shot with a key in its middle, eight frames later: action 0 to 20 over twelve frames, 20 to 24 over twelve
        edit("KEY", 0, Map.of("at", 86_412));
        edit("MOVE_KEY", 0, Map.of("at", 86_412, "frames", 8));
        // the second in a master of its own, which is squeezed to ten frames: every third frame of it
        List<Long> second = List.of(view().get("clips").get(1).get("id").asLong());
        on(master, "NEST", second, Map.of("text", "Part"));
        List<Long> nest = List.of(view().get("clips").get(1).get("id").asLong());
        on(master, "FILL", nest, Map.of("frames", 10, "ripple", true));
        // on a track above: four frames of black, then the render from its frame 5 on, over the head of the nest
        on(master, "TRACK_ADD", List.of(), Map.of());
        long track = view().get("upper").get(0).get("track").get("id").asLong();
        on(master, "PUT", List.of(), Map.of("at", 86_418, "track", track, "clip", Map.of("shows", "BLACK", "frames", 4)));
        on(master, "PUT", List.of(), Map.of("at", 86_422, "track", track, "clip", Map.of("shows", "RENDER", "id", render,
                "from", 5, "frames", 4)));

        List<Long> chain = new ArrayList<>();
        LongStream.range(0, 12).map(r -> r * 20 / 12).forEach(chain::add);
        LongStream.range(12, 18).map(r -> 20 + (r - 12) * 4 / 12).forEach(chain::add);
        LongStream.range(0, 4).map(r -> 0).forEach(chain::add);
        LongStream.range(5, 9).forEach(chain::add);
        LongStream.range(2, 10).map(r -> 24 + 3 * r).forEach(chain::add);
        assertThat(rendered()).isEqualTo(chain);
    }

    @Test
    void everyFrameOfTheMasterShowsTheActionFrameThatTheChainSays() throws Exception {
        counted();
        client.post("/api/masters/" + master + "/seam", Map.of("at", 86_424, "frames", -7));
        // a slower second shot: the same frames over twice the time, by the edit room's next cut
        byte[] slower = """
                001  A V C 00:00:10:00 00:00:10:17 01:00:00:00 01:00:00:17
                * FROM CLIP NAME: a
                002  B V C 00:00:09:17 00:00:11:06 01:00:00:17 01:00:03:17
                M2   B 012.0 00:00:09:17
                * FROM CLIP NAME: b
                """.getBytes(java.nio.charset.StandardCharsets.UTF_8);
        long next = client.upload("/api/projects/" + project + "/files", Map.of("d.edl", slower)).get("cutId").asLong();
        client.post("/api/cuts/" + next + "/receive", null);
        client.applyChanges(next, client.get("/api/cuts/" + next + "/turnover").get("changes"));

        List<Long> counted = rendered();

        List<Long> chain = new ArrayList<>();
        // first shot: action 0 to 16; second: from action 17 at half speed, each action frame shown twice
        LongStream.range(0, 17).forEach(chain::add);
        LongStream.range(0, 72).map(r -> 17 + r / 2).forEach(chain::add);
        assertThat(counted).isEqualTo(chain);
    }

    private void clearSet(long scene, long shot) {
        client.get("/api/shots/" + shot + "/stage").get("items")
                .forEach(item -> new OnStage(client).scene(scene, "REMOVE", Map.of("items", List.of(item.get("id").asLong()), "frame", 0)));
    }

    private void buildCounter(long scene) {
        for (int bit = 0; bit < BITS; bit++) {
            long item = new OnStage(client).scene(scene, "ADD", Map.of("name", "bit " + bit, "shape", "BLOCK",
                    "colour", "#ffffff", "size", List.of(0.9, 0.9, 0.1), "x", bit, "y", 0, "z", 0, "turn", 0)).get(0).asLong();
            for (int frame = 0; frame < 128; frame++) {
                boolean on = (frame >> bit & 1) == 1;
                boolean before = frame > 0 && (frame - 1 >> bit & 1) == 1;
                if (frame == 0 || on != before) {
                    new OnStage(client).place(scene, item, frame, Map.of("shown", on ? 1.0 : 0.0), "STEPPED");
                }
            }
        }
    }

    private Path movie(long project, long render) throws IOException, InterruptedException {
        for (int i = 0; i < 600; i++) {
            String state = StreamSupport.stream(client.get("/api/projects/" + project + "/renders").spliterator(), false)
                    .filter(r -> r.get("id").asLong() == render).findFirst().orElseThrow().get("state").asString();
            if (!Set.of("WAITING", "DRAWING").contains(state)) {
                assertThat(state).isEqualTo("DONE");
                return Files.write(folder.resolve("m.mp4"), client.bytes("/api/renders/" + render + "/movie"));
            }
            Thread.sleep(100);
        }
        throw new AssertionError("The render does not end");
    }

    /** The count in each frame of the movie, read from where the blocks must be. */
    private static List<Long> read(Path movie) throws IOException {
        Process ffmpeg = new ProcessBuilder("ffmpeg", "-v", "error", "-i", movie.toString(), "-f", "rawvideo",
                "-pix_fmt", "gray", "-").start();
        byte[] all = ffmpeg.getInputStream().readAllBytes();
        assertThat(all.length % (W * H)).isZero();
        List<Long> counts = new ArrayList<>();
        double perMetre = W / (24.89 / 24 * 12);
        for (int frame = 0; frame < all.length / (W * H); frame++) {
            long count = 0;
            for (int bit = 0; bit < BITS; bit++) {
                int x = (int) Math.round(W / 2.0 + (bit - 4.5) * perMetre);
                int at = frame * W * H + (H / 2) * W + x;
                count |= (all[at] & 0xFF) > 205 ? 1L << bit : 0;
            }
            counts.add(count);
        }
        assertThat(FrameRate.FPS_24.seconds(counts.size()).signum()).isPositive();
        return counts;
    }
}
