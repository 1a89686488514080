package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.time.Timecode;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.WriteOptions;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A newer cut over HTTP: what two people do at once, sound, and cuts in another format. */
@ExtendWith(TestServer.class)
@OwnProjects
class TurnoverTest {
    private final Client client = new Client(TestServer.address());

    private static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    private long newer(Received received, String name, byte[] bytes) throws IOException {
        long cut = client.upload("/api/projects/" + received.project() + "/files", Map.of(name, bytes)).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        return cut;
    }

    private static List<Material.Clip> trimmed(List<Material.Clip> clips, int... at) {
        List<Material.Clip> next = new ArrayList<>(clips);
        for (int i : at) {
            Material.Clip c = next.get(i);
            next.set(i, new Material.Clip(c.name(), c.from(), c.length() - 5));
        }
        return next;
    }

    private List<JsonNode> edits(long cut) {
        return list(client.get("/api/cuts/" + cut + "/turnover").get("changes")).stream()
                .filter(c -> !c.get("pushed").asBoolean()).toList();
    }

    @Test
    @DisplayName("somebody edits a clip after the list was shown: that change is left and said, the others are applied")
    void movedOn() throws IOException {
        List<Material.Clip> clips = Material.clips(8);
        Received received = Received.of(client, "Moved on", clips);
        long cut = newer(received, "b.edl", Material.edl("b", trimmed(clips, 2, 5)));
        List<JsonNode> seen = edits(cut);
        assertThat(seen).hasSize(2);
        JsonNode clip = client.get("/api/masters/" + received.master()).get("clips").get(2);
        client.post("/api/masters/" + received.master() + "/edits", Map.of("kind", "SLIP", "clips",
                List.of(clip.get("id").asLong()), "frames", 3));
        JsonNode applied = client.applyChanges(cut, seen);
        assertThat(applied.get("applied").asInt()).isEqualTo(1);
        assertThat(list(applied.get("left"))).hasSize(1);
        JsonNode after = client.get("/api/masters/" + received.master());
        assertThat(length(after, 5)).isEqualTo(clips.get(5).length() - 5);
        assertThat(length(after, 2)).as("left as somebody made it").isEqualTo(clips.get(2).length());

        var again = client.tryPost("/api/cuts/" + cut + "/turnover/apply", Map.of("changes",
                List.of(Map.of("id", seen.get(0).get("id").asString(), "words", "x"))));
        assertThat(again.statusCode()).isEqualTo(422);
        assertThat(Client.message(again)).contains("None of these changes is there any more");
    }

    private static long length(JsonNode master, int index) {
        JsonNode clip = master.get("clips").get(index);
        return clip.get("out").asLong() - clip.get("in").asLong();
    }

    @Test
    @DisplayName("applying a part moves the sound with its pictures; one undo takes both back")
    void partWithSound() throws IOException {
        List<Material.Clip> clips = Material.clips(6);
        long at = 86_400 + clips.subList(0, 4).stream().mapToLong(Material.Clip::length).sum();
        String label = Timecode.of(at, FrameRate.FPS_24, false).label();
        String end = Timecode.of(at + 20, FrameRate.FPS_24, false).label();
        byte[] withSound = (new String(Material.edl("With sound", clips), StandardCharsets.UTF_8) + "900  AX A C 00:00:00:00 "
                + "00:00:00:20 " + label + " " + end + "\n* FROM CLIP NAME: wind.wav\n").getBytes(StandardCharsets.UTF_8);
        Received received = Received.of(client, "With sound", Map.of("e.edl", withSound, "wind.wav", Material.tone(30)));
        JsonNode before = client.get("/api/masters/" + received.master());
        long under = before.get("clips").get(4).get("in").asLong();
        JsonNode sound = before.get("sound").get(0);
        assertThat(sound.get("in").asLong()).isEqualTo(under);
        long cut = newer(received, "b.edl", Material.edl("b", trimmed(clips, 1, 5)));
        client.applyChanges(cut, edits(cut).subList(0, 1));
        JsonNode after = client.get("/api/masters/" + received.master());
        assertThat(after.get("clips").get(4).get("in").asLong()).isEqualTo(under - 5);
        assertThat(after.get("sound").get(0).get("in").asLong()).isEqualTo(sound.get("in").asLong() - 5);
        client.post("/api/projects/" + received.project() + "/undo", null);
        JsonNode undone = client.get("/api/masters/" + received.master());
        assertThat(undone.get("sound").get(0).get("in")).isEqualTo(sound.get("in"));
        assertThat(undone.get("clips").get(4).get("in").asLong()).isEqualTo(under);
    }

    @Test
    @DisplayName("the next cut comes as XML that knows files and no reels: nothing but its edits is reported, and people decide")
    void anotherFormat() throws IOException {
        List<Material.Clip> clips = Material.clips(8);
        Received received = Received.of(client, "Another format", clips);
        long cut = newer(received, "b.xml", xml(trimmed(clips, 3)));
        JsonNode list = client.get("/api/cuts/" + cut + "/turnover");
        assertThat(edits(cut)).extracting(c -> c.get("kind").asString() + " " + c.get("tail").asLong())
                .containsExactly("TRIMMED -5");
        assertThat(list(list.get("sources"))).hasSize(8).allMatch(s -> s.get("same").asBoolean());
        JsonNode source = list.get("sources").get(0);
        assertThat(source.get("because").asString()).contains("name");

        Map<String, Object> apart = Map.of("pairs", List.of(Map.of("older", source.get("older").asString(), "newer",
                source.get("newer").asString())), "same", false);
        client.post("/api/cuts/" + cut + "/turnover/sources", apart);
        assertThat(edits(cut)).extracting(c -> c.get("kind").asString()).containsExactly("REPLACED", "TRIMMED");
        assertThat(list(client.get("/api/cuts/" + cut + "/turnover").get("sources")).stream()
                .filter(s -> !s.get("same").asBoolean())).hasSize(1);
        Map<String, Object> together = new LinkedHashMap<>(apart);
        together.put("same", true);
        client.post("/api/cuts/" + cut + "/turnover/sources", together);
        assertThat(edits(cut)).hasSize(1);
        client.post("/api/projects/" + received.project() + "/undo", null);
        client.post("/api/projects/" + received.project() + "/undo", null);
        assertThat(edits(cut)).as("both are steps and taken back").hasSize(1);

        client.applyChanges(cut, list(client.get("/api/cuts/" + cut + "/turnover").get("changes")));
        assertThat(list(client.get("/api/cuts/" + cut + "/turnover").get("changes"))).isEmpty();
        long third = newer(received, "c.edl", Material.edl("c", trimmed(clips, 3, 6)));
        assertThat(edits(third)).extracting(c -> c.get("kind").asString()).containsExactly("TRIMMED");
    }

    private static byte[] xml(List<Material.Clip> clips) {
        List<Event> events = new ArrayList<>();
        long at = 86_400;
        for (Material.Clip c : clips) {
            FrameRange record = FrameRange.ofLength(at, c.length());
            Source source = new Source(c.name() + ".mov", null, "/low water/" + c.name() + ".mov", FrameRate.FPS_24, null, null);
            events.add(Event.clip(null, source.name(), record, source, TimeMap.constant(record, Rational.of(c.from()),
                    Rational.ONE)));
            at += c.length();
        }
        Cut cut = new Cut("b", FrameRate.FPS_24, false, FrameRange.of(86_400, at), List.of(new Track(Track.Kind.PICTURE, "V1",
                true, events, List.of())), List.of());
        return Formats.writer("xmeml").write(cut, WriteOptions.DEFAULT).bytes();
    }

    @Test
    @DisplayName("the first list handed back is noted while somebody edits, and neither writes over the other")
    void handedBackWhileEditing() throws Exception {
        Received received = Received.of(client, "Handed back", Material.clips(4));
        long at = client.get("/api/masters/" + received.master()).get("clips").get(1).get("in").asLong();
        Thread saving = new Thread(() -> {
            for (int i = 0; i < 10; i++) {
                client.postForBytes("/api/projects/" + received.project() + "/hand-back/edl");
            }
        });
        saving.start();
        int made = 0;
        for (int i = 0; i < 20; i++) {
            client.post("/api/masters/" + received.master() + "/seam", Map.of("at", at + i % 2, "frames", i % 2 == 0 ? 1 : -1));
            made++;
        }
        saving.join();
        long seq = client.get("/api/projects/" + received.project()).get("seq").asLong();
        client.post("/api/masters/" + received.master() + "/seam", Map.of("at", at, "frames", 1));
        assertThat(client.get("/api/projects/" + received.project()).get("seq").asLong()).isEqualTo(seq + 1);
        assertThat(seq).isGreaterThanOrEqualTo(made);
    }

    @Test
    @DisplayName("the master that was asked for is handed back, in file name and content, and no other project's")
    void whichMaster() throws Exception {
        Received received = Received.of(client, "First of two", Material.clips(3));
        long second = client.post("/api/projects/" + received.project() + "/masters",
                Map.of("name", "Second of two", "shots", 2, "frames", 31)).asLong();
        String path = "/api/projects/" + received.project() + "/hand-back";
        assertThat(client.get(path + "?master=" + second).get("tally").get("clips").asInt()).isEqualTo(2);
        assertThat(client.get(path).get("tally").get("clips").asInt()).isEqualTo(3);
        HttpResponse<byte[]> list = client.tryPost(path + "/edl?master=" + second, null);
        assertThat(list.headers().firstValue("Content-Disposition").orElseThrow()).contains("second_of_two");
        assertThat(new String(list.body(), StandardCharsets.UTF_8)).contains("TITLE: Second of two").contains("01:00:01:07");
        long other = Received.of(client, "Another's", Material.clips(1)).project();
        assertThat(client.tryPost("/api/projects/" + other + "/hand-back/edl?master=" + second, null).statusCode())
                .isEqualTo(404);
    }
}
