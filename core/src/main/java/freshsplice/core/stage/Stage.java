package freshsplice.core.stage;

import freshsplice.core.time.Rational;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The set of one scene.
 *
 * @param items in the order they were put there
 */
public record Stage(List<Item> items) {
    /** Values of a place: a matrix, columns first. */
    public static final int PLACE = 16;

    public Stage {
        items = List.copyOf(items);
    }

    /** Indexes of the items that move; all others stand. */
    public int[] moving() {
        return IntStream.range(0, items.size()).filter(i -> items.get(i).moves()).toArray();
    }

    /** Item to world of the items that stand, a place for every item; zeros for those that move. */
    public float[] standing() {
        float[] standing = new float[items.size() * PLACE];
        for (int i = 0; i < items.size(); i++) {
            if (!items.get(i).moves()) {
                items.get(i).placedAt(Rational.ZERO).copyTo(standing, i * PLACE);
            }
        }
        return standing;
    }

    /**
     * The places of all items.
     *
     * @param moving indexes of those that move
     * @param moved  where those are, a place each, from an index on
     */
    public static float[] places(float[] standing, int[] moving, float[] moved, int from) {
        float[] places = standing.clone();
        for (int m = 0; m < moving.length; m++) {
            System.arraycopy(moved, from + m * PLACE, places, moving[m] * PLACE, PLACE);
        }
        return places;
    }
}
