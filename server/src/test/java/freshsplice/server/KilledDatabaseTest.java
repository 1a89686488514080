package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** The database is killed while edits are being made: what was acknowledged is there, the rest is not, nothing is half. */
@Timeout(400)
@Order(1)
class KilledDatabaseTest {
    private static final Path DATA = Path.of("target", "killed-" + System.nanoTime()).toAbsolutePath();
    private static OwnProcess program;
    private static Client client;

    /** What another server that has the system's folder for them could call a temporary table of its own. */
    private static Path othersTable;

    @BeforeAll
    static void firstStart() throws IOException {
        othersTable = Files.createTempFile(Path.of("/tmp"), "#sql-temptable-", ".MAI");
        if ("root".equals(System.getProperty("user.name"))) {
            // whom the servers run as then
            Files.setOwner(othersTable, othersTable.getFileSystem().getUserPrincipalLookupService().lookupPrincipalByName("mysql"));
        }
        start();
    }

    private static void start() throws IOException {
        program = OwnProcess.server(DATA);
        client = program.client();
    }

    @AfterAll
    static void end() throws Exception {
        program.close();
        server(DATA).ifPresent(ProcessHandle::destroyForcibly);
        Files.deleteIfExists(othersTable);
    }

    @Test
    @DisplayName("a first start beside other servers leaves them their temporary tables")
    void leavesOthersTables() {
        assertThat(othersTable).exists();
    }

    @Test
    @DisplayName("what was acknowledged when the database died is there after a new start, the rest is not, and all of it can be undone")
    void acknowledgedEditsSurviveAndOthersLeaveNoTrace() throws Exception {
        long project = client.post("/api/projects", Map.of("name", "Killed")).get("id").asLong();
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("c.edl", Material.edl("C", Material.clips(30)))).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        long master = client.get("/api/projects/" + project).get("masterId").asLong();
        int acknowledged = editsUntilKilled(master);
        program.close();
        start();
        JsonNode view = client.get("/api/projects/" + project);
        assertThat(view.get("seq").asInt()).isBetween(acknowledged + 1, acknowledged + 2);
        assertWhole(client.get("/api/masters/" + master));
        for (int i = view.get("seq").asInt(); i > 1; i--) {
            client.post("/api/projects/" + project + "/undo", null);
        }
        JsonNode sequence = client.get("/api/masters/" + master);
        assertThat(sequence.get("counts").get("offsetSeams").asInt()).isZero();
        assertWhole(sequence);
    }

    /** RetimeKeys a seam to and fro while the database is killed. @return how many edits were acknowledged before one was not */
    private static int editsUntilKilled(long master) throws Exception {
        long at = client.get("/api/masters/" + master).get("clips").get(1).get("in").asLong();
        Thread killer = new Thread(() -> kill(DATA));
        int acknowledged = 0;
        for (int i = 0; i < 400; i++) {
            if (i == 12) {
                killer.start();
            }
            var answer = client.tryPost("/api/masters/" + master + "/seam", Map.of("at", at + i % 2, "frames", i % 2 == 0 ? 1 : -1));
            if (answer.statusCode() != 200) {
                assertThat(Client.message(answer)).isNotBlank();
                break;
            }
            acknowledged++;
        }
        killer.join();
        return acknowledged;
    }

    @Test
    @DisplayName("the application stays up, says so meanwhile, starts the database again and goes on; it never runs as root, nor on the network")
    void aDatabaseThatIsKilledIsStartedAgain() throws Exception {
        long project = client.post("/api/projects", Map.of("name", "Again")).get("id").asLong();
        ProcessHandle server = server(DATA).orElseThrow();
        assertThat(server.info().user()).as("never as root").isNotEqualTo(Optional.of("root"));
        assertThat(listensOnNetwork(server)).isFalse();
        assertThat(Files.getPosixFilePermissions(DATA.resolve("database-password"))).containsExactlyInAnyOrder(
                PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
        kill(DATA);
        boolean back = false;
        for (int i = 0; i < 60 && !back; i++) {
            var answer = client.tryPost("/api/projects", Map.of("name", "Meanwhile"));
            back = answer.statusCode() == 200;
            if (!back) {
                assertThat(answer.statusCode()).isEqualTo(503);
                assertThat(Client.message(answer)).contains("nothing was changed").contains("started again");
                Thread.sleep(500);
            }
        }
        assertThat(back).isTrue();
        assertThat(client.get("/api/projects/" + project).get("name").asString()).isEqualTo("Again");
    }

    /** Whether a process has an open TCP socket that listens: its sockets by their numbers, against the kernel's table. */
    private static boolean listensOnNetwork(ProcessHandle process) throws IOException {
        String listening = "0A";
        List<String> sockets = new ArrayList<>();
        try (var open = Files.list(Path.of("/proc", Long.toString(process.pid()), "fd"))) {
            for (Path fd : open.toList()) {
                String target = Files.isSymbolicLink(fd) ? Files.readSymbolicLink(fd).toString() : "";
                if (target.startsWith("socket:[")) {
                    sockets.add(target.substring(8, target.length() - 1));
                }
            }
        }
        for (String table : List.of("/proc/net/tcp", "/proc/net/tcp6")) {
            for (String line : Files.exists(Path.of(table)) ? Files.readAllLines(Path.of(table)) : List.<String>of()) {
                String[] columns = line.strip().split("\\s+");
                if (columns.length > 9 && columns[3].equals(listening) && sockets.contains(columns[9])) {
                    return true;
                }
            }
        }
        return false;
    }

    private static void assertWhole(JsonNode sequence) {
        List<JsonNode> clips = StreamSupport.stream(sequence.get("clips").spliterator(), false).toList();
        assertThat(clips).hasSize(30);
        for (int i = 1; i < clips.size(); i++) {
            assertThat(clips.get(i).get("in")).isEqualTo(clips.get(i - 1).get("out"));
        }
    }

    /** Kills the database of a data folder, and waits until it is gone. */
    static void kill(Path data) {
        try {
            ProcessHandle database = server(data).orElseThrow();
            database.destroyForcibly();
            database.onExit().join();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Optional<ProcessHandle> server(Path data) throws IOException {
        String argument = "--datadir=" + data.resolve("database").toRealPath();
        return ProcessHandle.allProcesses().filter(p -> p.info().command().orElse("").endsWith("mariadbd"))
                .filter(p -> List.of(p.info().arguments().orElse(new String[0])).contains(argument)).findFirst();
    }
}
