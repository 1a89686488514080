package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A movie that stands for clips shows the same frame of itself in the cut, over the camera and in small pictures. */
@OwnProjects
@ExtendWith(TestServer.class)
class MovieBoardsTest {
    /** Parts of one movie: at normal speed, at twice that, and of a clip whose timecode the movie does not have. */
    static final String EDL = """
            TITLE: Movies
            FCM: NON-DROP FRAME
            001  NM01 V C 00:00:00:10 00:00:02:02 01:00:00:00 01:00:01:16
            * FROM CLIP NAME: wave.mp4
            002  NM01 V C 00:00:02:12 00:00:03:18 01:00:01:16 01:00:02:22
            M2   NM01 048.0 00:00:02:12
            * FROM CLIP NAME: wave.mp4
            003  GU01 V C 01:00:00:00 01:00:01:00 01:00:02:22 01:00:03:22
            * FROM CLIP NAME: gull.mp4
            """;

    private final Client client = new Client(TestServer.address());
    private Received received;

    @BeforeEach
    void receive() throws IOException {
        received = Received.of(client, "Movies", Map.of("e.edl", EDL.getBytes(StandardCharsets.UTF_8), "wave.mp4",
                Material.movie(120), "gull.mp4", Material.movie(30)));
    }

    private JsonNode clips() {
        return client.get("/api/masters/" + received.master()).get("clips");
    }

    private void edit(String kind, int clip, Map<String, Object> more) {
        Map<String, Object> edit = new HashMap<>(more);
        edit.put("kind", kind);
        edit.put("clips", List.of(clips().get(clip).get("id").asLong()));
        client.post("/api/masters/" + received.master() + "/edits", edit);
    }

    private static List<Long> longs(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false).map(JsonNode::asLong).toList();
    }

    private List<Long> overTheCamera(JsonNode clip) {
        return longs(client.get("/api/masters/" + received.master() + "/board-frames?clip=" + clip.get("id").asLong()
                + "&at=" + clip.get("in").asLong()).get("frames"));
    }

    private static List<Long> counted(long from, int step, int frames) {
        return LongStream.range(0, frames).mapToObj(k -> from + k * step).toList();
    }

    @Test
    @DisplayName("over the camera it is the cut's, to the frame")
    void asTheCut() {
        List<List<Long>> over = new ArrayList<>();
        for (JsonNode clip : clips()) {
            assertThat(clip.get("boardMoves").asBoolean()).isTrue();
            over.add(overTheCamera(clip));
        }
        assertThat(over).containsExactly(counted(10, 1, 40), counted(60, 2, 30), counted(0, 1, 24));
        JsonNode clips = client.get("/api/cuts/" + received.cut() + "/clips").get("clips");
        assertThat(StreamSupport.stream(clips.spliterator(), false).map(p -> longs(p.get("mediaFrames")))).isEqualTo(over);
    }

    @Test
    @DisplayName("trimmed, slipped, slowed and tried above, it stays with the shot's frames")
    void edited() {
        edit("HEAD", 0, Map.of("frames", 5));
        assertThat(overTheCamera(clips().get(0))).isEqualTo(counted(15, 1, 35));
        edit("SLIP", 1, Map.of("frames", -4));
        assertThat(overTheCamera(clips().get(1))).as("four shot frames are eight of the movie").isEqualTo(counted(52, 2, 30));
        edit("SPEED", 2, Map.of("speed", "1/2"));
        assertThat(overTheCamera(clips().get(2)).subList(0, 6)).containsExactly(0L, 0L, 1L, 1L, 2L, 2L);
        edit("HEAD", 0, Map.of("frames", -20));
        assertThat(overTheCamera(clips().get(0)).subList(0, 8)).as("before its first frame it holds that")
                .containsExactly(0L, 0L, 0L, 0L, 0L, 0L, 1L, 2L);
    }

    @Test
    @DisplayName("small pictures show the middle of a clip, the list of sources what is used first, Turnover the head")
    void smallPictures() throws IOException {
        JsonNode intake = client.get("/api/cuts/" + received.cut() + "/intake");
        assertThat(frames(intake.get("shots"))).containsExactly(30L, 90L, 12L);
        assertThat(frames(intake.get("tracks").get(0).get("events"))).containsExactly(30L, 90L, 12L);
        assertThat(frames(client.get("/api/cuts/" + received.cut() + "/sources"))).containsExactly(10L, 0L);
        String newer = EDL.replace("00:00:00:10 00:00:02:02", "00:00:00:12 00:00:02:04");
        long cut = client.upload("/api/projects/" + received.project() + "/files", Map.of("n.edl",
                newer.getBytes(StandardCharsets.UTF_8))).get("cutId").asLong();
        assertThat(frames(client.get("/api/cuts/" + cut + "/turnover").get("theirs"))).containsExactly(12L, 60L, 0L);
    }

    private static List<Long> frames(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false).map(n -> n.get("mediaFrame").asLong()).toList();
    }
}
