package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** Other machines draw: as this one does, to the bit, and whatever dies of them or between. */
@OnItsOwn
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
@Timeout(240)
class WorkersTest {
    private static final Path DATA = Path.of("target", "workers-" + System.nanoTime()).toAbsolutePath();
    private static final Path KEEP = DATA.resolve("KEEP");
    private static final String DOOR = "fresh-splice.workers-address=127.0.0.1:";
    private static final String ELSEWHERE = "fresh-splice.draw-here=false";
    private static int port;
    private static OwnProcess server;
    private static Client client;
    private static Path key;
    private static long keyId;

    @BeforeAll
    static void begin() throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Files.createDirectories(DATA);
        settings(DOOR + port, ELSEWHERE);
        start();
        JsonNode made = client.post("/api/machines/keys", Map.of("name", "room 2"));
        keyId = made.get("id").asLong();
        key = Files.writeString(DATA.resolve("key"), made.get("key").asString() + "\n");
    }

    private static void settings(String... lines) throws IOException {
        Files.writeString(DATA.resolve("settings.properties"), String.join("\n", lines));
    }

    private static void start() throws IOException {
        server = OwnProcess.server(DATA);
        client = server.client();
    }

    @AfterAll
    static void end() throws Exception {
        server.close();
        KilledDatabaseTest.server(DATA).ifPresent(ProcessHandle::destroyForcibly);
    }

    private static OwnProcess worker(String name) throws IOException {
        return OwnProcess.worker("http://127.0.0.1:" + port, key, name, KEEP);
    }

    private static Map<String, byte[]> frames(LongRender render) throws IOException {
        Map<String, byte[]> frames = new TreeMap<>();
        for (String name : render.drawn().keySet()) {
            frames.put(name, Files.readAllBytes(render.frames().resolve(name)));
        }
        return frames;
    }

    /** Last: from then on the server has other settings. */
    @Order(Integer.MAX_VALUE)
    @Test
    @DisplayName("frames of another machine are those of this one to the bit, sent or put into a shared folder; no driver is mixed with them")
    void alikeToTheBit() throws Exception {
        LongRender.Shots shots = LongRender.Shots.made(client);
        LongRender sent = LongRender.plain(client, DATA, shots);
        try (OwnProcess worker = worker("anna")) {
            worker.line("Known to the server as anna");
            sent.isWholeAtLast(client);
            assertThat(client.get("/api/machines").get("machines").get(0).get("driver").asString()).isNotBlank();
        }
        Map<String, byte[]> first = frames(sent);
        assertThat(sent.log(client)).contains("drawn by anna");
        server.close();
        settings(DOOR + port, ELSEWHERE, "fresh-splice.workers-shared=" + DATA.resolve("frames"));
        start();
        LongRender put = LongRender.plain(client, DATA, shots);
        try (OwnProcess worker = worker("berta")) {
            worker.line("Frames are put into ");
            put.isWholeAtLast(client);
        }
        Map<String, byte[]> second = frames(put);
        server.close();
        settings(DOOR + port);
        start();
        LongRender here = LongRender.plain(client, DATA, shots);
        here.isWholeAtLast(client);
        assertThat(here.log(client)).contains("drawn by this machine");
        Map<String, byte[]> third = frames(here);
        assertThat(first).hasSize(LongRender.SHORT);
        third.forEach((name, bytes) -> assertThat(first.get(name)).as(name).isEqualTo(bytes).isEqualTo(second.get(name)));
    }

    @Test
    @DisplayName("a machine is killed in the middle of a chunk: another draws what it had, and nothing that is there again")
    void workerKilled() throws Exception {
        OwnProcess first = worker("anna");
        first.line("Known to the server as anna");
        LongRender render = LongRender.begun(client, DATA);
        first.kill();
        Map<String, FileTime> before = render.drawn();
        try (OwnProcess second = worker("berta")) {
            render.isWhole(client, before);
            assertThat(second.said()).contains("Known to the server as berta");
        }
        assertThat(render.log(client)).contains("nothing is heard of anna any more").contains("drawn by berta");
    }

    @Test
    @DisplayName("a machine with another driver draws nothing of a render that was begun, until somebody allows any")
    void driversAreNotMixed() throws Exception {
        OwnProcess first = worker("anna");
        first.line("Known to the server as anna");
        LongRender render = LongRender.begun(client, DATA);
        first.close();
        Map<String, FileTime> before = render.drawn();
        try (OwnProcess odd = OwnProcess.oddWorker("http://127.0.0.1:" + port, key, "odd", KEEP)) {
            odd.line("Known to the server as odd");
            Thread.sleep(3000);
            assertThat(render.drawn()).as("nothing was drawn by it").isEqualTo(before);
            assertThat(render.now(client).get("awaits").asString()).isNotEqualTo(odd.line("Draws with ").substring("Draws with ".length()));
            client.post("/api/renders/" + render.id + "/any-driver", null);
            render.isWhole(client, before);
        }
        assertThat(render.log(client)).contains("drawn by odd");
    }

    @Test
    @DisplayName("a machine that is told to end gives back what it has at once")
    void workerLeaves() throws Exception {
        OwnProcess first = worker("anna");
        first.line("Known to the server as anna");
        LongRender render = LongRender.begun(client, DATA);
        first.close();
        Map<String, FileTime> before = render.drawn();
        try (OwnProcess second = worker("anna")) {
            render.isWhole(client, before);
            assertThat(second.said()).contains("Known to the server as anna");
        }
        assertThat(render.log(client)).contains("put back: anna left");
    }

    @Test
    @DisplayName("the line is cut while a frame is sent: that frame comes once, and all others")
    void lineCut() throws Exception {
        try (CutLine line = new CutLine(port); OwnProcess worker = OwnProcess.worker(line.address(), key, "anna", KEEP)) {
            worker.line("Known to the server as anna");
            LongRender render = LongRender.begun(client, DATA);
            line.cutWhileSomethingIsSent();
            Map<String, FileTime> before = render.drawn();
            Thread.sleep(2000);
            line.mend();
            render.isWhole(client, before);
        }
    }

    @Test
    @DisplayName("the server is killed while another machine draws: it waits, comes back, and goes on")
    void serverKilled() throws Exception {
        try (OwnProcess worker = worker("anna")) {
            worker.line("Known to the server as anna");
            LongRender render = LongRender.begun(client, DATA);
            server.kill();
            ProcessHandle database = KilledDatabaseTest.server(DATA).orElseThrow();
            database.destroyForcibly();
            database.onExit().get();
            Map<String, FileTime> before = render.drawn();
            start();
            render.isWhole(client, before);
            assertThat(worker.said()).contains("asked again until it does");
        }
    }

    @Test
    @DisplayName("a machine with a wrong key, or one that is revoked, is not let in, and is told why")
    void keys() throws Exception {
        Path wrong = Files.writeString(DATA.resolve("wrong"), "fs-worker-abcdefghijklmnopqrstuvwxyz");
        try (OwnProcess worker = OwnProcess.worker("http://127.0.0.1:" + port, wrong, "carl", KEEP)) {
            assertThat(worker.code()).isEqualTo(3);
            assertThat(worker.said()).contains("This key is not let in");
        }
        try (OwnProcess worker = OwnProcess.worker("http://127.0.0.1:" + port, DATA.resolve("none"), "carl", KEEP)) {
            assertThat(worker.code()).isEqualTo(2);
            assertThat(worker.said()).contains("There is no key in none");
        }
        OwnProcess worker = worker("anna");
        worker.line("Known to the server as anna");
        LongRender render = LongRender.begun(client, DATA);
        client.post("/api/machines/keys/" + keyId + "/revoke", null);
        assertThat(worker.code()).isEqualTo(3);
        Map<String, FileTime> before = render.drawn();
        assertThat(client.get("/api/machines").get("machines")).isEmpty();
        client.post("/api/machines/keys/" + keyId + "/let-in", null);
        try (OwnProcess again = worker("anna")) {
            render.isWhole(client, before);
        }
    }

    @Test
    @DisplayName("the door for machines answers nobody else, and nothing else with a key")
    void doorAnswersMachinesOnly() {
        Client through = new Client("http://127.0.0.1:" + port);
        for (String address : new String[] {"/", "/api/projects", "/api/machines", "/actuator/health"}) {
            assertThat(through.tryGet(address).statusCode()).as(address).isEqualTo(403);
        }
        HttpResponse<byte[]> answer = through.tryPost("/worker/v1/seats", Map.of("name", "x", "driver", "y", "version", "z"));
        assertThat(answer.statusCode()).isEqualTo(401);
        JsonNode keys = client.get("/api/machines").get("keys");
        assertThat(StreamSupport.stream(keys.spliterator(), false).map(k -> k.get("name").asString())).containsExactly("room 2");
        assertThat(keys.toString()).doesNotContain("fs-worker-");
    }
}
