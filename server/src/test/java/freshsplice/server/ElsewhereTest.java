package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.render.Pixels;
import freshsplice.render.Probe;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Movies and runs of pictures that other programs made, as versions of shots. */
@ExtendWith(TestServer.class)
class ElsewhereTest {
    private final Client client = new Client(TestServer.address());
    @TempDir
    Path folder;
    private long project;
    private long master;
    private AskedRenders renders;
    private List<JsonNode> clips;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Elsewhere " + System.nanoTime(), Material.clips(2));
        project = received.project();
        master = received.master();
        renders = new AskedRenders(client, project, master);
        clips = list(client.get("/api/masters/" + master).get("clips"));
    }

    private static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    private String code(int clip) {
        return clips.get(clip).get("code").asString();
    }

    private long first(int clip) {
        return clips.get(clip).get("shotFirst").asLong();
    }

    private long length(int clip) {
        return clips.get(clip).get("out").asLong() - clips.get(clip).get("in").asLong();
    }

    /** A picture that says its number: its red is that many. */
    private static byte[] picture(int value, int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                image.setRGB(x, y, new Color(value, 40, 90).getRGB());
            }
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image, "png", png);
        return png.toByteArray();
    }

    private Map<String, byte[]> run(String name, long first, long count) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (long k = 0; k < count; k++) {
            files.put(String.format("%s.%04d.png", name, first + k), picture((int) (k * 5 % 250), 320, 180));
        }
        return files;
    }

    private List<JsonNode> offers(Map<String, byte[]> files, Map<String, Object> more) {
        Map<String, Object> body = new java.util.HashMap<>(Map.of("names", List.copyOf(files.keySet())));
        body.putAll(more);
        return list(client.post("/api/projects/" + project + "/versions/offers", body));
    }

    @Test
    @DisplayName("a run is a version of the shot that its name says, frame for frame: it stands for the clip and is never stale")
    void runOfPictures() throws Exception {
        Map<String, byte[]> files = run(code(0).toUpperCase(java.util.Locale.ROOT) + "_v003", first(0), length(0));
        client.upload("/api/projects/" + project + "/files", files);
        assertThat(offers(files, Map.of())).singleElement().satisfies(o -> {
            assertThat(o.get("render").asString()).isEqualTo(code(0) + "_v003");
            assertThat(o.get("wrong").asString()).isEmpty();
            assertThat(o.get("words")).isEmpty();
            assertThat(o.get("from").asLong()).isEqualTo(first(0));
        });
        long id = client.post("/api/projects/" + project + "/versions", Map.of("names", List.copyOf(files.keySet()))).get(0).asLong();
        JsonNode render = renders.ended(id);
        assertThat(render.get("state").asString()).as("%s", render).isEqualTo("DONE");
        assertThat(render.get("elsewhere").asBoolean()).isTrue();
        for (int k = 0; k < length(0); k += 7) {
            Pixels frame = AskedRenders.frame(id, k);
            assertThat(frame.bytes()[0] & 0xFF).as("frame %d", k).isEqualTo(k * 5 % 250);
        }
        Path movie = Files.write(folder.resolve("m.mp4"), client.bytes("/api/renders/" + id + "/movie"));
        assertThat(Probe.of(movie).frames()).isEqualTo(length(0));
        JsonNode shot = list(client.get("/api/masters/" + master).get("shots")).get(0);
        assertThat(shot.get("covered").asLong()).isEqualTo(length(0));
        assertThat(shot.get("stand").asString()).isEmpty();
    }

    @Test
    @DisplayName("a movie comes back from its own list's name: what we wrote is taken in at the same frames, dropped on another shot on that")
    void movie() throws Exception {
        long ours = client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(clips.get(1).get("shotId").asLong()), "master", false,
                "width", 320, "height", 180, "burnIn", false, "blur", false)).get(0).asLong();
        renders.ended(ours);
        Map<String, byte[]> files = Map.of(code(1) + "_v007.mp4", client.bytes("/api/renders/" + ours + "/movie"));
        client.upload("/api/projects/" + project + "/files", files);
        assertThat(offers(files, Map.of())).singleElement().satisfies(o -> {
            assertThat(o.get("render").asString()).isEqualTo(code(1) + "_v007");
            assertThat(o.get("from").asLong()).as("by its timecode").isEqualTo(first(1));
            assertThat(o.get("words")).isEmpty();
        });
        JsonNode dropped = offers(files, Map.of("shotId", clips.get(0).get("shotId").asLong())).get(0);
        assertThat(dropped.get("render").asString()).isEqualTo(code(0) + "_v007");
        long id = client.post("/api/projects/" + project + "/versions", Map.of("names", List.copyOf(files.keySet()), "grade", "FINAL",
                "cameras", Map.of(code(1) + "_v007.mp4", 1))).get(0).asLong();
        assertThat(renders.ended(id).get("frames").asLong()).isEqualTo(length(1));
        assertThat(renders.of(id).get("cameraOf").asInt()).as("as was said").isEqualTo(1);
        Map<String, byte[]> again = Map.of(code(1) + "_v001.mp4", client.bytes("/api/renders/" + ours + "/movie"));
        client.upload("/api/projects/" + project + "/files", again);
        assertThat(offers(again, Map.of())).singleElement().satisfies(o -> {
            assertThat(o.get("cameraOf").asInt()).as("as its name says").isEqualTo(1);
            assertThat(o.get("cameras")).as("ours alone").hasSize(1);
        });
        long named = client.post("/api/projects/" + project + "/versions", Map.of("names", List.copyOf(again.keySet()))).get(0).asLong();
        assertThat(renders.ended(named).get("cameraOf").asInt()).isEqualTo(1);
        long unknown = client.post("/api/projects/" + project + "/versions", Map.of("names", List.copyOf(again.keySet()), "cameras",
                Map.of(code(1) + "_v001.mp4", 0))).get(0).asLong();
        assertThat(renders.ended(unknown).has("cameraOf")).as("nobody knows").isFalse();
    }

    @Test
    @DisplayName("a movie that came as ProRes is handed back as that, picture for picture, with the version's name and timecode, also when a list "
            + "names the file alone")
    void prores() throws Exception {
        Path made = folder.resolve("made.mov");
        Process ffmpeg = new ProcessBuilder("ffmpeg", "-v", "error", "-f", "lavfi", "-i", "testsrc=size=320x180:rate=24", "-frames:v",
                String.valueOf(length(0)), "-c:v", "prores_ks", "-profile:v", "1", made.toString()).start();
        assertThat(ffmpeg.waitFor()).isZero();
        Map<String, byte[]> files = Map.of(code(0) + "_v004.mov", Files.readAllBytes(made));
        client.upload("/api/projects/" + project + "/files", files);
        long id = client.post("/api/projects/" + project + "/versions", Map.of("names", List.copyOf(files.keySet()), "grade", "FINAL")).get(0).asLong();
        assertThat(renders.ended(id).get("state").asString()).isEqualTo("DONE");
        List<JsonNode> written = list(client.get("/api/renders/" + id + "/files"));
        assertThat(written).extracting(f -> f.get("kind").asString()).containsExactlyInAnyOrder("H264", "PRORES");
        Path kept = Files.write(folder.resolve("kept.mov"), client.bytes("/api/renders/" + id + "/files/PRORES"));
        Probe probe = Probe.of(kept);
        assertThat(probe.codec()).isEqualTo("prores");
        assertThat(probe.frames()).isEqualTo(length(0));
        assertThat(md5(kept)).as("no picture was made anew").isEqualTo(md5(made));
        String list = new String(client.postForBytes("/api/projects/" + project + "/hand-back/edl?master=" + master),
                java.nio.charset.StandardCharsets.UTF_8);
        assertThat(list).contains("* SOURCE FILE: " + code(0) + "_v004.mov").contains("FROM CLIP NAME: " + code(0) + "_v004");
        assertThat(list).as("by its own timecode").contains(probe.timecode() + " ");
    }

    /** Of all coded pictures of a movie. */
    private static String md5(Path movie) throws Exception {
        Process ffmpeg = new ProcessBuilder("ffmpeg", "-v", "error", "-i", movie.toString(), "-map", "0:v", "-c", "copy", "-f", "md5", "-").start();
        return new String(ffmpeg.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.US_ASCII).strip();
    }

    /** Its first clip is the run; picture 3 of it is not there, so that the one before is seen (as everywhere a run is shown). */
    @Test
    @DisplayName("a run that the cut itself names is the board of its shot in renders too, frame for frame, and a gap in it shows what was before")
    void runAsBoard() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>(run("wave", 90_000, 12));
        files.remove("wave.90003.png");
        files.put("e.edl", Material.edl("Waves", List.of(new Material.Clip("wave.####.png", 90_000, 12))));
        Received received = Received.of(client, "Waves " + System.nanoTime(), files);
        AskedRenders waves = new AskedRenders(client, received.project(), received.master());
        long whole = waves.render(Map.of("master", true, "recipe", AskedRenders.recipe(Map.of(), Map.of(), "PNG8"))).get(0);
        assertThat(waves.of(whole).get("state").asString()).isEqualTo("DONE");
        for (int k = 0; k < 12; k++) {
            Pixels frame = AskedRenders.frame(whole, k);
            // below the words that say that nobody staged it
            assertThat(frame.bytes()[(60 * 160 + 80) * 3] & 0xFF).as("frame %d", k).isBetween((k == 3 ? 2 : k) * 5 - 1, (k == 3 ? 2 : k) * 5 + 1);
        }
        long shot = list(client.get("/api/masters/" + received.master()).get("clips")).get(0).get("shotId").asLong();
        long over = waves.render(Map.of("recipe", AskedRenders.recipe(Map.of("board", 100), Map.of(), "PNG8")), shot).get(0);
        assertThat(AskedRenders.frame(over, 7).bytes()[(60 * 160 + 80) * 3] & 0xFF).isBetween(34, 36);
    }

    @Test
    @DisplayName("gaps, mixed sizes, and names of no shot are said beside each, and nothing of them is made")
    void whatCannotBe() throws Exception {
        Map<String, byte[]> files = run(code(0) + "_v002", first(0), length(0));
        files.remove(String.format("%s_v002.%04d.png", code(0), first(0) + 3));
        files.put(String.format("%s_v001.%04d.png", code(1), first(1)), picture(1, 320, 180));
        files.put(String.format("%s_v001.%04d.png", code(1), first(1) + 1), picture(2, 160, 90));
        files.put("nothing.png", picture(3, 320, 180));
        client.upload("/api/projects/" + project + "/files", files);
        assertThat(offers(files, Map.of())).extracting(o -> o.get("wrong").asString()).containsExactlyInAnyOrder(
                "it has gaps: " + (first(0) + 3) + " is missing", "its pictures are of several sizes: 320 x 180 and 160 x 90",
                "its name is no shot's: call it as SHOT_v001, or drop it on a shot");
        assertThat(client.tryPost("/api/projects/" + project + "/versions", Map.of("names", List.copyOf(files.keySet()))).statusCode()).isEqualTo(422);
        assertThat(client.tryPost("/api/projects/" + project + "/versions", Map.of("names", List.of(), "grade", "TRIAL")).statusCode()).isEqualTo(422);
        assertThat(client.get("/api/projects/" + project + "/renders")).isEmpty();
    }
}
