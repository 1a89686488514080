package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.render.FrameFile;
import freshsplice.render.Probe;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** A long render while the server dies, while the database dies, while the disk takes no more: every frame is there once in the end. */
@Timeout(240)
class KilledRendersTest {
    private static final int FRAMES = 480;
    private static final int BEFORE = 40;

    private final Path data = Path.of("target", "renders-" + System.nanoTime()).toAbsolutePath();
    private Process server;
    private Client client;

    /** The application as a process of its own, so that it can be killed like one. */
    private void start() throws IOException {
        server = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx700m", "-XX:+UseSerialGC",
                "-Djava.awt.headless=true", "-cp", System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                "freshsplice.server.FreshSplice", "--data=" + data, "--port=0").redirectErrorStream(true).start();
        BufferedReader said = new BufferedReader(new InputStreamReader(server.getInputStream(), StandardCharsets.UTF_8));
        StringBuilder all = new StringBuilder();
        for (String line = said.readLine(); line != null; line = said.readLine()) {
            all.append(line).append('\n');
            int at = line.indexOf("http://localhost:");
            if (at >= 0) {
                client = new Client(line.substring(at).strip());
                Thread rest = new Thread(() -> said.lines().forEach(l -> { }), "what the server says");
                rest.setDaemon(true);
                rest.start();
                return;
            }
        }
        throw new IOException("The server did not start:\n" + all);
    }

    @AfterEach
    void end() throws Exception {
        server.destroy();
        if (!server.waitFor(20, TimeUnit.SECONDS)) {
            server.destroyForcibly();
        }
        KilledDatabaseTest.server(data).ifPresent(ProcessHandle::destroyForcibly);
    }

    /** @return the render that is under way */
    private long longRender() throws Exception {
        long project = client.post("/api/projects", Map.of("name", "Long")).get("id").asLong();
        byte[] edl = Material.edl("C", List.of(new Material.Clip("long", 1000, FRAMES), new Material.Clip("short", 9000, 5)));
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("c.edl", edl)).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        long master = client.get("/api/projects/" + project).get("masterId").asLong();
        long shot = client.get("/api/masters/" + master).get("sections").get(0).get("shotId").asLong();
        long id = client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(shot), "master", false, "width", 320, "height", 180,
                "burnIn", true, "blur", false)).get(0).asLong();
        for (int i = 0; i < 2000 && drawn(id).size() < BEFORE; i++) {
            Thread.sleep(5);
        }
        return id;
    }

    private Path frames(long id) {
        return data.resolve("frames").resolve(String.valueOf(id)).resolve("frames");
    }

    private Map<String, FileTime> drawn(long id) throws IOException {
        Map<String, FileTime> times = new TreeMap<>();
        if (Files.isDirectory(frames(id))) {
            try (Stream<Path> files = Files.list(frames(id))) {
                for (Path file : files.filter(f -> f.toString().endsWith(FrameFile.ENDING)).toList()) {
                    times.put(file.getFileName().toString(), Files.getLastModifiedTime(file));
                }
            }
        }
        return times;
    }

    private JsonNode await(long id, String... states) throws InterruptedException {
        for (int i = 0; i < 1200; i++) {
            try {
                JsonNode render = StreamSupport.stream(client.get("/api/projects/" + project() + "/renders").spliterator(), false)
                        .filter(r -> r.get("id").asLong() == id).findFirst().orElseThrow();
                if (Set.of(states).contains(render.get("state").asString())) {
                    return render;
                }
            } catch (AssertionError | RuntimeException e) {
                // the database is away
                Thread.sleep(100);
            }
            Thread.sleep(50);
        }
        throw new AssertionError("The render does not end");
    }

    private long project() {
        return client.get("/api/projects").get(0).get("id").asLong();
    }

    private void isWhole(long id, Map<String, FileTime> before) throws Exception {
        assertThat(await(id, "DONE", "FAILED").get("state").asString()).isEqualTo("DONE");
        assertThat(before.size()).isBetween(BEFORE, FRAMES - 1);
        assertThat(drawn(id)).as("every frame once, those of before not again").hasSize(FRAMES).containsAllEntriesOf(before);
        Path movie = Files.write(data.resolve("movie.mp4"), client.bytes("/api/renders/" + id + "/movie"));
        assertThat(Probe.of(movie).frames()).isEqualTo(FRAMES);
    }

    @Test
    @DisplayName("the server is killed in the middle of a chunk, and database with it: started again it draws what is missing")
    void serverKilled() throws Exception {
        start();
        long id = longRender();
        server.destroyForcibly().waitFor();
        ProcessHandle database = KilledDatabaseTest.server(data).orElseThrow();
        database.destroyForcibly();
        database.onExit().get();
        Map<String, FileTime> before = drawn(id);
        start();
        isWhole(id, before);
    }

    @Test
    @DisplayName("the database is killed: it is started again, and the render goes on")
    void databaseKilled() throws Exception {
        start();
        long id = longRender();
        ProcessHandle database = KilledDatabaseTest.server(data).orElseThrow();
        Map<String, FileTime> before = drawn(id);
        database.destroyForcibly();
        database.onExit().get();
        isWhole(id, before);
    }

    @Test
    @DisplayName("a frame that the disk does not take ends that render with the reason; then it goes on at that frame")
    void diskRefuses() throws Exception {
        start();
        // a folder where a frame's file would be written: the disk refuses it as often as it is tried
        long id = longRender();
        Path inTheWay = Files.createDirectories(frames(id).resolve(FrameFile.name(FRAMES - 20) + ".part").resolve("x"));
        JsonNode failed = await(id, "DONE", "FAILED");
        assertThat(failed.get("state").asString()).isEqualTo("FAILED");
        assertThat(failed.get("error").asString()).isNotBlank();
        Map<String, FileTime> before = drawn(id);
        assertThat(before).doesNotContainKey(FrameFile.name(FRAMES - 20));
        Files.delete(inTheWay);
        Files.delete(inTheWay.getParent());
        client.post("/api/renders/" + id + "/go-on", null);
        isWhole(id, before);
        assertThat(new String(client.bytes("/api/renders/" + id + "/log"), StandardCharsets.UTF_8)).contains("failed: ").contains("written: sh0010_v001.mp4");
    }
}
