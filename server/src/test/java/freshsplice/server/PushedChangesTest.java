package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Windows are told what edits changed of the master that they show, before they ask. */
@ExtendWith(TestServer.class)
@WholeServer
class PushedChangesTest {
    private final Client client = new Client(TestServer.address());
    private final ExecutorService readers = Executors.newCachedThreadPool();
    private final HttpClient http = HttpClient.newHttpClient();

    @AfterEach
    void letGo() {
        readers.shutdownNow();
    }

    /** A window as it hears of edits: what it has is made of what it is told alone, as {@code web/src/server/pushed.ts} does it. */
    private final class Window {
        private final List<JsonNode> told = new CopyOnWriteArrayList<>();
        private volatile String stamp;

        Window(Received received, Long master) throws InterruptedException {
            stamp = stampOf(received.master());
            String address = TestServer.address() + "/api/projects/" + received.project() + "/live"
                    + (master == null ? "" : "?master=" + master);
            readers.submit(() -> {
                http.send(HttpRequest.newBuilder(URI.create(address)).build(), BodyHandlers.ofLines()).body()
                        .filter(line -> line.startsWith("data:")).forEach(line ->
                                Client.JSON.readTree(line.substring("data:".length())).forEach(this::hear));
                return null;
            });
            await(() -> !told.isEmpty(), "the line is open");
        }

        private void hear(JsonNode what) {
            told.add(what);
            JsonNode change = what.get("change");
            if (change != null && change.get("since").asString().equals(stamp)) {
                stamp = change.get("whole").get("stamp").asString();
            }
        }

        List<String> kinds() {
            List<String> kinds = new ArrayList<>();
            told.forEach(what -> what.propertyNames().forEach(kinds::add));
            return kinds;
        }
    }

    private String stampOf(long master) {
        return client.get("/api/masters/" + master + "/changes").get("whole").get("stamp").asString();
    }

    private static void await(BooleanSupplier done, String what) throws InterruptedException {
        for (int i = 0; i < 3000 && !done.getAsBoolean(); i++) {
            Thread.sleep(10);
        }
        assertThat(done.getAsBoolean()).as(what).isTrue();
    }

    private void slip(Received received, int clip) {
        JsonNode clips = client.get("/api/masters/" + received.master()).get("clips");
        client.post("/api/masters/" + received.master() + "/edits", Map.of("kind", "SLIP", "frames", 1, "clips",
                List.of(clips.get(clip).get("id").asLong())));
    }

    @Test
    @DisplayName("every window of a master gets from what it has to what stands, by what it is told alone, however others ask meanwhile")
    void chain() throws IOException, InterruptedException {
        Received received = Received.of(client, "Pushed", Material.clips(6));
        Window first = new Window(received, received.master());
        slip(received, 1);
        await(() -> first.kinds().contains("ask") || first.kinds().contains("change"), "told of the first edit");
        Window late = new Window(received, received.master());
        first.stamp = late.stamp;
        for (int i = 0; i < 8; i++) {
            slip(received, i % 5);
            // somebody asks between: that makes views which nobody was told of yet
            stampOf(received.master());
        }
        client.post("/api/projects/" + received.project() + "/undo", null);
        await(() -> first.stamp.equals(stampOf(received.master())), "the first window has what stands");
        await(() -> late.stamp.equals(stampOf(received.master())), "and so has the one that came late");
    }

    @Test
    @DisplayName("a window of another master, or of none, hears of the edit and gets no tracks")
    void others() throws IOException, InterruptedException {
        Received received = Received.of(client, "Pushed to some", Material.clips(4));
        long other = client.post("/api/projects/" + received.project() + "/masters", Map.of("name", "Other", "shots", 2, "frames", 10))
                .asLong();
        // a change is pushed from a view that the server told: two edits that it comes to at once would be its first view otherwise
        client.get("/api/masters/" + received.master());
        Window shows = new Window(received, received.master());
        Window elsewhere = new Window(received, other);
        Window none = new Window(received, null);
        slip(received, 1);
        slip(received, 2);
        await(() -> shows.kinds().contains("change"), "the window that shows it");
        Thread.sleep(300);
        assertThat(none.kinds()).containsOnly("update");
        assertThat(elsewhere.told).noneMatch(what -> what.has("change")
                && what.get("change").get("whole").get("id").asLong() != other);
        assertThat(none.told).anyMatch(what -> what.get("update").get("kind").asString().equals("edit"));
    }

    @Test
    @DisplayName("a window that names a master of another project hears of its own project alone")
    void ofAnotherProject() throws IOException, InterruptedException {
        Received own = Received.of(client, "Pushed here", Material.clips(3));
        Received foreign = Received.of(client, "Pushed elsewhere", Material.clips(3));
        Window window = new Window(own, foreign.master());
        slip(foreign, 1);
        slip(foreign, 1);
        slip(own, 1);
        slip(own, 1);
        await(() -> window.kinds().size() > 2, "told of its own edits");
        Thread.sleep(300);
        assertThat(window.kinds()).containsOnly("update");
    }

    @Test
    @DisplayName("a master that was taken away is asked about, and told of again when it is back")
    void takenAway() throws IOException, InterruptedException {
        Received received = Received.of(client, "Pushed and gone", Material.clips(4));
        client.post("/api/projects/" + received.project() + "/masters", Map.of("name", "Other", "shots", 2, "frames", 10));
        Window window = new Window(received, received.master());
        slip(received, 1);
        await(() -> window.kinds().contains("ask") || window.kinds().contains("change"), "told");
        client.post("/api/masters/" + received.master() + "/remove", null);
        int before = window.told.size();
        await(() -> window.told.subList(before, window.told.size()).stream().anyMatch(what -> what.has("ask"))
                || "ask".equals(last(window.kinds())), "asked to look");
        client.post("/api/projects/" + received.project() + "/undo", null);
        window.stamp = stampOf(received.master());
        slip(received, 2);
        slip(received, 1);
        await(() -> last(window.told).has("change"), "told again");
    }

    private static <T> T last(List<T> all) {
        return all.get(all.size() - 1);
    }
}
