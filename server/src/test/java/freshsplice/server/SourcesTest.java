package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.server.sources.HashLists;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.transaction.IllegalTransactionStateException;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** Pictures and sound are found again, changed by hand, and fall into their places whenever they come. */
@ExtendWith(TestServer.class)
@WholeServer
class SourcesTest {
    @TempDir
    Path folder;

    private final Client client = new Client(TestServer.address());
    private long project;

    @BeforeEach
    void newProject() {
        project = client.post("/api/projects", Map.of("name", "Sources")).get("id").asLong();
    }

    @AfterEach
    void emptyTheServersFolder() throws IOException {
        try (var files = Files.walk(TestServer.folder())) {
            for (Path file : files.sorted((a, b) -> b.compareTo(a)).toList()) {
                if (!file.equals(TestServer.folder())) {
                    Files.delete(file);
                }
            }
        }
    }

    private long cut(String... names) throws IOException {
        List<Material.Clip> clips = new ArrayList<>();
        for (String name : names) {
            clips.add(new Material.Clip(name, 86_400 + clips.size() * 500L, 24));
        }
        return give(Map.of("odd.edl", Material.edl("Odd", clips))).get("cutId").asLong();
    }

    private JsonNode give(Map<String, byte[]> files) throws IOException {
        return client.upload("/api/projects/" + project + "/files", files);
    }

    private JsonNode source(long cut, String name) {
        for (JsonNode source : client.get("/api/cuts/" + cut + "/sources")) {
            if (source.get("name").asString().equals(name)) {
                return source;
            }
        }
        throw new AssertionError("no source " + name);
    }

    private String found(long cut, String name) {
        return source(cut, name).path("found").asString("missing");
    }

    private JsonNode receive(long cut) {
        client.post("/api/cuts/" + cut + "/receive", null);
        return sequence();
    }

    private JsonNode sequence() {
        return client.get("/api/masters/" + client.get("/api/projects/" + project).get("masterId").asLong());
    }

    private void await(String what, java.util.function.BooleanSupplier there) {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
        while (!there.getAsBoolean()) {
            assertThat(System.nanoTime()).as(what).isLessThan(until);
            try {
                Thread.sleep(50);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private Path ffmpeg(String name, String... arguments) throws IOException {
        Path file = folder.resolve(name);
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-y"));
        command.addAll(List.of(arguments));
        command.add(file.toString());
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        try (InputStream said = process.getInputStream()) {
            String text = new String(said.readAllBytes(), StandardCharsets.UTF_8);
            assertThat(process.waitFor()).as(text).isZero();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        return file;
    }

    @Test
    @DisplayName("files with a numbering of their own are offered for what is missing, in order; given in one step, undone whole")
    void byOrder() throws IOException {
        long cut = cut("quay.png", "bell.png", "lamp.png", "gulls.png");
        give(Map.of("bell.png", Material.picture("bell", 64, 36)));
        Map<String, byte[]> numbered = new LinkedHashMap<>();
        List.of("10", "9", "1").forEach(n -> numbered.put("boards/" + n + ".png", Material.picture(n, 64, 36)));
        numbered.put("notes.png", Material.picture("notes", 64, 36));
        give(numbered);
        JsonNode offered = client.get("/api/cuts/" + cut + "/sources/by-order");
        Map<Long, String> unused = new LinkedHashMap<>();
        offered.get("unused").forEach(f -> unused.put(f.get("mediaId").asLong(), f.get("path").asString()));
        assertThat(unused.values()).containsExactlyInAnyOrder("boards/10.png", "boards/9.png", "boards/1.png", "notes.png");
        Map<String, Object> files = new LinkedHashMap<>();
        offered.get("pairs").forEach(p -> files.put(p.get("key").asString(), p.get("mediaId").asLong()));
        assertThat(offered.get("pairs").valueStream().map(p -> p.get("name").asString() + " "
                + unused.get(p.get("mediaId").asLong())))
                .containsExactly("quay.png boards/1.png", "lamp.png boards/9.png", "gulls.png boards/10.png");
        client.post("/api/projects/" + project + "/sources/by-order", Map.of("files", files));
        assertThat(source(cut, "gulls.png").get("file").asString()).isEqualTo("boards/10.png");
        assertThat(client.get("/api/cuts/" + cut + "/sources/by-order").get("pairs")).isEmpty();
        assertThat(client.get("/api/cuts/" + cut + "/sources/by-order").get("unused")).hasSize(1);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(found(cut, "quay.png") + found(cut, "lamp.png") + found(cut, "gulls.png")).isEqualTo("missingmissingmissing");
        assertThat(client.tryPost("/api/projects/" + project + "/sources/by-order", Map.of("files", Map.of())).statusCode())
                .isEqualTo(422);
        assertThat(client.tryPost("/api/projects/" + project + "/sources/by-order", Map.of()).statusCode()).isEqualTo(422);
        assertThat(client.tryPost("/api/projects/" + project + "/sources/by-order", Map.of("files", Map.of("none", 1)))
                .statusCode()).isEqualTo(422);
    }

    @Test
    @DisplayName("what is missing is offered in the order in which the cut shows it, a track above too")
    void byOrderOverTracks() throws IOException {
        String rate = "<rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate>";
        String clip = "<clipitem id=\"%s\"><name>%s</name>" + rate + "<start>%d</start><end>%d</end><in>0</in><out>24</out></clipitem>";
        String list = "<xmeml version=\"5\"><sequence><name>c</name>" + rate + "<media><video><track>" + clip.formatted("a", "quay", 0, 24)
                + clip.formatted("b", "lamp", 48, 72) + "</track><track>" + clip.formatted("c", "bell", 24, 48)
                + "</track></video></media></sequence></xmeml>";
        long cut = give(Map.of("c.xml", list.getBytes(StandardCharsets.UTF_8))).get("cutId").asLong();
        assertThat(client.get("/api/cuts/" + cut + "/sources/by-order").get("pairs").valueStream()
                .map(p -> p.get("name").asString())).containsExactly("quay", "bell", "lamp");
    }

    @Test
    @DisplayName("misnamed pictures are found, the doubtful stand first, and none of them can be chosen")
    void misnamed() throws IOException {
        long cut = cut("Hafenküste.png", "quay_v003.png", "gone.png", "lamp");
        give(Map.of("hafenkuste.png", Material.picture("h", 64, 36), "quay_v007.png", Material.picture("q", 64, 36),
                "LAMP.png", Material.picture("l", 64, 36)));
        JsonNode list = client.get("/api/cuts/" + cut + "/sources");
        assertThat(list.get(0).get("name").asString()).isEqualTo("quay_v003.png");
        assertThat(list.get(0).get("doubtful").asBoolean()).isTrue();
        assertThat(list.get(1).get("name").asString()).as("then what is missing").isEqualTo("gone.png");
        assertThat(found(cut, "Hafenküste.png")).isEqualTo("by name, accents and punctuation left aside");
        choose(cut, "quay_v003.png", Map.of());
        assertThat(found(cut, "quay_v003.png")).isEqualTo("none of the files, by choice");
        assertThat(client.get("/api/projects/" + project).get("undo").get("name").asString()).isEqualTo(
                "Choose a picture");
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(found(cut, "quay_v003.png")).isEqualTo("by name, version left aside");
    }

    private JsonNode choose(long cut, String name, Map<String, Object> what) {
        Map<String, Object> choice = new LinkedHashMap<>(what);
        choice.putIfAbsent("withFolder", false);
        choice.put("kind", "picture");
        choice.put("key", source(cut, name).get("key").asString());
        return client.post("/api/projects/" + project + "/sources/choice", choice);
    }

    @Test
    @DisplayName("a picture that comes weeks later falls into its place in shots that are made, and undo takes it out")
    void late() throws IOException {
        long cut = cut("a.png", "b.png");
        assertThat(receive(cut).get("counts").get("missingBoards").asInt()).isEqualTo(2);
        assertThat(give(Map.of("B.PNG", Material.picture("b", 64, 36))).get("found").asInt()).isEqualTo(1);
        assertThat(sequence().get("clips").get(1).has("mediaId")).isTrue();
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(sequence().get("clips").get(1).has("mediaId")).isFalse();
        client.post("/api/projects/" + project + "/redo", null);
        long other = give(Map.of("elsewhere.png", Material.picture("x", 64, 36))).get("found").asLong();
        assertThat(other).isZero();
        JsonNode files = client.get("/api/projects/" + project + "/files?text=elsewhere").get("files");
        choose(cut, "a.png", Map.of("mediaId", files.get(0).get("mediaId").asLong()));
        assertThat(sequence().get("clips").get(0).get("mediaId").asLong())
                .isEqualTo(files.get(0).get("mediaId").asLong());
    }

    @Test
    @DisplayName("zips are unpacked; names that climb out of them are labels only")
    void zips() throws IOException {
        long cut = cut("a.png", "b.png");
        JsonNode arrived = give(Map.of("boards.zip", zip(Map.of("sc1/a.png", Material.picture("a", 64, 36),
                "../../b.png", Material.picture("b", 64, 36), "__MACOSX/._a.png", new byte[] {1}, "notes.txt",
                new byte[] {2}))));
        assertThat(arrived.get("refused")).isEmpty();
        assertThat(arrived.get("media")).hasSize(2);
        assertThat(source(cut, "b.png").get("file").asString()).isEqualTo("boards.zip/b.png");
        assertThat(source(cut, "a.png").get("file").asString()).isEqualTo("boards.zip/sc1/a.png");
    }

    @Test
    @DisplayName("a zip that unfolds to too much, or holds too much, or is damaged, is refused with the setting to change")
    void zipBombs() throws IOException {
        JsonNode bomb = give(Map.of("bomb.zip", zip(Map.of("a.wav", new byte[20_000_000]))));
        assertThat(bomb.get("refused").get(0).asString()).contains("bomb.zip").contains("max-zip-bytes");
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int i = 0; i < 60; i++) {
            many.put(i + ".png", new byte[] {0});
        }
        assertThat(give(Map.of("many.zip", zip(many))).get("refused").get(0).asString()).contains("max-zip-entries");
        byte[] half = zip(Map.of("a.png", Material.picture("a", 64, 36)));
        assertThat(give(Map.of("half.zip", java.util.Arrays.copyOf(half, half.length / 2))).get("refused").get(0)
                .asString()).contains("half.zip");
    }

    private static byte[] zip(Map<String, byte[]> entries) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
            }
        }
        return bytes.toByteArray();
    }

    @Test
    @DisplayName("in the server's folders a movie is found by the reel and timecode that it tells itself")
    void reelAndTimecode() throws IOException {
        Path movie = ffmpeg("renamed.mov", "-f", "lavfi", "-i", "testsrc2=s=64x36:r=24:d=4", "-c:v", "prores_ks",
                "-timecode", "01:00:00:00", "-metadata:s:v:0", "reel_name=NM01");
        Files.copy(movie, TestServer.folder().resolve("whatever.mov"));
        // source 01:00:00:00 on, reel NM01, as Material writes it
        long cut = cut("harbour wide");
        await("found by reel", () -> found(cut, "harbour wide").equals("by reel and timecode"));
        JsonNode sequence = receive(cut);
        assertThat(client.cutClips(sequence).get(0).get("mediaFrames").get(5).asLong())
                .as("frame by the timecode").isEqualTo(5);
    }

    @Test
    @DisplayName("a linked file that was moved and renamed in the folders is known by size and checksum")
    void moved() throws IOException {
        Path there = TestServer.folder().resolve("a.png");
        Files.write(there, Material.picture("moved", 64, 36));
        long cut = cut("a.png");
        await("linked", () -> found(cut, "a.png").equals("by its name"));
        long id = source(cut, "a.png").get("mediaId").asLong();
        Path now = Files.createDirectories(TestServer.folder().resolve("sorted")).resolve("0001.png");
        Files.move(there, now);
        client.post("/api/projects/" + project + "/search", null);
        await("looked", () -> client.get("/api/projects/" + project + "/tasks").isEmpty());
        JsonNode files = client.get("/api/projects/" + project + "/files?text=0001").get("files");
        assertThat(files.get(0).get("mediaId").asLong()).isEqualTo(id);
        assertThat(client.bytes("/api/media/" + id + "/picture?width=1920")).isNotEmpty();
    }

    @Test
    @DisplayName("a file that is written anew where it lies is noticed by itself: what shows it shows the new one, as the server's step")
    void overwritten() throws IOException {
        Path there = TestServer.folder().resolve("written anew.png");
        Files.write(there, Material.picture("first", 64, 36));
        Files.setLastModifiedTime(there, java.nio.file.attribute.FileTime.fromMillis(System.currentTimeMillis() - 60_000));
        JsonNode sequence = receive(cut("written anew.png"));
        long master = client.get("/api/projects/" + project).get("masterId").asLong();
        await("found", () -> client.get("/api/masters/" + master).get("clips").get(0).has("mediaId"));
        long before = client.get("/api/masters/" + master).get("clips").get(0).get("mediaId").asLong();
        assertThat(sequence.get("clips")).hasSize(1);
        Files.write(there, Material.picture("second", 128, 72));
        Files.setLastModifiedTime(there, java.nio.file.attribute.FileTime.fromMillis(System.currentTimeMillis() - 30_000));
        await("noticed", () -> client.get("/api/masters/" + master).get("clips").get(0).get("mediaId").asLong() != before);
        long now = client.get("/api/masters/" + master).get("clips").get(0).get("mediaId").asLong();
        var picture = javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(client.bytes("/api/media/" + now + "/picture?width=1920")));
        assertThat(picture.getWidth()).isEqualTo(128);
        assertThat(client.get("/api/projects/" + project + "/history").get(0).get("who").asString()).isEqualTo("The server");
        Files.setLastModifiedTime(there, java.nio.file.attribute.FileTime.fromMillis(System.currentTimeMillis() - 10_000));
        assertThat(client.get("/api/masters/" + master).get("clips").get(0).get("mediaId").asLong()).as("touched, and the same").isEqualTo(now);
    }

    @Test
    @DisplayName("what the server finds by itself is nobody's step: an undo takes back what its person did last")
    void foundByItself() throws IOException {
        long cut = cut("found later.png");
        JsonNode sequence = receive(cut);
        long master = client.get("/api/projects/" + project).get("masterId").asLong();
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SLIP", "frames", 3, "clips", List.of(sequence.get("clips").get(0).get("id").asLong())));
        Files.write(TestServer.folder().resolve("found later.png"), Material.picture("later", 64, 36));
        client.post("/api/projects/" + project + "/search", null);
        await("found", () -> client.get("/api/masters/" + master).get("clips").get(0).has("mediaId"));
        assertThat(client.get("/api/projects/" + project + "/history").get(0).get("who").asString()).isEqualTo("The server");
        assertThat(client.get("/api/projects/" + project).get("undo").get("name").asString()).startsWith("Slip");
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(client.get("/api/masters/" + master).get("clips").get(0).has("mediaId")).as("the picture stays").isTrue();
    }

    @Test
    @DisplayName("with one file of a moved folder the others follow, also those in folders of the server")
    void folderMoved() throws IOException {
        String xml = """
                <xmeml version="5"><sequence><name>S</name><duration>48</duration><rate><timebase>24</timebase></rate>
                <media><video><track>%s%s</track></video></media></sequence></xmeml>""".formatted(
                item(0, "D:/old/sc1/a.png"), item(1, "D:/old/sc2/a.png"));
        long cut = give(Map.of("s.xml", xml.getBytes(StandardCharsets.UTF_8))).get("cutId").asLong();
        for (String name : List.of("new/sc1/x.png", "new/sc2/x.png")) {
            Path file = TestServer.folder().resolve(name);
            Files.createDirectories(file.getParent());
            Files.write(file.resolveSibling("a.png"), Material.picture(name, 64, 36));
        }
        JsonNode list = client.get("/api/cuts/" + cut + "/sources");
        JsonNode chosen = client.post("/api/projects/" + project + "/sources/choice", Map.of("kind", "picture", "key",
                list.get(0).get("key").asString(), "path", TestServer.folder() + "/new/sc1/a.png", "withFolder", true));
        assertThat(chosen.get("sources").asInt()).isEqualTo(2);
        for (JsonNode source : client.get("/api/cuts/" + cut + "/sources")) {
            String folderOf = source.get("path").asString().contains("sc1") ? "sc1" : "sc2";
            assertThat(source.get("file").asString()).endsWith("new/" + folderOf + "/a.png");
        }
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(client.get("/api/cuts/" + cut + "/sources").get(0).get("chosen").asBoolean()).isFalse();
    }

    private static String item(int place, String path) {
        return """
                <clipitem id="c%d"><name>a.png</name><duration>1</duration><rate><timebase>24</timebase></rate>
                <start>%d</start><end>%d</end><in>0</in><out>24</out><file id="f%d"><name>a.png</name>
                <pathurl>file://localhost/%s</pathurl><duration>1</duration></file></clipitem>"""
                .formatted(place, place * 24, place * 24 + 24, place, path);
    }

    @Test
    @DisplayName("a list of checksums names a renamed picture; one that lies about the size names nothing")
    void checksums() throws IOException {
        byte[] picture = Material.picture("net", 64, 36);
        long cut = cut("net.png", "other.png");
        give(Map.of("IMG_1.png", picture));
        JsonNode arrived = give(Map.of("list.mhl", ("<hashlist><hash><file>boards/net.png</file><size>" + picture.length
                + "</size><md5>" + md5(picture) + "</md5></hash><hash><file>other.png</file><size>" + (picture.length + 1)
                + "</size><md5>" + md5(picture) + "</md5></hash></hashlist>").getBytes(StandardCharsets.UTF_8)));
        assertThat(arrived.get("listed").asInt()).isEqualTo(2);
        assertThat(found(cut, "net.png")).isEqualTo("by size and checksum");
        assertThat(found(cut, "other.png")).isEqualTo("missing");
    }

    private static String md5(byte[] bytes) {
        return Material.checksum("MD5", bytes);
    }

    @Test
    @DisplayName("checksums of large files are not compared while the database is held")
    void checksumsHoldNothing() {
        HashLists lists = TestServer.bean(HashLists.class);
        TransactionTemplate held = TestServer.bean(TransactionTemplate.class);
        assertThatThrownBy(() -> held.executeWithoutResult(status -> {
            try {
                lists.match(project, List.of());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        })).isInstanceOf(IllegalTransactionStateException.class);
    }

    @Test
    @DisplayName("numbered pictures that a cut names as one run play as a movie, each frame its own picture")
    void run() throws IOException {
        long cut = cut("wave.####.png");
        Map<String, byte[]> frames = new LinkedHashMap<>();
        for (int i = 86_400; i < 86_424; i++) {
            frames.put("wave." + i + ".png", Material.picture(Integer.toHexString(i * 0x9E3779B9), 64, 36));
        }
        give(frames);
        assertThat(found(cut, "wave.####.png")).isEqualTo("by its name");
        JsonNode clip = client.cutClips(receive(cut)).get(0);
        assertThat(clip.get("mediaFrames").get(7).asLong()).isEqualTo(7);
        String picture = "/api/media/" + clip.get("mediaId").asLong() + "/picture?width=960&frame=";
        assertThat(md5(client.bytes(picture + 7))).isNotEqualTo(md5(client.bytes(picture + 8)));
        JsonNode files = client.get("/api/projects/" + project + "/files?text=wave.86407").get("files");
        assertThat(md5(client.bytes(picture + 7))).isEqualTo(md5(client.bytes("/api/media/"
                + files.get(0).get("mediaId").asLong() + "/picture?width=960")));
    }

    @Test
    @DisplayName("numbered pictures of one name in two folders are two runs; some that come again with other contents change boards by a step alone")
    void runsApart() throws IOException {
        long cut = cut("surf.####.png");
        Map<String, byte[]> frames = new LinkedHashMap<>();
        for (int i = 86_400; i < 86_424; i++) {
            frames.put("night/surf." + i + ".png", Material.picture("night" + i * 31, 64, 36));
            if (i < 86_410) {
                frames.put("day/surf." + i + ".png", Material.picture("day" + i * 31, 64, 36));
            }
        }
        give(frames);
        JsonNode clip = client.cutClips(receive(cut)).get(0);
        String picture = "/api/media/" + clip.get("mediaId").asLong() + "/picture?width=960&frame=";
        String fifth = md5(client.bytes(picture + 5));
        JsonNode night = client.get("/api/projects/" + project + "/files?text=night/surf.86405").get("files");
        assertThat(fifth).as("of the folder that has all of it").isEqualTo(md5(client.bytes("/api/media/" + night.get(0).get("mediaId").asLong() + "/picture?width=960")));
        give(Map.of("night/surf.86405.png", Material.picture("another", 64, 36)));
        long master = client.get("/api/projects/" + project).get("masterId").asLong();
        assertThat(md5(client.bytes(picture + 5))).as("the run that was laid is what it was").isEqualTo(fifth);
        long now = client.get("/api/masters/" + master).get("clips").get(0).get("mediaId").asLong();
        if (now != clip.get("mediaId").asLong()) {
            // the newer one came to lie there by a step
            assertThat(client.get("/api/projects/" + project + "/history").get(0).get("name").asString()).isEqualTo("Give pictures and sound");
            client.post("/api/projects/" + project + "/undo", null);
        }
        assertThat(client.get("/api/masters/" + master).get("clips").get(0).get("mediaId")).isEqualTo(clip.get("mediaId"));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "h264.mp4, libx264 -pix_fmt yuv420p -g 12", "prores.mov, prores_ks", "vc3.mxf, dnxhd -b:v 36M -pix_fmt yuv422p -s 1920x1080",
        "animation.mov, qtrle", "png.mov, png", "mjpeg.avi, mjpeg",
    })
    @DisplayName("movies of the usual codecs: a stand-in made in one pass is the frame that is asked for by itself")
    void movies(String name, String codec) throws IOException {
        List<String> arguments = new ArrayList<>(List.of("-f", "lavfi", "-i", "testsrc2=s=320x180:r=25:d=2"));
        arguments.addAll(List.of(("-c:v " + codec).split(" ")));
        Path file = ffmpeg(name, arguments.toArray(String[]::new));
        long cut = cut(name);
        byte[] bytes = Files.readAllBytes(file);
        assertThat(give(Map.of("asked_" + name, bytes)).get("refused")).as("what was refused").isEmpty();
        long id = client.get("/api/projects/" + project + "/files?text=asked").get("files").get(0).get("mediaId").asLong();
        await("stand-ins", () -> client.get("/api/projects/" + project + "/tasks").isEmpty());
        // 240 wide is made when asked for, by seeking; 960 was made in the one pass
        for (int frame : new int[] {0, 1, 2, 24, 48, 49}) {
            byte[] asked = client.bytes("/api/media/" + id + "/picture?width=240&frame=" + frame);
            double same = difference(asked, client.bytes("/api/media/" + id + "/picture?width=960&frame=" + frame));
            for (int other : new int[] {Math.max(0, frame - 1), Math.min(49, frame + 1)}) {
                double off = difference(asked, client.bytes("/api/media/" + id + "/picture?width=960&frame=" + other));
                assertThat(same).as("frame %d against %d", frame, other).isLessThanOrEqualTo(other == frame ? same : off * 0.9);
            }
        }
        assertThat(found(cut, name)).isEqualTo("missing");
    }

    private static double difference(byte[] a, byte[] b) throws IOException {
        var one = javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(a));
        var two = javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(b));
        double sum = 0;
        for (int y = 0; y < 48; y++) {
            for (int x = 0; x < 64; x++) {
                int p = one.getRGB(x * one.getWidth() / 64, y * one.getHeight() / 48);
                int q = two.getRGB(x * two.getWidth() / 64, y * two.getHeight() / 48);
                sum += Math.abs((p >> 16 & 255) - (q >> 16 & 255)) + Math.abs((p >> 8 & 255) - (q >> 8 & 255))
                        + Math.abs((p & 255) - (q & 255));
            }
        }
        return sum;
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({"still.tif, tiff", "still.jpg, mjpeg", "still.exr, exr", "still.png, png", "still.bmp, bmp"})
    @DisplayName("stills of the usual kinds are shown")
    void stills(String name, String codec) throws IOException {
        byte[] bytes = Files.readAllBytes(ffmpeg(name, "-f", "lavfi", "-i", "testsrc2=s=320x180:r=25:d=1", "-frames:v",
                "1", "-c:v", codec));
        shown(name, bytes);
    }

    @Test
    @DisplayName("a flattened PSD is shown: 8 bits, RGB, uncompressed, put together by its published layout")
    void psd() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        java.io.DataOutputStream psd = new java.io.DataOutputStream(out);
        psd.writeBytes("8BPS");
        psd.writeShort(1);
        psd.write(new byte[6]);
        psd.writeShort(3);
        psd.writeInt(36);
        psd.writeInt(64);
        psd.writeShort(8);
        psd.writeShort(3);
        psd.writeInt(0);
        psd.writeInt(0);
        psd.writeInt(0);
        psd.writeShort(0);
        for (int channel : new int[] {200, 30, 60}) {
            for (int i = 0; i < 64 * 36; i++) {
                psd.write(channel);
            }
        }
        byte[] jpeg = shown("board.psd", out.toByteArray());
        int pixel = javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(jpeg)).getRGB(30, 18);
        assertThat(pixel >> 16 & 255).isBetween(190, 210);
        assertThat(pixel & 255).isBetween(50, 70);
    }

    private byte[] shown(String name, byte[] bytes) throws IOException {
        long cut = cut(name);
        assertThat(give(Map.of(name, bytes)).get("refused")).isEmpty();
        assertThat(found(cut, name)).isEqualTo("by its name");
        return client.bytes("/api/media/" + source(cut, name).get("mediaId").asLong() + "/picture?width=960");
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({"s.wav, pcm_s24le", "s.aiff, pcm_s16be", "s.mp3, libmp3lame", "s.m4a, aac", "s.flac, flac"})
    @DisplayName("sound of the usual kinds has its loudness")
    void sounds(String name, String codec) throws IOException {
        byte[] bytes = Files.readAllBytes(ffmpeg(name, "-f", "lavfi", "-i", "sine=440:d=2", "-c:a", codec));
        assertThat(give(Map.of(name, bytes)).get("refused")).isEmpty();
        long id = client.get("/api/projects/" + project + "/files?kind=sound").get("files").get(0).get("mediaId").asLong();
        byte[] peaks = client.bytes("/api/media/" + id + "/peaks");
        assertThat(peaks.length).isBetween(100, 105);
        assertThat(peaks[50] & 255).isGreaterThan(20);
        assertThat(client.bytes("/api/media/" + id + "/sound")).isEqualTo(bytes);
    }
}
