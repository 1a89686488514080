package freshsplice.core.stage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Whether a point lies in a mesh: within one of its parts that are closed, of which every edge belongs to two triangles. A part with a
 * hole has no inside.
 */
final class Inside {
    private static final double HALF = 0.5;
    private static final int SIDES = 3;

    /** A closed part: its triangles, nine numbers each, and the box around them. */
    private record Part(float[] corners, double[] low, double[] high) {
        boolean isNear(double[] at) {
            return at[0] > low[0] && at[0] < high[0] && at[1] > low[1] && at[1] < high[1] && at[2] > low[2] && at[2] < high[2];
        }
    }

    private final List<Part> parts = new ArrayList<>();

    /** @param corners of the triangles, nine numbers each */
    Inside(float[] corners) {
        int triangles = corners.length / 9;
        int[] places = places(corners);
        int[] group = groups(places);
        Map<Long, Integer> edges = new HashMap<>();
        for (int c = 0; c < places.length; c++) {
            int to = places[c - c % SIDES + (c + 1) % SIDES];
            if (places[c] != to) {
                edges.merge(edge(places[c], to), 1, Integer::sum);
            }
        }
        Map<Integer, List<Integer>> members = new HashMap<>();
        Map<Integer, Boolean> closed = new HashMap<>();
        for (int t = 0; t < triangles; t++) {
            int of = find(group, places[t * SIDES]);
            members.computeIfAbsent(of, g -> new ArrayList<>()).add(t);
            for (int k = 0; k < SIDES; k++) {
                int from = places[t * SIDES + k];
                int to = places[t * SIDES + (k + 1) % SIDES];
                boolean whole = from == to || edges.get(edge(from, to)) % 2 == 0;
                closed.merge(of, whole, Boolean::logicalAnd);
            }
        }
        members.forEach((of, own) -> {
            if (closed.get(of)) {
                parts.add(part(corners, own));
            }
        });
    }

    /** Corners at one place are one, however many faces meet there. */
    private static int[] places(float[] corners) {
        Map<List<Float>, Integer> known = new HashMap<>();
        int[] places = new int[corners.length / SIDES];
        for (int c = 0; c < places.length; c++) {
            // no -0 beside 0
            List<Float> at = List.of(corners[c * SIDES] + 0f, corners[c * SIDES + 1] + 0f, corners[c * SIDES + 2] + 0f);
            places[c] = known.computeIfAbsent(at, k -> known.size());
        }
        return places;
    }

    /** Places that triangles join are one part. */
    private static int[] groups(int[] places) {
        int[] group = new int[places.length];
        for (int i = 0; i < group.length; i++) {
            group[i] = i;
        }
        for (int c = 0; c < places.length; c += SIDES) {
            for (int k = 1; k < SIDES; k++) {
                group[find(group, places[c + k])] = find(group, places[c]);
            }
        }
        return group;
    }

    private static int find(int[] group, int of) {
        int at = of;
        while (group[at] != at) {
            group[at] = group[group[at]];
            at = group[at];
        }
        return at;
    }

    private static long edge(int a, int b) {
        return (long) Math.min(a, b) << Integer.SIZE | Math.max(a, b);
    }

    private static Part part(float[] corners, List<Integer> triangles) {
        float[] own = new float[triangles.size() * 9];
        double[] low = {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE};
        double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        for (int t = 0; t < triangles.size(); t++) {
            for (int k = 0; k < 9; k++) {
                float v = corners[triangles.get(t) * 9 + k];
                own[t * 9 + k] = v;
                low[k % SIDES] = Math.min(low[k % SIDES], v);
                high[k % SIDES] = Math.max(high[k % SIDES], v);
            }
        }
        return new Part(own, low, high);
    }

    boolean has(double... at) {
        return parts.stream().anyMatch(p -> p.isNear(at) && Math.abs(windings(p.corners, at)) > HALF);
    }

    /** How often the surface goes round a point: the solid angles of its triangles over 4π (Van Oosterom and Strackee, 1983). */
    private static double windings(float[] corners, double[] at) {
        double sum = 0;
        for (int t = 0; t < corners.length; t += 9) {
            double ax = corners[t] - at[0];
            double ay = corners[t + 1] - at[1];
            double az = corners[t + 2] - at[2];
            double bx = corners[t + 3] - at[0];
            double by = corners[t + 4] - at[1];
            double bz = corners[t + 5] - at[2];
            double cx = corners[t + 6] - at[0];
            double cy = corners[t + 7] - at[1];
            double cz = corners[t + 8] - at[2];
            double a = Math.sqrt(ax * ax + ay * ay + az * az);
            double b = Math.sqrt(bx * bx + by * by + bz * bz);
            double c = Math.sqrt(cx * cx + cy * cy + cz * cz);
            double volume = ax * (by * cz - bz * cy) - ay * (bx * cz - bz * cx) + az * (bx * cy - by * cx);
            double below = a * b * c + (ax * bx + ay * by + az * bz) * c + (bx * cx + by * cy + bz * cz) * a + (cx * ax + cy * ay + cz * az) * b;
            sum += 2 * Math.atan2(volume, below);
        }
        return sum / (4 * Math.PI);
    }
}
