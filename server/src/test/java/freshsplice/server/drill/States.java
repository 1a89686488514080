package freshsplice.server.drill;

import freshsplice.server.Client;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What windows are told of a project, to be compared with what they were told at another time. */
final class States {
    /** Numbers of edits, what is drawn meanwhile, and what came in besides. */
    private static final Set<String> ASIDE = Set.of("seq", "stamp", "renders", "gaps", "stand", "toRender", "renderId", "renderIds", "version", "counts", "undo", "redo", "renderOffset", "render", "covered", "stale",
            "shared", "reach");

    private States() {
    }

    /** What is laid, staged and kept, by the address that tells it. */
    static Map<String, JsonNode> of(World world) {
        Map<String, JsonNode> state = new TreeMap<>();
        Person who = world.looks();
        for (long master : world.masters()) {
            state.put("master " + master, withoutAside(world.master(master)));
        }
        for (long shot : world.shots()) {
            state.put("stage of shot " + shot, withoutAside(world.stage(shot)));
            state.put("bake of shot " + shot, Client.JSON.valueToTree(java.util.Arrays.hashCode(who.bytes("/api/shots/" + shot + "/bake"))));
        }
        for (JsonNode scene : who.get(world.path("/scenes"))) {
            state.put("cameras of scene " + scene.get("id"), withoutAside(who.get("/api/scenes/" + scene.get("id").asLong() + "/cameras")));
        }
        List.of("/scenes", "/recipes", "/masters").forEach(path -> state.put(path, withoutAside(who.get(world.path(path)))));
        return state;
    }

    /** @return where the two differ first, and how; empty where they do not */
    static String difference(Map<String, JsonNode> one, Map<String, JsonNode> other) {
        Set<String> keys = new TreeSet<>(one.keySet());
        keys.addAll(other.keySet());
        for (String key : keys) {
            String difference = difference(one.get(key), other.get(key));
            if (!difference.isEmpty()) {
                return key + difference;
            }
        }
        return "";
    }

    /** @return where the two differ first, and how; empty where they do not */
    static String difference(JsonNode one, JsonNode other) {
        if (one != null && other != null && one.isNumber() && other.isNumber()) {
            return one.decimalValue().compareTo(other.decimalValue()) == 0 ? "" : " was " + one + ", is " + other;
        }
        if (one == null || other == null || one.getNodeType() != other.getNodeType()) {
            return one == other ? "" : " was " + brief(one) + ", is " + brief(other);
        }
        if (one.isObject()) {
            Set<String> names = new TreeSet<>(one.propertyNames());
            names.addAll(other.propertyNames());
            for (String name : names) {
                String difference = difference(one.get(name), other.get(name));
                if (!difference.isEmpty()) {
                    return "." + name + difference;
                }
            }
            return "";
        }
        if (one.isArray() && one.size() == other.size()) {
            for (int i = 0; i < one.size(); i++) {
                String difference = difference(one.get(i), other.get(i));
                if (!difference.isEmpty()) {
                    return "[" + i + "]" + difference;
                }
            }
            return "";
        }
        return one.equals(other) ? "" : " was " + brief(one) + ", is " + brief(other);
    }

    private static String brief(JsonNode node) {
        String text = String.valueOf(node);
        return text.substring(0, Math.min(300, text.length()));
    }

    private static JsonNode withoutAside(JsonNode node) {
        if (node.isObject()) {
            ObjectNode kept = Client.JSON.createObjectNode();
            node.properties().forEach(p -> {
                if (!ASIDE.contains(p.getKey())) {
                    kept.set(p.getKey(), withoutAside(p.getValue()));
                }
            });
            return kept;
        }
        if (node.isArray()) {
            ArrayNode kept = Client.JSON.createArrayNode();
            node.forEach(n -> kept.add(withoutAside(n)));
            return kept;
        }
        return node;
    }
}
