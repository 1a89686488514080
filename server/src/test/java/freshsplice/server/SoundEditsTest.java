package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import freshsplice.render.Probe;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.StreamSupport;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Sound under a master: tracks muted and alone, levels, fades, offsets; as it is rendered, measured by ffmpeg. */
@ExtendWith(TestServer.class)
@OwnProjects
class SoundEditsTest {
    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("a", 0, 48), new Material.Clip("b", 0, 48));

    @TempDir
    Path folder;

    private final Client client = new Client(TestServer.address());
    private long project;
    private long master;

    @BeforeEach
    void receive() throws IOException, InterruptedException {
        project = client.post("/api/projects", Map.of("name", "Sound")).get("id").asLong();
        Path tone = folder.resolve("tone.wav");
        ffmpeg("-f", "lavfi", "-i", "sine=frequency=440:sample_rate=48000:duration=4", tone.toString());
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("e.edl", Material.edl("Sound", CLIPS),
                "tone.wav", Files.readAllBytes(tone))).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        master = client.get("/api/projects/" + project).get("masterId").asLong();
    }

    private static String ffmpeg(String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-hide_banner", "-nostdin", "-y"));
        command.addAll(List.of(arguments));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    @Test
    @DisplayName("every second frame, and another rate: as long as the clip, with its sound; windows and a clip laid of it show its frames at their time")
    void heldAndAtAnotherRate() throws Exception {
        JsonNode clips = client.get("/api/masters/" + master).get("clips");
        long shot = clips.get(0).get("shotId").asLong();
        long in = clips.get(0).get("in").asLong();
        long frames = clips.get(0).get("out").asLong() - in;
        AskedRenders renders = new AskedRenders(client, project, master);
        Map<String, Object> recipe = AskedRenders.recipe(Map.of(), Map.of(), "H264");
        long held = renders.render(Map.of("recipe", recipe, "every", 2), shot).get(0);
        Map<String, Object> fifty = AskedRenders.recipe(Map.of(), Map.of("rate", "48"), "H264");
        long other = renders.render(Map.of("recipe", fifty), shot).get(0);
        Probe second = Probe.of(Files.write(folder.resolve("held.mp4"), client.bytes("/api/renders/" + held + "/movie")));
        assertThat(second.frames()).isEqualTo(frames);
        assertThat(second.sound()).isTrue();
        Probe quick = Probe.of(Files.write(folder.resolve("other.mp4"), client.bytes("/api/renders/" + other + "/movie")));
        assertThat(quick.frames()).isEqualTo(2 * frames);
        assertThat(quick.sound()).isTrue();
        assertThat(quick.seconds()).isCloseTo(frames / 24.0, Offset.offset(0.1));
        JsonNode shown = client.get("/api/masters/" + master + "/movie-frames?render=" + held + "&at=" + in);
        assertThat(shown.get("framesPerSecond").asDouble()).isEqualTo(12);
        assertThat(shown.get("frames").get(7).asLong()).isEqualTo(3);
        shown = client.get("/api/masters/" + master + "/movie-frames?render=" + other + "&at=" + in);
        assertThat(shown.get("framesPerSecond").asDouble()).isEqualTo(48);
        assertThat(shown.get("frames").get(7).asLong()).isEqualTo(14);
        assertThat(client.get("/api/masters/" + master).get("renders")).as("neither stands for the clip").isEmpty();
        for (long render : new long[] {held, other}) {
            client.post("/api/masters/" + master + "/edits", Map.of("kind", "PUT", "at", in + 200, "clip", Map.of("shows", "RENDER", "id", render)));
            JsonNode clip = StreamSupport.stream(client.get("/api/masters/" + master).get("clips").spliterator(), false)
                    .filter(p -> p.path("renderId").asLong() == render).findFirst().orElseThrow();
            assertThat(clip.get("out").asLong() - clip.get("in").asLong()).as("as long as it plays").isEqualTo(frames);
            assertThat(clip.get("speed").asString()).isEqualTo(render == held ? "1/2" : "2");
            assertThat(clip.get("renderFps").asDouble()).isEqualTo(render == held ? 12 : 48);
            client.post("/api/projects/" + project + "/undo", null);
        }
    }

    /** Mean loudness in decibels of a part of the rendered master; −91 is silence. */
    private double loudness(double from, double seconds) throws IOException, InterruptedException {
        long render = client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(), "master", true, "width",
                64, "height", 36, "burnIn", false, "blur", false)).get(0).asLong();
        for (int i = 0; i < 600; i++) {
            for (JsonNode r : client.get("/api/projects/" + project + "/renders")) {
                if (r.get("id").asLong() == render && r.get("state").asString().equals("DONE")) {
                    Path movie = Files.write(folder.resolve("m.mp4"), client.bytes("/api/renders/" + render + "/movie"));
                    Matcher mean = Pattern.compile("mean_volume: (-?[\\d.]+) dB").matcher(ffmpeg("-ss", "" + from, "-t",
                            "" + seconds, "-i", movie.toString(), "-af", "volumedetect", "-f", "null", "-"));
                    assertThat(mean.find()).isTrue();
                    return Double.parseDouble(mean.group(1));
                }
            }
            Thread.sleep(50);
        }
        throw new AssertionError("The render does not end");
    }

    @Test
    @DisplayName("AA over one stereo file plays its two channels, one on each side, as loud as they are in the file")
    void aChannelEach() throws Exception {
        Path stereo = folder.resolve("pair.wav");
        ffmpeg("-f", "lavfi", "-i", "sine=frequency=440:sample_rate=48000:duration=4", "-f", "lavfi", "-i",
                "sine=frequency=880:sample_rate=48000:duration=4", "-filter_complex",
                "[1:a]volume=-9dB[r];[0:a][r]join=inputs=2:channel_layout=stereo[o]", "-map", "[o]", stereo.toString());
        project = client.post("/api/projects", Map.of("name", "Pair")).get("id").asLong();
        String list = new String(Material.edl("Pair", CLIPS), StandardCharsets.UTF_8)
                + "003  pair AA C 00:00:00:00 00:00:04:00 01:00:00:00 01:00:04:00\n* FROM CLIP NAME: pair.wav\n";
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("e.edl", list.getBytes(StandardCharsets.UTF_8),
                "pair.wav", Files.readAllBytes(stereo))).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        master = client.get("/api/projects/" + project).get("masterId").asLong();
        JsonNode laid = client.get("/api/masters/" + master).get("sound");
        assertThat(laid).hasSize(2);
        assertThat(List.of(laid.get(0).get("channel").asInt(), laid.get(1).get("channel").asInt())).containsExactly(1, 2);
        loudness(0.5, 1);
        for (int side = 0; side < 2; side++) {
            assertThat(loudnessOf(folder.resolve("m.mp4"), side)).as("side %d", side)
                    .isCloseTo(loudnessOf(stereo, side), within(0.3));
        }
    }

    @Test
    @DisplayName("a file of one channel is heard on both sides as loud as it is")
    void mono() throws Exception {
        assertThat(loudness(0.5, 1)).isCloseTo(loudnessOf(folder.resolve("tone.wav"), 0), within(0.3));
    }

    private static double loudnessOf(Path file, int side) throws IOException, InterruptedException {
        Matcher mean = Pattern.compile("mean_volume: (-?[\\d.]+) dB").matcher(ffmpeg("-ss", "0.5", "-t", "1", "-i",
                file.toString(), "-af", "pan=mono|c0=c" + side + ",volumedetect", "-f", "null", "-"));
        assertThat(mean.find()).isTrue();
        return Double.parseDouble(mean.group(1));
    }

    private JsonNode sound() {
        return client.get("/api/masters/" + master).get("sound").get(0);
    }

    private void track(Map<String, Object> change) {
        Map<String, Object> all = new HashMap<>(change);
        all.put("name", sound().get("track").asString());
        client.post("/api/masters/" + master + "/sound-tracks", all);
    }

    private void clip(Map<String, Object> change) {
        client.post("/api/sounds/" + sound().get("id").asLong(), change);
    }

    @Test
    @DisplayName("half as loud is 6.02 dB less, twice that 12.04; muted is silence; undone it is as before")
    void levels() throws Exception {
        double plain = loudness(0.5, 1);
        clip(Map.of("level", -6.0206));
        assertThat(loudness(0.5, 1)).isCloseTo(plain - 6.02, within(0.2));
        track(Map.of("level", -6.0206));
        assertThat(loudness(0.5, 1)).isCloseTo(plain - 12.04, within(0.2));
        assertThat(sound().get("gain").asDouble()).isCloseTo(0.25, within(0.001));
        track(Map.of("muted", true));
        assertThat(sound().get("gain").asDouble()).isZero();
        client.post("/api/projects/" + project + "/undo", null);
        client.post("/api/projects/" + project + "/undo", null);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(loudness(0.5, 1)).isCloseTo(plain, within(0.1));
    }

    @Test
    @DisplayName("a fade over two seconds has a quarter of it 12 dB under, and an offset moves the sound against the picture")
    void fadesAndOffset() throws Exception {
        double plain = loudness(2.2, 1);
        clip(Map.of("fadeIn", 48));
        // around half a second in, a quarter of the way: 20·log10(1/4) = −12.04
        assertThat(loudness(0.49, 0.02)).isCloseTo(plain - 12.04, within(1.2));
        assertThat(loudness(2.2, 1)).isCloseTo(plain, within(0.2));
        clip(Map.of("fadeIn", 0));
        clip(Map.of("offset", 24));
        assertThat(sound().get("in").asLong()).isEqualTo(86_424);
        assertThat(loudness(0.1, 0.7)).isLessThan(plain - 40);
        assertThat(loudness(1.3, 1)).isCloseTo(plain, within(0.3));
        clip(Map.of("head", 12));
        assertThat(sound().get("fromSeconds").asDouble()).isEqualTo(0.5);
    }

    @Test
    @DisplayName("what cannot be is refused in a sentence")
    void refused() {
        long id = sound().get("id").asLong();
        String path = "/api/sounds/" + id;
        assertThat(Client.message(client.tryPost(path, Map.of("level", 40)))).contains("12 decibels");
        assertThat(Client.message(client.tryPost(path, Map.of("fadeIn", 80, "fadeOut", 80)))).contains("do not fit");
        assertThat(Client.message(client.tryPost(path, Map.of("head", -3)))).contains("cannot begin 3 frames earlier");
        assertThat(Client.message(client.tryPost(path, Map.of("tail", -2000)))).contains("at least one frame");
        assertThat(Client.message(client.tryPost("/api/masters/" + master + "/sound-tracks", Map.of("name", "A9", "muted",
                true)))).contains("no sound track");
    }

    @Test
    @DisplayName("an XML that names the tracks of a source plays those, whichever tracks they lie on")
    void namedTracks() throws Exception {
        String rate = "<rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate>";
        StringBuilder tracks = new StringBuilder();
        for (int track = 2; track >= 1; track--) {
            tracks.append("<track><clipitem id=\"s").append(track).append("\"><name>pair</name>").append(rate)
                    .append("<start>0</start><end>48</end><in>0</in><out>48</out><file id=\"f\"><name>pair.wav</name>").append(rate)
                    .append("<pathurl>file:///pair.wav</pathurl></file><sourcetrack><mediatype>audio</mediatype><trackindex>")
                    .append(track).append("</trackindex></sourcetrack></clipitem></track>");
        }
        String list = "<xmeml version=\"5\"><sequence><name>c</name>" + rate + "<media><video><track><clipitem id=\"v\"><name>"
                + "quay</name>" + rate + "<start>0</start><end>48</end><in>0</in><out>48</out></clipitem></track></video><audio>"
                + tracks + "</audio></media></sequence></xmeml>";
        long other = client.post("/api/projects", Map.of("name", "Named tracks")).get("id").asLong();
        long cut = client.upload("/api/projects/" + other + "/files", Map.of("c.xml", list.getBytes(StandardCharsets.UTF_8)))
                .get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        master = client.get("/api/projects/" + other).get("masterId").asLong();
        assertThat(sounds().valueStream().map(s -> s.get("track").asString() + " " + s.get("channel").asInt()))
                .containsExactlyInAnyOrder("A1 2", "A2 1");
    }

    private JsonNode sounds() {
        return client.get("/api/masters/" + master).get("sound");
    }

    private String laid() {
        return sounds().valueStream().map(s -> s.get("track").asString() + ":" + (s.get("in").asLong() - 86_400) + "-"
                + (s.get("out").asLong() - 86_400) + "@" + s.get("fromSeconds").asDouble()).sorted()
                .collect(java.util.stream.Collectors.joining(" "));
    }

    @Test
    @DisplayName("a sound is split, taken out and put in, each as a step that can be undone")
    void splitAndPut() throws Exception {
        String whole = laid();
        double plain = loudness(1.5, 1);
        long id = sound().get("id").asLong();
        long media = sound().get("mediaId").asLong();
        client.post("/api/sounds/" + id + "/split?at=" + (86_400 + 48), null);
        assertThat(laid()).startsWith("A1:0-48@0.0 A1:48-").endsWith("@2.0");
        assertThat(loudness(1.5, 1)).as("heard as it was, over the split too").isCloseTo(plain, within(0.1));
        client.post("/api/sounds/" + id + "/remove", null);
        assertThat(laid()).startsWith("A1:48-");
        long put = client.post("/api/masters/" + master + "/sounds", Map.of("mediaId", media, "at", 86_410, "track", "A1")).asLong();
        assertThat(put).isPositive();
        assertThat(laid()).as("it lies over none").contains("A1:48-").contains("A2:10-106@0.0");
        for (int i = 0; i < 3; i++) {
            client.post("/api/projects/" + project + "/undo", null);
        }
        assertThat(laid()).isEqualTo(whole);
        client.post("/api/projects/" + project + "/redo", null);
        assertThat(laid()).startsWith("A1:0-48@0.0 A1:48-");
        assertThat(Client.message(client.tryPost("/api/sounds/" + id + "/split?at=5", null))).contains("is split inside that");
        long picture = client.upload("/api/projects/" + project + "/files", Map.of("quay.png", Material.picture("quay", 64, 36)))
                .path("mediaIds").path(0).asLong(0);
        assertThat(client.tryPost("/api/masters/" + master + "/sounds", Map.of("mediaId", picture, "at", 0)).statusCode())
                .isBetween(400, 499);
    }
}
