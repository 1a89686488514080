package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.worker.Wire;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Other machines draw, whatever dies of them or between. */
@Timeout(400)
@Order(1)
class WorkersTest {
    @RegisterExtension
    static final DoorForMachines door = new DoorForMachines();

    /** Another machine comes, and draws what is not there yet and nothing again. */
    private static void isDrawnToItsEndBy(String name, LongRender render) throws Exception {
        Map<String, FileTime> before = render.drawn();
        try (OwnProcess second = door.worker(name)) {
            render.isWhole(door.client, before);
            assertThat(second.said()).contains("Known to the server as " + name);
        }
    }

    @Test
    @DisplayName("a machine is killed in the middle of a chunk: another draws what it had, and nothing that is there again")
    void workerKilled() throws Exception {
        OwnProcess first = door.worker("anna");
        LongRender render = door.begunRender();
        first.kill();
        isDrawnToItsEndBy("berta", render);
        assertThat(render.log(door.client)).contains("nothing is heard of anna any more").contains("drawn by berta");
    }

    @Test
    @DisplayName("a machine that is told to end gives back what it has at once")
    void workerLeaves() throws Exception {
        OwnProcess first = door.worker("anna");
        LongRender render = door.begunRender();
        first.close();
        isDrawnToItsEndBy("anna", render);
        assertThat(render.log(door.client)).contains("put back: anna left");
    }

    @Test
    @DisplayName("the line is cut while a frame is sent: that frame comes once, and all others")
    void lineCut() throws Exception {
        try (CutLine line = new CutLine(door.port); OwnProcess worker = OwnProcess.worker(line.address(), door.key, "anna", door.keep)) {
            worker.line("Known to the server as anna");
            LongRender render = door.begunRender();
            line.cutWhileSomethingIsSent();
            Map<String, FileTime> before = render.drawn();
            Thread.sleep(2000);
            line.mend();
            render.isWhole(door.client, before);
        }
    }

    @Test
    @DisplayName("the server is killed while another machine draws: it waits, comes back, and goes on")
    void serverKilled() throws Exception {
        try (OwnProcess worker = door.worker("anna")) {
            LongRender render = door.begunRender();
            door.kill();
            Map<String, FileTime> before = render.drawn();
            door.start(DoorForMachines.ELSEWHERE);
            render.isWhole(door.client, before);
            assertThat(worker.said()).contains("asked again until it does");
        }
    }

    @Test
    @DisplayName("a machine with a wrong key, or one that is revoked, is not let in, and is told why")
    void keys() throws Exception {
        Path wrong = Files.writeString(door.data.resolve("wrong"), "fs-worker-abcdefghijklmnopqrstuvwxyz");
        try (OwnProcess worker = OwnProcess.worker(door.address(), wrong, "carl", door.keep)) {
            assertThat(worker.code()).isEqualTo(3);
            assertThat(worker.said()).contains("This key is not let in");
        }
        try (OwnProcess worker = OwnProcess.worker(door.address(), door.data.resolve("none"), "carl", door.keep)) {
            assertThat(worker.code()).isEqualTo(2);
            assertThat(worker.said()).contains("There is no key in none");
        }
        OwnProcess worker = door.worker("anna");
        LongRender render = door.begunRender();
        door.client.post("/api/machines/keys/" + door.keyId + "/revoke", null);
        assertThat(worker.code()).isEqualTo(3);
        Map<String, FileTime> before = render.drawn();
        assertThat(door.client.get("/api/machines").get("machines")).isEmpty();
        door.client.post("/api/machines/keys/" + door.keyId + "/let-in", null);
        try (OwnProcess again = door.worker("anna")) {
            render.isWhole(door.client, before);
        }
    }

    /** It takes what it is given, says that its card is broken, and asks for more at once. */
    @Test
    @DisplayName("a machine that fails at all it is given ends nobody's render: another draws that next, the bad one rests, and both are said")
    void badMachine() throws Exception {
        try (OwnProcess good = door.worker("anna")) {
            String driver = door.client.get("/api/machines").get("machines").get(0).get("driver").asString();
            try (BrokenMachine bad = new BrokenMachine(door, "broken", driver)) {
                LongRender first = door.begunRender();
                LongRender second = door.begunRender();
                first.isWholeAtLast(door.client);
                second.isWholeAtLast(door.client);
                assertThat(bad.failed()).isPositive();
                assertThat(first.log(door.client) + second.log(door.client)).contains("put back: broken: its card is broken. Another machine draws them next; broken "
                        + "rests for 2 s").contains("drawn by anna").doesNotContain("failed:");
                assertThat(bad.failed()).as("it takes no more than its share").isLessThan(12);
            }
        }
    }

    /** The one that is gone is cleared away after its namesake has something to draw. */
    @Test
    @DisplayName("one that comes back at once under its name keeps what it is given")
    void comesBackAtOnce() throws Exception {
        String driver;
        try (OwnProcess known = door.worker("anna")) {
            driver = door.client.get("/api/machines").get("machines").get(0).get("driver").asString();
        }
        BrokenMachine.Hand before = BrokenMachine.hand(door, "carl", driver);
        LongRender render = door.askedRender();
        assertThat(before.next()).isNotNull();
        before.leave();
        BrokenMachine.Hand again = BrokenMachine.hand(door, "carl", driver);
        Wire.Assignment given = again.next();
        assertThat(given).isNotNull();
        Thread.sleep(1500);
        assertThat(again.heard(given.ticket())).isTrue();
        try (OwnProcess other = door.worker("berta")) {
            Thread.sleep(1500);
            assertThat(again.heard(given.ticket())).as("nobody else has it").isTrue();
            again.leave();
            render.isWholeAtLast(door.client);
        }
    }

    @Test
    @DisplayName("the door for machines answers nobody else, and nothing else with a key")
    void doorAnswersMachinesOnly() {
        Client through = new Client(door.address());
        for (String address : new String[] {"/", "/api/projects", "/api/machines", "/actuator/health"}) {
            assertThat(through.tryGet(address).statusCode()).as(address).isEqualTo(403);
        }
        HttpResponse<byte[]> answer = through.tryPost("/worker/v1/seats", Map.of("name", "x", "driver", "y", "version", "z"));
        assertThat(answer.statusCode()).isEqualTo(401);
        JsonNode keys = door.client.get("/api/machines").get("keys");
        assertThat(StreamSupport.stream(keys.spliterator(), false).map(k -> k.get("name").asString())).containsExactly("room 2");
        assertThat(keys.toString()).doesNotContain("fs-worker-");
    }
}
