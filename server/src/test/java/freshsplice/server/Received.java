package freshsplice.server;

import java.io.IOException;
import java.util.List;
import java.util.Map;

/** A project of its own with a cut that was received at 24 frames/s, and the master that came of it. */
record Received(long project, long cut, long master) {
    private static final int PATIENCE = 1800;

    static Received of(Client client, String name, List<Material.Clip> clips) throws IOException {
        return of(client, name, Map.of("e.edl", Material.edl(name, clips)));
    }

    /** Waits until nothing is looked for any more: what the server's folders hold of other tests may still come in. */
    static void settled(Client client, long project) {
        for (int i = 0; i < PATIENCE; i++) {
            if (client.get("/api/projects/" + project + "/tasks").isEmpty()) {
                return;
            }
            AskedRenders.pause();
        }
        throw new AssertionError("The server goes on looking for " + client.get("/api/projects/" + project + "/tasks"));
    }

    /** @param files the cut among them */
    static Received of(Client client, String name, Map<String, byte[]> files) throws IOException {
        long project = client.post("/api/projects", Map.of("name", name)).get("id").asLong();
        long cut = client.upload("/api/projects/" + project + "/files", files).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        settled(client, project);
        return new Received(project, cut, client.get("/api/projects/" + project).get("masterId").asLong());
    }
}
