package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.render.FrameFile;
import freshsplice.render.WholeFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** A long render while the server dies, while the database dies, while the disk takes no more: every frame is there once in the end. */
@Timeout(400)
@Order(1)
class KilledRendersTest {
    /** What a shell says of a program that ended because it was asked to: 128 and SIGTERM (signal(7)). */
    private static final int ASKED_TO_END = 128 + 15;

    private static final Path DATA = Path.of("target", "renders-" + System.nanoTime()).toAbsolutePath();
    private static OwnProcess server;
    private static Client client;

    @BeforeAll
    static void start() throws IOException {
        server = OwnProcess.server(DATA);
        client = server.client();
    }

    @AfterAll
    static void end() throws Exception {
        server.close();
        KilledDatabaseTest.server(DATA).ifPresent(ProcessHandle::destroyForcibly);
    }

    @Test
    @DisplayName("the server is killed in the middle of a chunk, and database with it: started again it draws what is missing")
    void serverKilled() throws Exception {
        LongRender render = LongRender.begun(client, DATA);
        server.kill();
        KilledDatabaseTest.kill(DATA);
        Map<String, FileTime> before = render.drawn();
        start();
        render.isWhole(client, before);
    }

    @Test
    @DisplayName("the server is asked to end, and again while it starts: it ends before its database, nothing fails, and then all is drawn")
    void serverAskedToEnd() throws Exception {
        LongRender render = LongRender.begun(client, DATA);
        String until = server.said();
        server.ask();
        assertThat(server.code()).isEqualTo(ASKED_TO_END);
        assertThat(server.said().substring(until.length())).doesNotContain("WARN", "ERROR", "Exception");
        assertThat(KilledDatabaseTest.server(DATA)).isEmpty();
        Map<String, FileTime> before = render.drawn();
        try (OwnProcess starting = OwnProcess.startingServer(DATA)) {
            while (KilledDatabaseTest.server(DATA).isEmpty()) {
                Thread.sleep(20);
            }
            starting.ask();
            assertThat(starting.code()).isEqualTo(ASKED_TO_END);
            assertThat(KilledDatabaseTest.server(DATA)).isEmpty();
        }
        start();
        render.isWhole(client, before);
        assertThat(render.log(client)).doesNotContain("failed");
    }

    @Test
    @DisplayName("the database is killed: it is started again, and the render goes on")
    void databaseKilled() throws Exception {
        LongRender render = LongRender.begun(client, DATA);
        Map<String, FileTime> before = render.drawn();
        KilledDatabaseTest.kill(DATA);
        render.isWhole(client, before);
    }

    @Test
    @DisplayName("the disk is full at a frame: that render ends with the reason, and goes on at that frame")
    void diskRefuses() throws Exception {
        LongRender render = LongRender.begun(client, DATA);
        // a frame is written to a device that has no room (man 4 full)
        String refused = FrameFile.name(LongRender.FRAMES - 20);
        Files.createSymbolicLink(WholeFile.part(render.frames().resolve(refused), server.pid()), Path.of("/dev/full"));
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
