package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The tracks as a window puts them together from what changed are the tracks as they are. */
@ExtendWith(TestServer.class)
@OwnProjects
class MasterChangesTest {
    private static final List<String> KINDS = List.of("TAIL", "HEAD", "SLIP", "EXTRACT", "LIFT", "DUPLICATE", "SWAP", "SPEED",
            "COPY_UP", "LAY_DOWN", "NEST", "SWITCH", "DISSOLVE", "TRACK_ADD", "KEY");

    private final Client client = new Client(TestServer.address());
    private Received received;

    private JsonNode changes(String since) {
        return client.get("/api/masters/" + received.master() + "/changes" + (since == null ? "" : "?since=" + since));
    }

    private Map<String, Object> anyEdit(Random random, JsonNode view) {
        JsonNode clip = view.get("clips").get(random.nextInt(view.get("clips").size()));
        return new TreeMap<>(Map.of("kind", KINDS.get(random.nextInt(KINDS.size())), "clips", List.of(clip.get("id").asLong()),
                "ripple", random.nextInt(3) > 0, "frames", random.nextInt(13) - 6, "at", clip.get("in").asLong() + 3,
                "text", "N" + random.nextInt(1000), "speed", "3/4"));
    }

    @RepeatedTest(4)
    @DisplayName("after any edit, undone and done again too")
    void any(RepetitionInfo info) throws IOException {
        Random random = new Random(info.getCurrentRepetition() * 31L);
        received = Received.of(client, "Changes " + info.getCurrentRepetition(), Material.clips(12));
        JsonNode window = changes(null).get("whole");
        // what is undone is one's own: never the receiving itself
        int done = 0;
        for (int i = 0; i < 25; i++) {
            boolean back = random.nextBoolean();
            if (random.nextInt(5) == 0 && (!back || done > 0)) {
                done += client.tryPost("/api/projects/" + received.project() + (back ? "/undo" : "/redo"), null).statusCode() != 200 ? 0
                        : back ? -1 : 1;
            } else {
                done += client.tryPost("/api/masters/" + received.master() + "/edits", anyEdit(random, window)).statusCode() == 200
                        ? 1 : 0;
            }
            JsonNode change = changes(window.get("stamp").asString());
            window = ChangedMaster.of(window, change);
            assertThat(window.toString()).isEqualTo(client.get("/api/masters/" + received.master()).toString());
        }
    }

    @Test
    @DisplayName("a window whose view nobody knows any more gets the whole; one that is up to date gets nothing new")
    void unknown() throws IOException {
        received = Received.of(client, "Unknown", Material.clips(3));
        assertThat(changes("0badc0de.1").has("since")).isFalse();
        assertThat(changes("0badc0de.1").get("whole").get("clips")).hasSize(3);
        JsonNode none = changes(changes(null).get("whole").get("stamp").asString());
        assertThat(none.get("whole").get("clips")).isEmpty();
        assertThat(none.get("lists").get("clips").get("stretches")).hasSize(1);
    }
}
