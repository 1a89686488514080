package freshsplice.core.render;

import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Mesh;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
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
 */
public record DrawnSet(String key, List<Mesh> meshes, float[] standing, int[] moving) {
    public DrawnSet {
        meshes = List.copyOf(meshes);
        if (standing.length != meshes.size() * Bake.MATRIX) {
            throw new IllegalArgumentException("A set has one place for each of its things");
        }
    }

    public static DrawnSet of(Stage stage) {
        Map<Geometry, Mesh> known = new HashMap<>();
        return new DrawnSet(key(stage), stage.items().stream().map(i -> known.computeIfAbsent(i.geometry(), Geometry::mesh)).toList(),
                standing(stage), moving(stage));
    }

    /** The key of a set, without its meshes. */
    public static String key(Stage stage) {
        return Fingerprint.digest(looks(stage) + Fingerprint.digest(standing(stage)));
    }

    /** What its things look like, wherever they are: another text for any that look otherwise. */
    public static String looks(Stage stage) {
        StringBuilder looks = new StringBuilder();
        for (Item item : stage.items()) {
            item.geometry().parts().forEach(p -> looks.append(p).append(' '));
            looks.append(item.moves() ? "moves\n" : "\n");
        }
        return looks.toString();
    }

    /** The places of all things at a moment. @param moved of those that move, a matrix each */
    public float[] places(float[] moved) {
        float[] places = standing.clone();
        for (int m = 0; m < moving.length; m++) {
            System.arraycopy(moved, m * Bake.MATRIX, places, moving[m] * Bake.MATRIX, Bake.MATRIX);
        }
        return places;
    }

    /** The same things, each placed anew with every moment. */
    public DrawnSet unplaced() {
        return new DrawnSet(key + " unplaced", meshes, new float[standing.length], IntStream.range(0, meshes.size()).toArray());
    }

    private static int[] moving(Stage stage) {
        return IntStream.range(0, stage.items().size()).filter(i -> stage.items().get(i).moves()).toArray();
    }

    private static float[] standing(Stage stage) {
        float[] standing = new float[stage.items().size() * Bake.MATRIX];
        for (int i = 0; i < stage.items().size(); i++) {
            if (!stage.items().get(i).moves()) {
                stage.items().get(i).placedAt(Rational.ZERO).copyTo(standing, i * Bake.MATRIX);
            }
        }
        return standing;
    }
}
