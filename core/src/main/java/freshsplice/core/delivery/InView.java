package freshsplice.core.delivery;

import freshsplice.core.stage.Item;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which things of a set some frame of a movement may show. What it leaves out is in no picture: the box around it lies outside one side
 * of the view from each frame to the next, so that neither a frame nor its blur of movement can have it.
 */
public final class InView {
    private static final int CORNERS = 8;
    /** Left, right, below, above, and behind the camera. */
    private static final int SIDES = 5;
    private static final int ALL_SIDES = (1 << SIDES) - 1;
    /** Pictures are drawn a little larger than they are seen where they are reduced. */
    private static final double ACROSS = 1.1;
    /** A bake knows no picture's height: one of 9:16 is 1.78 times as high as wide. */
    private static final double UP = 1.1 * 16 / 9;

    private final Bake bake;
    private final List<double[]> boxes = new ArrayList<>();
    private final boolean[] seen;
    /** By thing: the sides that all of it lay outside of at the frame before. */
    private final int[] outside;

    private InView(Bake bake, List<Item> items) {
        this.bake = bake;
        this.seen = new boolean[items.size()];
        this.outside = new int[items.size()];
        items.forEach(item -> boxes.add(item.geometry().isSeen() ? item.geometry().box() : null));
    }

    /** @param items of the bake, in its order; @return for each whether it may be seen */
    public static boolean[] of(Bake bake, List<Item> items) {
        InView view = new InView(bake, items);
        view.look(bake.seen(bake.position(-1)), true);
        for (long first = 0; first < bake.frames(); first += Bake.BLOCK) {
            Bake.Block block = bake.block(first);
            for (int k = 0; k < block.frames(); k++) {
                view.look(part(block.views(), k), part(block.projections(), k), bake.places(block, k), false);
            }
        }
        view.look(bake.seen(bake.position(bake.frames())), false);
        return view.seen;
    }

    private static float[] part(float[] of, int index) {
        return Arrays.copyOfRange(of, index * Bake.MATRIX, (index + 1) * Bake.MATRIX);
    }

    private void look(Bake.CameraView at, boolean first) {
        look(at.view(), at.projection(), bake.places(at), first);
    }

    private void look(float[] view, float[] projection, float[] places, boolean first) {
        float[] through = times(projection, 0, view, 0);
        for (int i = 0; i < seen.length; i++) {
            if (!seen[i] && boxes.get(i) != null) {
                int now = outside(times(through, 0, places, i * Bake.MATRIX), boxes.get(i));
                seen[i] = ((first ? ALL_SIDES : outside[i]) & now) == 0;
                outside[i] = now;
            }
        }
    }

    /** The sides that all corners lie outside of; all sides where a thing is away. */
    private static int outside(float[] m, double[] box) {
        if (m[0] == 0 && m[5] == 0 && m[10] == 0 && m[4] == 0 && m[1] == 0 && m[8] == 0) {
            return ALL_SIDES;
        }
        int all = ALL_SIDES;
        for (int corner = 0; corner < CORNERS && all != 0; corner++) {
            double x = box[(corner & 1) * 3];
            double y = box[(corner >> 1 & 1) * 3 + 1];
            double z = box[(corner >> 2 & 1) * 3 + 2];
            double across = m[0] * x + m[4] * y + m[8] * z + m[12];
            double up = m[1] * x + m[5] * y + m[9] * z + m[13];
            double ahead = m[3] * x + m[7] * y + m[11] * z + m[15];
            int outside = (across < -ACROSS * ahead ? 1 : 0) | (across > ACROSS * ahead ? 2 : 0) | (up < -UP * ahead ? 4 : 0)
                    | (up > UP * ahead ? 8 : 0) | (ahead <= 0 ? 16 : 0);
            all &= outside;
        }
        return all;
    }

    /** A product of two matrices, columns first. */
    private static float[] times(float[] a, int from, float[] b, int at) {
        float[] product = new float[Bake.MATRIX];
        for (int column = 0; column < 4; column++) {
            for (int row = 0; row < 4; row++) {
                float sum = 0;
                for (int k = 0; k < 4; k++) {
                    sum += a[from + k * 4 + row] * b[at + column * 4 + k];
                }
                product[column * 4 + row] = sum;
            }
        }
        return product;
    }
}
