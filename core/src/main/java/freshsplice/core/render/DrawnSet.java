package freshsplice.core.render;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Mesh;
import freshsplice.core.stage.Stage;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * The things of a set as they are drawn, without any rule of how they move.
 *
 * @param key      tells it from any that looks otherwise
 * @param meshes   one for each thing; things that look alike share one
 * @param standing thing to world of those that stand, a matrix each; zeros for those that move
 * @param moving   indexes of those whose places come with every moment
 * @param lines    that stand in it as an aid
 */
public record DrawnSet(String key, List<Mesh> meshes, float[] standing, int[] moving, SetLines lines) {
    public DrawnSet {
        meshes = List.copyOf(meshes);
        if (standing.length != meshes.size() * Stage.PLACE) {
            throw new IllegalArgumentException("A set has one place for each of its things");
        }
    }

    /** Without aids. */
    public static DrawnSet of(Stage stage) {
        return of(stage, SetLines.NONE);
    }

    /** @param lines that stand in it as an aid */
    public static DrawnSet of(Stage stage, SetLines lines) {
        Map<Geometry, Mesh> known = new HashMap<>();
        return new DrawnSet(key(stage, lines), stage.items().stream().map(i -> known.computeIfAbsent(i.geometry(), Geometry::mesh)).toList(),
                stage.standing(), stage.moving(), lines);
    }

    /** The key of a set, without its meshes. */
    static String key(Stage stage, SetLines lines) {
        return Fingerprint.digest(looks(stage) + Fingerprint.digest(stage.standing()) + (lines.isEmpty() ? "" : lines.digest()));
    }

    /** What its things look like, wherever they are: another text for any that look otherwise. */
    private static String looks(Stage stage) {
        StringBuilder looks = new StringBuilder();
        for (Item item : stage.items()) {
            item.geometry().parts().forEach(p -> looks.append(p).append(' '));
            looks.append(item.moves() ? "moves\n" : "\n");
        }
        return looks.toString();
    }

    /** The places of all things at a moment. @param moved of those that move, a matrix each */
    public float[] places(float[] moved) {
        return Stage.places(standing, moving, moved, 0);
    }

    /** The same things, each placed anew with every moment. */
    public DrawnSet unplaced() {
        return new DrawnSet(key + " unplaced", meshes, new float[standing.length], IntStream.range(0, meshes.size()).toArray(), lines);
    }
}
