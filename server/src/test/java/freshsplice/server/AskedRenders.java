package freshsplice.server;

import freshsplice.render.FrameFile;
import freshsplice.render.Pixels;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** Small renders of a project that was received, asked for and waited for. */
record AskedRenders(Client client, long project, long master) {
    private static final Set<String> ENDED = Set.of("DONE", "FAILED", "STOPPED");
    private static final int PATIENCE = 1800;

    /** What is asked for. @param more than a render of the shots as their cameras see them, 160 pixels wide */
    Map<String, Object> ask(Map<String, Object> more, long... shots) {
        Map<String, Object> ask = new HashMap<>(Map.of("shotIds", LongStream.of(shots).boxed().toList(), "master", false, "masterId", master,
                "width", 160, "height", 90, "burnIn", false, "blur", false));
        ask.putAll(more);
        return ask;
    }

    /** Ids of those that came of it, once all have ended. */
    List<Long> render(Map<String, Object> more, long... shots) {
        List<Long> ids = new ArrayList<>();
        client.post("/api/projects/" + project + "/renders", ask(more, shots)).forEach(id -> ids.add(id.asLong()));
        ids.forEach(id -> await(id, ENDED));
        return ids;
    }

    JsonNode of(long id) {
        return StreamSupport.stream(client.get("/api/projects/" + project + "/renders?master=" + master).spliterator(), false)
                .filter(r -> r.get("id").asLong() == id).findFirst().orElseThrow();
    }

    JsonNode ended(long id) {
        return await(id, ENDED);
    }

    JsonNode await(long id, Set<String> states) {
        for (int i = 0; i < PATIENCE; i++) {
            JsonNode render = of(id);
            if (states.contains(render.get("state").asString())) {
                return render;
            }
            pause();
        }
        throw new AssertionError("The render stays " + of(id).get("state"));
    }

    static void pause() {
        try {
            Thread.sleep(50);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    static Path keptFrame(long render, long frame) {
        return TestServer.bean(Folders.class).frames().resolve(String.valueOf(render)).resolve("frames").resolve(FrameFile.name(frame));
    }

    static Pixels frame(long render, long frame) throws IOException {
        return FrameFile.read(keptFrame(render, frame));
    }

    /** A recipe of some kinds of files. @param look other than plain, 160 x 90 */
    static Map<String, Object> recipe(Map<String, Object> look, Map<String, Object> more, String... kinds) {
        Map<String, Object> recipe = new TreeMap<>(Map.of("burnIn", List.of(), "text", "", "sound", true, "unstaged", "BOARD", "movieName",
                "{shot}_{version}", "runName", "{shot}_{version}.{frame}"));
        Map<String, Object> whole = new HashMap<>(Map.of("width", 160, "height", 90, "percent", 100, "edges", "QUICK", "shutter", 0, "samples", 8,
                "blur", false, "board", 0));
        whole.putAll(look);
        recipe.put("look", whole);
        recipe.put("outputs", Stream.of(kinds).map(k -> Map.of("kind", k, "on", true, "quality", 80, "alpha", false, "numbering", Map.of())).toList());
        recipe.putAll(more);
        return recipe;
    }
}
