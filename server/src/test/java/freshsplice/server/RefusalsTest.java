package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Bad input ends in a sentence, and nothing is lost or half done. */
@ExtendWith(TestServer.class)
@OwnProjects
class RefusalsTest {
    private final Client client = new Client(TestServer.address());
    private long project;

    @BeforeEach
    void newProject() {
        project = client.post("/api/projects", Map.of("name", "Refusals")).get("id").asLong();
    }

    private String refused(String name, byte[] bytes) throws IOException {
        JsonNode arrived = client.upload("/api/projects/" + project + "/files", Map.of(name, bytes));
        assertThat(arrived.has("cutId")).isFalse();
        assertThat(arrived.get("media")).isEmpty();
        assertThat(client.get("/api/projects/" + project).get("cuts")).isEmpty();
        return arrived.get("refused").get(0).asString();
    }

    @Test
    void filesThatAreNoCutAndNoPictureAreRefusedOneByOne() throws IOException {
        byte[] noise = new byte[50_000];
        new Random(4).nextBytes(noise);
        assertThat(refused("a.edl", new byte[0])).contains("a.edl is empty");
        assertThat(refused("b.edl", noise)).contains("b.edl is no cut");
        assertThat(refused("c.edl", "hello".getBytes(StandardCharsets.UTF_8))).contains("no event lines");
        assertThat(refused("d.png", noise)).contains("d.png");
        assertThat(refused("e.m3u8", "#EXTM3U\n#EXTINF:1,\n/etc/hostname\n".getBytes(StandardCharsets.UTF_8)))
                .contains("no picture and no sound");
        assertThat(refused("f.edl", ("FCM: DROP FRAME\n001 R V C 00:01:00;00 00:01:02;00 01:00:00;00 01:00:02;00\n")
                .getBytes(StandardCharsets.UTF_8))).contains("line 2").contains("00:01:00;00");
        assertThat(refused("wide.png", Material.picture("w", 20_000, 4))).contains("20000 x 4 pixels");
    }

    @Test
    void oneBadFileDoesNotTakeTheOthersWithIt() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("good.png", Material.picture("g", 64, 36));
        files.put("bad.png", "no".getBytes(StandardCharsets.UTF_8));
        files.put("cut.edl", Material.edl("Cut", Material.clips(2)));
        JsonNode arrived = client.upload("/api/projects/" + project + "/files", files);
        assertThat(arrived.get("media")).hasSize(1);
        assertThat(arrived.get("refused")).hasSize(1);
        assertThat(arrived.get("cutId").asLong()).isPositive();
    }

    @Test
    void namesAreOnlyEverLabels() throws IOException {
        String name = "../../etc/" + "ü".repeat(280) + "\u0007 x.png";
        JsonNode arrived = client.upload("/api/projects/" + project + "/files",
                Map.of(name.replace("\u0007", ""), Material.picture("n", 64, 36)));
        assertThat(arrived.get("media").get(0).asString()).startsWith("üü").endsWith(".png").doesNotContain("/");
    }

    @Test
    void theSameFileTwiceIsNoticed() throws IOException {
        byte[] edl = Material.edl("Twice", Material.clips(3));
        client.upload("/api/projects/" + project + "/files", Map.of("one.edl", edl));
        long second = client.upload("/api/projects/" + project + "/files", Map.of("two.edl", edl)).get("cutId").asLong();
        assertThat(client.get("/api/cuts/" + second + "/intake").get("sameAs").asInt()).isEqualTo(1);
    }

    @Test
    void tenThousandEventsAreReadShownAndReceived() throws IOException {
        byte[] edl = Material.edl("Long", Material.clips(10_000));
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("long.edl", edl)).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        JsonNode sequence = client.get("/api/masters/" + client.get("/api/projects/" + project).get("masterId").asLong());
        assertThat(sequence.get("clips")).hasSize(10_000);
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(client.get("/api/projects/" + project).has("masterId")).isFalse();
    }

    @Test
    void numbersOutOfRangeAreRefusedInASentence() throws IOException {
        long cut = client.upload("/api/projects/" + project + "/files",
                Map.of("c.edl", Material.edl("C", Material.clips(2)))).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        long master = client.get("/api/projects/" + project).get("masterId").asLong();
        long shot = client.get("/api/masters/" + master).get("clips").get(0).get("shotId").asLong();
        assertThat(new OnStage(client).refused(shot, "SET", Map.of("frame", 1001, "values", Map.of("lens", -5)))).contains("lens of a camera is between");
        assertThat(new OnStage(client).refused(shot, "SET", Map.of("frame", 1001, "values", Map.of("zoom", 5)))).contains("zoom");
        assertThat(Client.message(client.tryPost("/api/projects/" + project + "/renders", Map.of("shotIds",
                java.util.List.of(shot), "master", false, "width", 321, "height", 90, "burnIn", true, "blur", false))))
                .isEqualTo("H.264 needs an even number of pixels wide: 320 or 322, not 321");
        assertThat(client.tryPost("/api/masters/" + master + "/seam", "nonsense").statusCode()).isEqualTo(400);
        assertThat(client.tryPost("/api/masters/7/seam", Map.of("at", 1, "frames", 1)).statusCode()).isEqualTo(404);
        assertThat(client.send(client.to("/api/masters/" + master + "/position?text=1:99&from=0")).statusCode())
                .isEqualTo(422);
        assertThat(client.get("/api/projects/" + project).get("undo").get("name").asString()).startsWith("Receive");
    }

    @Test
    void onlyThisMachinesOwnPageIsAnswered() throws IOException {
        assertThat(client.send(client.to("/api/projects").header("Origin", "http://elsewhere.example")).statusCode())
                .isEqualTo(403);
        assertThat(client.send(client.to("/api/projects").header("Origin", TestServer.address())).statusCode())
                .isEqualTo(200);
        int port = URI.create(TestServer.address()).getPort();
        try (Socket socket = new Socket("127.0.0.1", port); InputStream in = socket.getInputStream()) {
            socket.getOutputStream().write(("GET /api/projects HTTP/1.1\r\nHost: elsewhere.example:" + port
                    + "\r\nConnection: close\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
            assertThat(new String(in.readAllBytes(), StandardCharsets.UTF_8)).startsWith("HTTP/1.1 403");
        }
    }

    @Test
    void whatTablesCannotHoldIsSaidInWordsBefore() throws IOException {
        Received received = Received.of(client, "Flat", Material.clips(2));
        long scene = client.get("/api/projects/" + received.project()).get("sceneId").asLong();
        var flat = client.tryPost("/api/scenes/" + scene + "/edits", OnStage.edit("ADD", Map.of("shape", "BLOCK", "size",
                java.util.List.of(0, 1, 1), "x", 0, "y", 0, "z", 0, "turn", 0)));
        assertThat(flat.statusCode()).isEqualTo(422);
        assertThat(Client.message(flat)).contains("width above 0").doesNotContain("anew");
        byte[] numbered = new String(Material.edl("N", Material.clips(2)), StandardCharsets.UTF_8)
                .replace("001  NM01", "12345678901234567890123  NM01").getBytes(StandardCharsets.UTF_8);
        assertThat(client.upload("/api/projects/" + project + "/files", Map.of("n.edl", numbered)).has("cutId")).isTrue();
    }

    @Test
    void aBodyOfAnotherTypeAndAnotherMethodAreSaidAsSuch() throws Exception {
        HttpRequest form = HttpRequest.newBuilder(URI.create(TestServer.address() + "/api/projects"))
                .header("Content-Type", "application/x-www-form-urlencoded").POST(HttpRequest.BodyPublishers.ofString("a=b"))
                .build();
        HttpResponse<byte[]> answer = HttpClient.newHttpClient().send(form, HttpResponse.BodyHandlers.ofByteArray());
        assertThat(answer.statusCode()).isEqualTo(415);
        assertThat(Client.message(answer)).contains("application/json");
        assertThat(client.tryGet("/api/projects/" + project + "/hand-back/edl").statusCode()).as("a GET writes nothing")
                .isEqualTo(405);
    }

    @Test
    void anEmptyListOfChangesIsRefusedWithItsField() throws IOException {
        Received received = Received.of(client, "Empty", Material.clips(3));
        var none = client.tryPost("/api/cuts/" + received.cut() + "/turnover/apply", Map.of("changes", List.of()));
        assertThat(none.statusCode()).isEqualTo(422);
        assertThat(Client.message(none)).contains("changes");
    }

    @Test
    void aPictureAskedForAsSoundIsAFileToBeSaved() throws IOException {
        client.upload("/api/projects/" + project + "/files", Map.of("board.png", Material.picture("b", 64, 36)));
        long media = client.get("/api/projects/" + project + "/files").get("files").get(0).get("mediaId").asLong();
        HttpResponse<byte[]> answer = client.tryGet("/api/media/" + media + "/sound");
        assertThat(answer.headers().firstValue("Content-Type")).hasValue("application/octet-stream");
        assertThat(answer.headers().firstValue("Content-Disposition")).hasValue("attachment");
        assertThat(answer.headers().firstValue("X-Content-Type-Options")).hasValue("nosniff");
    }
}
