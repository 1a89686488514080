package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** A server that is asked to end (Ctrl-C, kill) ends itself before its database, whatever it is about. */
@OnItsOwn
@Timeout(180)
class StoppedServerTest {
    /** What a shell says of a process that ended because it was asked to: 128 and SIGTERM (signal(7)). */
    private static final int ASKED_TO_END = 128 + 15;

    private final Path data = Path.of("target", "stopped-" + System.nanoTime()).toAbsolutePath();

    @AfterEach
    void nothingIsLeft() throws IOException {
        KilledDatabaseTest.server(data).ifPresent(ProcessHandle::destroyForcibly);
    }

    @Test
    @DisplayName("in the middle of a render: nothing fails, no database is left, and started again it draws what is missing")
    void whileItDraws() throws Exception {
        LongRender render;
        Map<String, FileTime> before;
        try (OwnProcess server = OwnProcess.server(data)) {
            render = LongRender.begun(server.client(), data);
            server.ask();
            assertThat(server.code()).isEqualTo(ASKED_TO_END);
            assertThat(server.said()).doesNotContain("ERROR", "WARN", "Exception");
            assertThat(KilledDatabaseTest.server(data)).isEmpty();
            before = render.drawn();
        }
        try (OwnProcess again = OwnProcess.server(data)) {
            assertThat(render.log(again.client())).doesNotContain("failed");
            render.isWhole(again.client(), before);
        }
    }

    @Test
    @DisplayName("while it starts: no database is left, and the next start finds all in order")
    void whileItStarts() throws Exception {
        try (OwnProcess starting = OwnProcess.startingServer(data)) {
            while (!Files.exists(data.resolve("database")) || KilledDatabaseTest.server(data).isEmpty()) {
                Thread.sleep(20);
            }
            starting.ask();
            assertThat(starting.code()).isEqualTo(ASKED_TO_END);
            assertThat(KilledDatabaseTest.server(data)).isEmpty();
        }
        try (OwnProcess again = OwnProcess.server(data)) {
            assertThat(again.client().post("/api/projects", Map.of("name", "Here")).get("id").asLong()).isPositive();
        }
    }
}
