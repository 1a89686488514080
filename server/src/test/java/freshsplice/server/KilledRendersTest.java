package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.render.FrameFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** A long render while the server dies, while the database dies, while the disk takes no more: every frame is there once in the end. */
@Timeout(240)
class KilledRendersTest {
    private final Path data = Path.of("target", "renders-" + System.nanoTime()).toAbsolutePath();
    private OwnProcess server;
    private Client client;

    private void start() throws IOException {
        server = OwnProcess.server(data);
        client = server.client();
    }

    @AfterEach
    void end() throws Exception {
        server.close();
        KilledDatabaseTest.server(data).ifPresent(ProcessHandle::destroyForcibly);
    }

    @Test
    @DisplayName("the server is killed in the middle of a chunk, and database with it: started again it draws what is missing")
    void serverKilled() throws Exception {
        start();
        LongRender render = LongRender.begun(client, data);
        server.kill();
        ProcessHandle database = KilledDatabaseTest.server(data).orElseThrow();
        database.destroyForcibly();
        database.onExit().get();
        Map<String, FileTime> before = render.drawn();
        start();
        render.isWhole(client, before);
    }

    @Test
    @DisplayName("the database is killed: it is started again, and the render goes on")
    void databaseKilled() throws Exception {
        start();
        LongRender render = LongRender.begun(client, data);
        ProcessHandle database = KilledDatabaseTest.server(data).orElseThrow();
        Map<String, FileTime> before = render.drawn();
        database.destroyForcibly();
        database.onExit().get();
        render.isWhole(client, before);
    }

    @Test
    @DisplayName("the disk is full at a frame: that render ends with the reason, and goes on at that frame")
    void diskRefuses() throws Exception {
        start();
        LongRender render = LongRender.begun(client, data);
        // a frame is written to a device that has no room (man 4 full)
        String refused = FrameFile.name(LongRender.FRAMES - 20);
        Files.createSymbolicLink(render.frames().resolve(refused + ".part"), Path.of("/dev/full"));
        JsonNode failed = render.await(client, "DONE", "FAILED");
        assertThat(failed.get("state").asString()).isEqualTo("FAILED");
        assertThat(failed.get("error").asString()).startsWith("The disk is full");
        Map<String, FileTime> before = render.drawn();
        assertThat(before).doesNotContainKey(refused);
        client.post("/api/renders/" + render.id + "/go-on", null);
        render.isWhole(client, before);
        assertThat(render.log(client)).contains("failed: ").contains("written: sh0010_v001.mp4");
    }
}
