package freshsplice.core.render;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Mesh;
import freshsplice.core.stage.Stage;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The things of a set as they are drawn, without any rule of how they move.
 *
 * @param key    tells it from any that looks otherwise
 * @param meshes one for each thing, in the order of its places; things that look alike share one
 */
public record DrawnSet(String key, List<Mesh> meshes) {
    public DrawnSet {
        meshes = List.copyOf(meshes);
    }

    public static DrawnSet of(Stage stage) {
        Map<Geometry, Mesh> known = new HashMap<>();
        return new DrawnSet(key(stage), stage.items().stream().map(i -> known.computeIfAbsent(i.geometry(), Geometry::mesh)).toList());
    }

    /** The key of a set, without its meshes. */
    public static String key(Stage stage) {
        StringBuilder looks = new StringBuilder();
        for (Item item : stage.items()) {
            item.geometry().parts().forEach(p -> looks.append(p).append(' '));
            looks.append('\n');
        }
        return Fingerprint.digest(looks.toString());
    }
}
