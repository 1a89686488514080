package freshsplice.server;

import java.io.IOException;
import java.util.List;
import java.util.Map;

/** A project of its own with a cut that was received at 24 frames/s, and the master that came of it. */
record Received(long project, long cut, long master) {
    static Received of(Client client, String name, List<Material.Clip> clips) throws IOException {
        return of(client, name, Map.of("e.edl", Material.edl(name, clips)));
    }

    /** @param files the cut among them */
    static Received of(Client client, String name, Map<String, byte[]> files) throws IOException {
        long project = client.post("/api/projects", Map.of("name", name)).get("id").asLong();
        long cut = client.upload("/api/projects/" + project + "/files", files).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        return new Received(project, cut, client.get("/api/projects/" + project).get("masterId").asLong());
    }
}
