package freshsplice.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;

/** What a mesh is as a solid, found from its corners alone: its normals may be wrong. */
final class Solids {
    private Solids() {
    }

    /** The corner that stands at a place of the list of faces. */
    static double[] at(Mesh mesh, int index) {
        float[] p = mesh.positions();
        int i = mesh.indices()[index] * 3;
        return new double[] {p[i], p[i + 1], p[i + 2]};
    }

    /** By the divergence theorem: a sixth of each face's determinant. Negative where faces look inwards. */
    static double volume(Mesh mesh) {
        double sum = 0;
        for (int t = 0; t < mesh.indices().length; t += 3) {
            double[] a = at(mesh, t);
            double[] b = at(mesh, t + 1);
            double[] c = at(mesh, t + 2);
            sum += a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
        }
        return sum / 6;
    }

    /** Every edge is gone along once each way, so that the solid has no hole. */
    static void isClosed(Mesh mesh) {
        Map<String, Integer> edges = new HashMap<>();
        for (int t = 0; t < mesh.indices().length; t += 3) {
            for (int k = 0; k < 3; k++) {
                String from = key(at(mesh, t + k));
                String to = key(at(mesh, t + (k + 1) % 3));
                if (!from.equals(to)) {
                    edges.merge(from + " " + to, 1, Integer::sum);
                    edges.merge(to + " " + from, -1, Integer::sum);
                }
            }
        }
        assertThat(edges.values()).as("edges gone along as often one way as the other").containsOnly(0);
    }

    private static String key(double[] p) {
        return Math.round(p[0] * 1e4) + "," + Math.round(p[1] * 1e4) + "," + Math.round(p[2] * 1e4);
    }
}
