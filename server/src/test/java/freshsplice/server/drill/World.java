package freshsplice.server.drill;

import freshsplice.server.Material;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** The project of a week, as somebody sees it who looks now. */
final class World {
    private final Person looks;
    private final long project;
    private final String title;
    private final List<Material.Clip> cut;

    private World(Person looks, long project, String title, List<Material.Clip> cut) {
        this.looks = looks;
        this.project = project;
        this.title = title;
        this.cut = new ArrayList<>(cut);
    }

    /** A first cut with pictures and sound, received at 24 frames/s. */
    static World begin(Person who, String title, Dice dice) {
        List<Material.Clip> clips = new ArrayList<>(Material.clips(5 + dice.below(4)));
        long project = who.post("/api/projects", Map.of("name", title)).orElseThrow().get("id").asLong();
        Map<String, byte[]> files = new HashMap<>(Map.of("cut.edl", Material.edl(title, clips), "guide.wav", Material.tone(2),
                "sea.wav", Material.tone(3)));
        clips.stream().limit(3).forEach(c -> files.put(c.name() + ".png", Material.picture(c.name(), 64, 36)));
        long received = who.upload("/api/projects/" + project + "/files", files).orElseThrow().get("cutId").asLong();
        who.post("/api/cuts/" + received + "/rate?rate=24", null);
        who.post("/api/cuts/" + received + "/receive", null);
        who.post("/api/projects/" + project + "/picture", Map.of("width", 64, "height", 36));
        return new World(who, project, title, clips);
    }

    Person looks() {
        return looks;
    }

    String title() {
        return title;
    }

    /** The clips of the cut that came last, to make the next one of. */
    List<Material.Clip> cut() {
        return cut;
    }

    String path(String rest) {
        return "/api/projects/" + project + rest;
    }

    long id() {
        return project;
    }

    JsonNode project() {
        return looks.get(path(""));
    }

    List<Long> masters() {
        return ids(looks.get(path("/masters")), "id");
    }

    JsonNode master(long id) {
        return looks.get("/api/masters/" + id);
    }

    /** One of the masters; none where all were removed. */
    Optional<JsonNode> anyMaster(Dice dice) {
        List<Long> all = masters();
        return all.isEmpty() ? Optional.empty() : Optional.of(master(dice.of(all)));
    }

    /** All clips of a master, on all tracks. */
    static List<JsonNode> clips(JsonNode master) {
        List<JsonNode> all = new ArrayList<>();
        master.get("clips").forEach(all::add);
        master.get("upper").forEach(track -> track.get("clips").forEach(all::add));
        return all;
    }

    /** Shots that some master shows, each once. */
    Set<Long> shots() {
        return masters().stream().flatMap(id -> clips(master(id)).stream()).map(clip -> clip.path("shotId").asLong())
                .filter(id -> id > 0).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** What is staged of one of the shots; none where there is no shot. */
    Optional<JsonNode> anyStage(Dice dice) {
        List<Long> all = List.copyOf(shots());
        return all.isEmpty() ? Optional.empty() : Optional.of(stage(dice.of(all)));
    }

    JsonNode stage(long shot) {
        return looks.get("/api/shots/" + shot + "/stage");
    }

    List<JsonNode> media(String kind) {
        return list(looks.get(path("/files?kind=" + kind + "&text=&like=")).get("files")).stream().filter(f -> f.path("mediaId").asLong() > 0).toList();
    }

    static void pause(int ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Stopped while a week went on", e);
        }
    }

    static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    static List<Long> ids(JsonNode array, String field) {
        return list(array).stream().map(n -> n.get(field).asLong()).toList();
    }
}
