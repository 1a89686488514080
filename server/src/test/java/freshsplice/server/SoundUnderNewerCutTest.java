package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Laid sound when a newer cut is applied in whole: the cut says where its own sound lies, people what they did to it and beside it. */
@ExtendWith(TestServer.class)
@OwnProjects
class SoundUnderNewerCutTest {
    private static final long START = 86_400;

    private final Client client = new Client(TestServer.address());
    private Received received;

    private static String label(long frame) {
        return Timecode.of(frame, FrameRate.FPS_24, false).label();
    }

    /** Two clips of picture, with one of sound under them where its length is not 0. */
    private static byte[] edl(long first, long sound) {
        String picture = new String(Material.edl("Sound", List.of(new Material.Clip("a", 0, first), new Material.Clip("b", 0, 50))), StandardCharsets.UTF_8);
        return (sound == 0 ? picture : picture + String.format("003  SEA A C %s %s %s %s%n* FROM CLIP NAME: sea%n", label(0), label(sound), label(START),
                label(START + sound))).getBytes(StandardCharsets.UTF_8);
    }

    private void receive(byte[] cut) throws IOException {
        received = Received.of(client, "Sound under", Map.of("cut.edl", cut, "sea.wav", Material.tone(4), "guide.wav", Material.tone(3)));
    }

    private void applyAll(byte[] newer) throws IOException {
        long cut = client.upload("/api/projects/" + received.project() + "/files", Map.of("newer.edl", newer)).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        JsonNode changes = client.get("/api/cuts/" + cut + "/turnover").get("changes");
        assertThat(changes).isNotEmpty();
        client.applyChanges(cut, changes);
    }

    private Map<String, JsonNode> sound() {
        Map<String, JsonNode> byName = new HashMap<>();
        client.get("/api/masters/" + received.master()).get("sound").forEach(s -> byName.merge(s.get("name").asString(), s, (one, two) -> {
            throw new AssertionError(one + " is there twice: " + two);
        }));
        return byName;
    }

    private long media(String name) {
        for (JsonNode file : client.get("/api/projects/" + received.project() + "/files?kind=sound&text=&like=").get("files")) {
            if (file.get("path").asString().contains(name)) {
                return file.get("mediaId").asLong();
            }
        }
        throw new AssertionError("No file " + name);
    }

    @Test
    @DisplayName("a picture-only cut leaves all laid sound as it is, and lays none")
    void pictureOnly() throws IOException {
        receive(edl(40, 0));
        long guide = sound().get("guide.wav").get("id").asLong();
        client.post("/api/sounds/" + guide, Map.of("level", -12, "fadeIn", 6, "tail", -8));
        client.post("/api/sounds/" + sound().get("sea.wav").get("id").asLong() + "/remove", null);
        JsonNode before = sound().get("guide.wav");
        applyAll(edl(34, 0));
        assertThat(sound()).containsOnlyKeys("guide.wav");
        assertThat(sound().get("guide.wav")).isEqualTo(before);
    }

    @Test
    @DisplayName("sound of the cut follows the newer cut with its level and fades; what was laid by hand stays")
    void ofTheCut() throws IOException {
        receive(edl(40, 60));
        long sea = sound().get("sea").get("id").asLong();
        client.post("/api/sounds/" + sea, Map.of("level", -3, "fadeOut", 12));
        // that no event names it lay at the first frame: here somebody lays it elsewhere
        client.post("/api/sounds/" + sound().get("guide.wav").get("id").asLong() + "/remove", null);
        long byHand = client.post("/api/masters/" + received.master() + "/sounds", Map.of("mediaId", media("guide"), "at", START + 45)).asLong();
        client.post("/api/sounds/" + byHand, Map.of("level", -20));
        applyAll(edl(34, 54));
        JsonNode now = sound().get("sea");
        assertThat(now.get("id").asLong()).isEqualTo(sea);
        assertThat(now.get("out").asLong() - now.get("in").asLong()).isEqualTo(54);
        assertThat(now.get("level").asDouble()).isEqualTo(-3);
        assertThat(now.get("fadeOut").asLong()).isEqualTo(12);
        assertThat(sound().get("guide.wav").get("id").asLong()).isEqualTo(byHand);
        assertThat(sound().get("guide.wav").get("level").asDouble()).isEqualTo(-20);
        client.post("/api/projects/" + received.project() + "/undo", null);
        assertThat(sound().get("sea").get("out").asLong() - sound().get("sea").get("in").asLong()).isEqualTo(60);
    }
}
