package freshsplice.server.drill;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** Everything that a window asks is answered. */
final class AnswersAll implements Watch.Check {
    @Override
    public void look(World world, Touched touched) {
        questions(world).forEach(world.looks()::bytes);
        // these may say why not, in a sentence
        mayRefuse(world).forEach(world.looks()::ask);
    }

    private static List<String> questions(World world) {
        List<String> all = new ArrayList<>(List.of(world.path(""), world.path("/masters"), world.path("/recipes"), world.path("/renders"),
                world.path("/kept-frames"), world.path("/history"), world.path("/tasks"), world.path("/scenes"), world.path("/sheets"),
                world.path("/files?kind=picture&text=&like=")));
        for (long id : world.masters()) {
            String master = "/api/masters/" + id;
            JsonNode view = world.master(id);
            all.addAll(List.of(master + "/changes", master + "/labels?from=" + view.get("start").asLong() + "&count=20", world.path("/renders?master=" + id)));
            view.get("clips").forEach(s -> {
                if (s.path("boardMoves").asBoolean()) {
                    all.add(master + "/board-frames?clip=" + s.get("id").asLong() + "&at=" + s.get("in").asLong());
                }
            });
        }
        Set<Long> shots = world.shots();
        for (long id : shots) {
            String shot = "/api/shots/" + id;
            JsonNode stage = world.stage(id);
            long first = stage.get("first").asLong();
            all.addAll(List.of(shot + "/bake", shot + "/move", shot + "/focus?frame=" + first, shot + "/camera?frame=" + first));
            if (!stage.get("items").isEmpty()) {
                long item = stage.get("items").get(0).get("id").asLong();
                all.addAll(List.of("/api/items/" + item + "/at?frame=" + first, shot + "/in-frame?things=" + item));
            }
        }
        World.ids(world.looks().get(world.path("/scenes")), "id").forEach(id ->
                all.addAll(List.of("/api/scenes/" + id + "/cameras", "/api/scenes/" + id + "/looks", "/api/scenes/" + id + "/meshes.glb")));
        for (JsonNode cut : world.project().get("cuts")) {
            String path = "/api/cuts/" + cut.get("id").asLong();
            all.addAll(List.of(path + "/intake", path + "/sources", path + "/sources/by-order"));
            if (cut.get("state").asString().equals("RECEIVED")) {
                all.add(path + "/clips");
            }
        }
        return all;
    }

    private static List<String> mayRefuse(World world) {
        List<String> all = new ArrayList<>();
        List<Long> masters = world.masters();
        for (JsonNode cut : world.project().get("cuts")) {
            if (cut.get("state").asString().equals("RECEIVED")) {
                masters.stream().limit(2).forEach(master -> all.add("/api/cuts/" + cut.get("id").asLong() + "/turnover?master=" + master));
            }
        }
        masters.forEach(master -> List.of("edl", "xmeml", "aaf", "otio").forEach(format ->
                all.add(world.path("/hand-back?format=" + format + "&master=" + master))));
        return all;
    }
}
