package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** A cut with titles and sound, received, undone, handed back and read again. */
@ExtendWith(TestServer.class)
class SlatesAndSoundBackTest {
    private static final String CUT = """
            <?xml version="1.0"?><xmeml version="5"><sequence><name>reel</name><rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate>
            <timecode><rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate><frame>86400</frame></timecode><media><video><track>
            <clipitem id="c1"><name>gulls</name><duration>500</duration><start>0</start><end>52</end><in>10</in><out>62</out><file id="f1">
            <name>gulls.mov</name><pathurl>file:///cut/gulls.mov</pathurl><duration>500</duration></file></clipitem>
            <generatoritem id="g1"><name>Text</name><start>52</start><end>100</end><in>0</in><out>48</out><effect><name>Text</name>
            <effectid>Text</effectid><effecttype>generator</effecttype><parameter><parameterid>str</parameterid><value>Two weeks later</value>
            </parameter><parameter><parameterid>fontsize</parameterid><value>36</value></parameter></effect></generatoritem>
            <clipitem id="c2"><name>lamp</name><duration>500</duration><start>100</start><end>150</end><in>0</in><out>50</out><file id="f2">
            <name>lamp.mov</name><pathurl>file:///cut/lamp.mov</pathurl><duration>500</duration></file></clipitem>
            </track></video><audio><track><clipitem id="c3"><name>bell</name><duration>480</duration><start>0</start><end>90</end><in>24</in>
            <out>114</out><file id="f3"><name>bell.wav</name><pathurl>file:///snd/bell.wav</pathurl><duration>480</duration></file></clipitem>
            </track></audio></media></sequence></xmeml>
            """;

    private final Client client = new Client(TestServer.address());
    private long project;
    private long master;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Titles " + System.nanoTime(), Map.of("cut.xml", CUT.getBytes(StandardCharsets.UTF_8)));
        project = received.project();
        master = received.master();
    }

    private List<JsonNode> clips() {
        return StreamSupport.stream(client.get("/api/masters/" + master).get("clips").spliterator(), false).toList();
    }

    private String back(String format) {
        return new String(client.postForBytes("/api/projects/" + project + "/hand-back/" + format + "?master=" + master), StandardCharsets.UTF_8);
    }

    @Test
    @DisplayName("a title is a slate with its words, no shot and no number, and goes back as the generator that it was")
    void titles() throws IOException {
        assertThat(clips()).extracting(p -> p.get("content").asString() + " " + p.get("code").asString() + " " + p.get("in").asLong())
                .containsExactly("SHOT sh0010 86400", "SLATE Two weeks later 86452", "SHOT sh0020 86500");
        assertThat(client.get("/api/masters/" + master).get("shots")).hasSize(2);
        assertThat(back("xmeml")).contains("<parameterid>fontsize</parameterid><value>36</value>").containsOnlyOnce("Two weeks later");
        JsonNode newer = client.upload("/api/projects/" + project + "/files", Map.of("newer.xml", CUT.replace("Two weeks", "A month")
                .replace("<start>52</start>", "<start>60</start>").replace("<end>52</end>", "<end>60</end>").replace("<out>62</out>", "<out>70</out>")
                .getBytes(StandardCharsets.UTF_8)));
        long cut = newer.get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/receive", null);
        JsonNode turnover = client.get("/api/cuts/" + cut + "/turnover");
        List<Map<String, String>> all = StreamSupport.stream(turnover.get("changes").spliterator(), false)
                .map(c -> Map.of("id", c.get("id").asString(), "words", c.get("words").asString())).toList();
        assertThat(turnover.get("changes")).extracting(c -> c.get("kind").asString()).contains("REPLACED");
        client.post("/api/cuts/" + cut + "/turnover/apply", Map.of("changes", all));
        assertThat(clips()).extracting(p -> p.get("code").asString() + " " + p.get("in").asLong())
                .containsExactly("sh0010 86400", "A month later 86460", "sh0020 86500");
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(clips()).extracting(p -> p.get("code").asString() + " " + p.get("in").asLong())
                .containsExactly("sh0010 86400", "Two weeks later 86452", "sh0020 86500");
        assertThat(back("xmeml")).contains("<value>36</value>").contains("Two weeks later");
    }

    @Test
    @DisplayName("sound goes back with the edit room's file and place in it; a level is said")
    void sound() {
        assertThat(back("xmeml")).contains("<pathurl>file://localhost/snd/bell.wav</pathurl>");
        assertThat(back("otio")).contains("bell.wav");
        assertThat(back("edl")).contains("* SOURCE FILE: /snd/bell.wav").contains(" A ").contains("00:00:01:00");
        long sound = client.get("/api/masters/" + master).get("sound").get(0).get("id").asLong();
        client.post("/api/sounds/" + sound, Map.of("level", -6));
        assertThat(back("edl")).contains("* LEVEL -6.0 DB");
        assertThat(client.get("/api/projects/" + project + "/hand-back?master=" + master).toString()).contains("it stands there as a comment, LEVEL -6.0 DB");
    }

    @Test
    @DisplayName("a master that is taken away takes its tracks, sound and markers along, and comes back with them")
    void masterTakenAway() {
        client.post("/api/projects/" + project + "/masters", Map.of("name", "other", "shots", 1, "frames", 20));
        client.post("/api/masters/" + master + "/markers", Map.of("at", 86_410, "frames", 1, "words", "bell"));
        JsonNode before = client.get("/api/masters/" + master);
        assertThat(before.get("sound")).isNotEmpty();
        client.post("/api/masters/" + master + "/remove", null);
        JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
        for (String table : List.of("master_track", "sound", "sound_track", "master_marker", "clip")) {
            assertThat(jdbc.queryForObject("select count(*) from " + table + " where alive = 1 and master_id = ?", Integer.class, master)).as(table).isZero();
        }
        client.post("/api/projects/" + project + "/undo", null);
        JsonNode after = client.get("/api/masters/" + master);
        for (String part : List.of("clips", "sound", "markers")) {
            assertThat(after.get(part)).as(part).isEqualTo(before.get(part));
        }
    }
}
