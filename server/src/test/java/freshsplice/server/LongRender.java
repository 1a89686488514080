package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.render.FrameFile;
import freshsplice.render.Probe;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** A render that takes long enough for something to die under it. */
final class LongRender {
    static final int FRAMES = 160;
    static final int SHORT = 24;
    private static final int BEFORE = 24;

    private final Path data;
    private final long project;
    private final int frames;
    final long id;

    private LongRender(Path data, long project, int frames, long id) {
        this.data = data;
        this.project = project;
        this.frames = frames;
        this.id = id;
    }

    /** A project with a long shot and a short one. */
    record Shots(long project, long longer, long shorter) {
        static Shots made(Client client) throws IOException {
            Received received = Received.of(client, "Long " + System.nanoTime(), List.of(new Material.Clip("long", 1000, FRAMES),
                    new Material.Clip("short", 9000, SHORT)));
            JsonNode clips = client.get("/api/masters/" + received.master()).get("clips");
            return new Shots(received.project(), clips.get(0).get("shotId").asLong(), clips.get(1).get("shotId").asLong());
        }
    }

    private static LongRender of(Client client, Path data, long project, long shot, int frames, boolean burnIn) {
        return new LongRender(data, project, frames, client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(shot), "master", false,
                "width", 320, "height", 180, "burnIn", burnIn, "blur", false)).get(0).asLong());
    }

    /** A short one with nothing written into it, so that each version is like the other. */
    static LongRender plain(Client client, Path data, Shots shots) {
        return of(client, data, shots.project(), shots.shorter(), SHORT, false);
    }

    /** One that was asked for. */
    static LongRender asked(Client client, Path data) throws IOException {
        Shots shots = Shots.made(client);
        return of(client, data, shots.project(), shots.longer(), FRAMES, true);
    }

    /** One that has its first frames. */
    static LongRender begun(Client client, Path data) throws Exception {
        LongRender render = asked(client, data);
        render.awaitFirst();
        return render;
    }

    void awaitFirst() throws Exception {
        for (int i = 0; i < 6000 && drawn().size() < BEFORE; i++) {
            Thread.sleep(5);
        }
    }

    Path frames() {
        return data.resolve("frames").resolve(String.valueOf(id)).resolve("frames");
    }

    Map<String, FileTime> drawn() throws IOException {
        Map<String, FileTime> times = new TreeMap<>();
        if (Files.isDirectory(frames())) {
            try (Stream<Path> files = Files.list(frames())) {
                for (Path file : files.filter(f -> f.toString().endsWith(FrameFile.ENDING)).toList()) {
                    times.put(file.getFileName().toString(), Files.getLastModifiedTime(file));
                }
            }
        }
        return times;
    }

    JsonNode now(Client client) {
        return StreamSupport.stream(client.get("/api/projects/" + project + "/renders").spliterator(), false)
                .filter(r -> r.get("id").asLong() == id).findFirst().orElseThrow();
    }

    JsonNode await(Client client, String... states) throws InterruptedException {
        for (int i = 0; i < 300; i++) {
            try {
                JsonNode render = now(client);
                if (Set.of(states).contains(render.get("state").asString())) {
                    return render;
                }
            } catch (AssertionError | RuntimeException e) {
                // the server, or its database, is away
                Thread.sleep(100);
            }
            // each question costs the machine that draws
            Thread.sleep(200);
        }
        throw new AssertionError("The render does not end");
    }

    /** Every frame is there once, those of before were not drawn again, and the movie has all. */
    void isWhole(Client client, Map<String, FileTime> before) throws Exception {
        JsonNode end = await(client, "DONE", "FAILED");
        assertThat(end.get("state").asString()).as("%s", end).isEqualTo("DONE");
        assertThat(before.size()).isBetween(BEFORE, frames - 1);
        assertThat(drawn()).as("every frame once, those of before not again").hasSize(frames).containsAllEntriesOf(before);
        Path movie = Files.write(data.resolve("movie.mp4"), client.bytes("/api/renders/" + id + "/movie"));
        assertThat(Probe.of(movie).frames()).isEqualTo(frames);
    }

    void isWholeAtLast(Client client) throws Exception {
        assertThat(await(client, "DONE", "FAILED").get("state").asString()).isEqualTo("DONE");
        assertThat(drawn()).hasSize(frames);
    }

    String log(Client client) {
        return new String(client.bytes("/api/renders/" + id + "/log"), StandardCharsets.UTF_8);
    }
}
