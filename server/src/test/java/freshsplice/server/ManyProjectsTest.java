package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** People in projects of their own, made one right after the other, so that their rows lie beside each other in every table. */
@ExtendWith(TestServer.class)
@OwnProjects
class ManyProjectsTest {
    private static final int PEOPLE = 6;
    private static final int EDITS = 8;

    @Test
    @Timeout(120)
    @DisplayName("receiving cuts, editing, undoing and asking for renders at once, nobody is refused for what others do in theirs")
    void atOnce() throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
        try {
            List<Future<JsonNode>> work = new ArrayList<>();
            for (int i = 0; i < PEOPLE; i++) {
                work.add(people.submit(person("Person " + i)));
            }
            for (Future<JsonNode> done : work) {
                JsonNode view = done.get();
                assertThat(view.get("undo").get("name").asString()).startsWith("Slip sh0020");
                assertThat(view.get("redo")).as("what is done after an undo takes its redo away").isNull();
            }
        } finally {
            people.shutdownNow();
        }
    }

    /** @return the project as they left it; every answer on the way was one that says it was done */
    private static Callable<JsonNode> person(String name) {
        return () -> {
            Client client = new Client(TestServer.address(), name);
            Received received = Received.of(client, name, Material.clips(20));
            String edits = "/api/masters/" + received.master() + "/edits";
            JsonNode clips = client.get("/api/masters/" + received.master()).get("clips");
            for (int i = 0; i < EDITS; i++) {
                // pushes all that follows: taken back, it reads what was done after it too
                client.post(edits, Map.of("kind", "FILL", "clips", List.of(clips.get(0).get("id").asLong()), "frames", 1, "ripple", true));
                client.post("/api/projects/" + received.project() + "/undo", null);
                client.post(edits, Map.of("kind", "SLIP", "clips", List.of(clips.get(i % 2).get("id").asLong()), "frames", 1));
            }
            client.upload("/api/projects/" + received.project() + "/files", Map.of("second.edl", Material.edl("SECOND", Material.clips(20))));
            client.post("/api/projects/" + received.project() + "/renders", Map.of("shotIds", List.of(clips.get(3).get("shotId").asLong()), "master", false,
                    "width", 64, "height", 36, "burnIn", false, "blur", false));
            return client.get("/api/projects/" + received.project());
        };
    }
}
