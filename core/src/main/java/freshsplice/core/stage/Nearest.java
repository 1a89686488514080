package freshsplice.core.stage;

/**
 * The point of a mesh that is nearest to another, found in a tree of boxes around its triangles. Built once for a mesh at a size,
 * asked as often as one likes.
 */
public final class Nearest {
    private static final int LEAF = 8;
    private static final int DEEPEST = 64;
    /** A triangle whose sides are so near to one line encloses nothing. */
    private static final double FLAT = 1e-12;

    private final float[] corners;
    private final int[] order;
    /** Six a node: least x y z, most x y z. */
    private float[] boxes = new float[64 * 6];
    /** Two a node: for a leaf the first triangle in order and −count, else both children. */
    private int[] nodes = new int[64 * 2];
    private int count;
    private final double[] at = new double[3];
    /** Made when a point first lies in the box around all. */
    private Inside inside;

    /** @param width scale along x; as height and depth: a thing's size */
    public Nearest(Mesh mesh, double width, double height, double depth) {
        int triangles = mesh.indices().length / 3;
        corners = new float[triangles * 9];
        double[] scale = {width, height, depth};
        for (int i = 0; i < mesh.indices().length; i++) {
            for (int axis = 0; axis < 3; axis++) {
                corners[i * 3 + axis] = (float) (mesh.positions()[mesh.indices()[i] * 3 + axis] * scale[axis]);
            }
        }
        order = new int[triangles];
        for (int i = 0; i < triangles; i++) {
            order[i] = i;
        }
        build(0, triangles);
    }

    private int build(int from, int to) {
        int node = count++;
        if (node * 6 >= boxes.length) {
            boxes = java.util.Arrays.copyOf(boxes, boxes.length * 2);
            nodes = java.util.Arrays.copyOf(nodes, nodes.length * 2);
        }
        float[] box = box(from, to);
        System.arraycopy(box, 0, boxes, node * 6, 6);
        if (to - from <= LEAF) {
            nodes[node * 2] = from;
            nodes[node * 2 + 1] = from - to;
            return node;
        }
        int axis = longest(box);
        int middle = (from + to) >>> 1;
        select(from, to - 1, middle, axis);
        int left = build(from, middle);
        int right = build(middle, to);
        nodes[node * 2] = left;
        nodes[node * 2 + 1] = right;
        return node;
    }

    private static int longest(float[] box) {
        float x = box[3] - box[0];
        float y = box[4] - box[1];
        float z = box[5] - box[2];
        return x >= y && x >= z ? 0 : y >= z ? 1 : 2;
    }

    private float[] box(int from, int to) {
        float[] box = {Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE};
        for (int i = from; i < to; i++) {
            for (int k = 0; k < 9; k++) {
                float v = corners[order[i] * 9 + k];
                int axis = k % 3;
                box[axis] = Math.min(box[axis], v);
                box[axis + 3] = Math.max(box[axis + 3], v);
            }
        }
        return box;
    }

    private float middle(int triangle, int axis) {
        int k = triangle * 9 + axis;
        return corners[k] + corners[k + 3] + corners[k + 6];
    }

    /** Puts the triangle that belongs at a place there, smaller ones before it (Hoare's selection). */
    private void select(int first, int last, int place, int axis) {
        int low = first;
        int high = last;
        while (low < high) {
            float pivot = middle(order[(low + high) >>> 1], axis);
            int i = low;
            int j = high;
            while (i <= j) {
                while (middle(order[i], axis) < pivot) {
                    i++;
                }
                while (middle(order[j], axis) > pivot) {
                    j--;
                }
                if (i <= j) {
                    int swapped = order[i];
                    order[i++] = order[j];
                    order[j--] = swapped;
                }
            }
            if (place <= j) {
                high = j;
            } else if (place >= i) {
                low = i;
            } else {
                return;
            }
        }
    }

    /**
     * The distance from a point to the surface.
     *
     * @param most what is farther is not looked for
     * @return the distance, or {@code most} where nothing is nearer
     */
    public double distance(double x, double y, double z, double most) {
        if (order.length == 0) {
            return most;
        }
        at[0] = x;
        at[1] = y;
        at[2] = z;
        double best = most * most;
        int[] open = new int[DEEPEST];
        int top = 0;
        open[top++] = 0;
        while (top > 0) {
            int node = open[--top];
            if (away(node) >= best) {
                continue;
            }
            if (nodes[node * 2 + 1] < 0) {
                for (int i = nodes[node * 2]; i < nodes[node * 2] - nodes[node * 2 + 1]; i++) {
                    best = Math.min(best, toTriangle(order[i] * 9));
                }
            } else {
                int left = nodes[node * 2];
                int right = nodes[node * 2 + 1];
                boolean leftFirst = away(left) <= away(right);
                open[top++] = leftFirst ? right : left;
                open[top++] = leftFirst ? left : right;
            }
        }
        return Math.min(most, Math.sqrt(best));
    }

    /** Whether a point lies within: in a closed part of the mesh; an open one has no inside. */
    public boolean contains(double x, double y, double z) {
        boolean near = order.length > 0 && x > boxes[0] && y > boxes[1] && z > boxes[2] && x < boxes[3] && y < boxes[4] && z < boxes[5];
        if (near && inside == null) {
            inside = new Inside(corners);
        }
        return near && inside.has(x, y, z);
    }

    /** Squared distance to a node's box. */
    private double away(int node) {
        double sum = 0;
        for (int axis = 0; axis < 3; axis++) {
            double v = at[axis];
            double low = boxes[node * 6 + axis];
            double high = boxes[node * 6 + 3 + axis];
            double d = v < low ? low - v : v > high ? v - high : 0;
            sum += d * d;
        }
        return sum;
    }

    /** Squared distance to a triangle (Ericson, Real-Time Collision Detection, 2005, section 5.1.5). */
    private double toTriangle(int k) {
        double[] a = {corners[k], corners[k + 1], corners[k + 2]};
        double[] ab = {corners[k + 3] - a[0], corners[k + 4] - a[1], corners[k + 5] - a[2]};
        double[] ac = {corners[k + 6] - a[0], corners[k + 7] - a[1], corners[k + 8] - a[2]};
        double[] ap = {at[0] - a[0], at[1] - a[1], at[2] - a[2]};
        double abab = dot(ab, ab);
        double abac = dot(ab, ac);
        double acac = dot(ac, ac);
        if (abab * acac - abac * abac <= FLAT * abab * acac || abab == 0 || acac == 0) {
            return toSides(ap, ab, ac);
        }
        double d1 = dot(ab, ap);
        double d2 = dot(ac, ap);
        if (d1 <= 0 && d2 <= 0) {
            return dot(ap, ap);
        }
        double d3 = d1 - abab;
        double d4 = d2 - abac;
        if (d3 >= 0 && d4 <= d3) {
            return off(ap, ab, 1, ac, 0);
        }
        double vc = d1 * d4 - d3 * d2;
        if (vc <= 0 && d1 >= 0 && d3 <= 0) {
            return off(ap, ab, d1 / (d1 - d3), ac, 0);
        }
        double d5 = d1 - abac;
        double d6 = d2 - acac;
        if (d6 >= 0 && d5 <= d6) {
            return off(ap, ab, 0, ac, 1);
        }
        double vb = d5 * d2 - d1 * d6;
        if (vb <= 0 && d2 >= 0 && d6 <= 0) {
            return off(ap, ab, 0, ac, d2 / (d2 - d6));
        }
        double va = d3 * d6 - d5 * d4;
        if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
            double w = (d4 - d3) / (d4 - d3 + (d5 - d6));
            return off(ap, ab, 1 - w, ac, w);
        }
        double sum = va + vb + vc;
        return off(ap, ab, vb / sum, ac, vc / sum);
    }

    /** Squared distance to a triangle that encloses nothing: to the nearest of its sides. */
    private static double toSides(double[] ap, double[] ab, double[] ac) {
        double[] bc = {ac[0] - ab[0], ac[1] - ab[1], ac[2] - ab[2]};
        double[] bp = {ap[0] - ab[0], ap[1] - ab[1], ap[2] - ab[2]};
        return Math.min(Math.min(toSide(ap, ab), toSide(ap, ac)), toSide(bp, bc));
    }

    private static double toSide(double[] from, double[] side) {
        double length = dot(side, side);
        double share = length == 0 ? 0 : Math.max(0, Math.min(1, dot(from, side) / length));
        return off(from, side, share, side, 0);
    }

    private static double off(double[] ap, double[] ab, double v, double[] ac, double w) {
        double sum = 0;
        for (int i = 0; i < 3; i++) {
            double d = ap[i] - v * ab[i] - w * ac[i];
            sum += d * d;
        }
        return sum;
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }
}
