package freshsplice.server;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A master's view put together from an older one and what changed, as the window does it ({@code web/src/server/changes.ts}). */
public final class ChangedMaster {
    private ChangedMaster() {
    }

    /** @param change what the server says changed since the older view, or the whole where it does not know that any more */
    public static JsonNode of(JsonNode older, JsonNode change) {
        if (!change.has("since")) {
            return change.get("whole");
        }
        ObjectNode made = change.get("whole").deepCopy().asObject();
        change.get("lists").properties().forEach(list -> {
            boolean above = list.getKey().startsWith("upper.");
            int track = above ? Integer.parseInt(list.getKey().substring("upper.".length())) : 0;
            JsonNode before = above ? older.get("upper").get(track).get("clips") : older.get(list.getKey());
            ArrayNode after = records(before, list.getValue().get("stretches"));
            (above ? made.get("upper").get(track).asObject() : made).set(above ? "clips" : list.getKey(), after);
        });
        return made;
    }

    private static ArrayNode records(JsonNode before, JsonNode stretches) {
        ArrayNode after = Client.JSON.createArrayNode();
        int at = 0;
        for (JsonNode stretch : stretches) {
            for (int i = 0; i < stretch.get("keep").asInt(); i++) {
                ObjectNode record = before.get(at++).deepCopy().asObject();
                stretch.get("by").properties().forEach(by ->
                        record.put(by.getKey(), record.get(by.getKey()).asLong() + by.getValue().asLong()));
                after.add(record);
            }
            at += stretch.get("skip").asInt();
            stretch.get("put").forEach(after::add);
        }
        return after;
    }
}
