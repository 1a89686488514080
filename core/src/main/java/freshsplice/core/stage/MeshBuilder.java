package freshsplice.core.stage;

import java.util.ArrayList;
import java.util.List;

/** Builds plain solids out of flat faces. Corners are not shared between faces, so that every face is flat. */
final class MeshBuilder {
    private final List<float[]> corners = new ArrayList<>();
    private final List<Integer> indices = new ArrayList<>();

    /** A convex face; corners counter-clockwise seen from outside. */
    MeshBuilder face(Colour colour, double[]... points) {
        double[] normal = normal(points[0], points[1], points[2]);
        int first = corners.size();
        for (double[] p : points) {
            corners.add(new float[] {(float) p[0], (float) p[1], (float) p[2], (float) normal[0], (float) normal[1],
                (float) normal[2], (float) colour.red(), (float) colour.green(), (float) colour.blue()});
        }
        for (int i = 2; i < points.length; i++) {
            indices.addAll(List.of(first, first + i - 1, first + i));
        }
        return this;
    }

    /** A block between two corners. */
    MeshBuilder block(Colour c, double x0, double y0, double z0, double x1, double y1, double z1) {
        return taper(c, x0, z0, x1, z1, y0, x0, z0, x1, z1, y1);
    }

    /** A block whose top rectangle differs from its bottom one. */
    MeshBuilder taper(Colour c, double bx0, double bz0, double bx1, double bz1, double by,
                      double tx0, double tz0, double tx1, double tz1, double ty) {
        double[][] b = {{bx0, by, bz1}, {bx1, by, bz1}, {bx1, by, bz0}, {bx0, by, bz0}};
        double[][] t = {{tx0, ty, tz1}, {tx1, ty, tz1}, {tx1, ty, tz0}, {tx0, ty, tz0}};
        for (int i = 0; i < 4; i++) {
            int j = (i + 1) % 4;
            face(c, b[i], b[j], t[j], t[i]);
        }
        face(c, t[0], t[1], t[2], t[3]);
        face(c.darker(0.8), b[3], b[2], b[1], b[0]);
        return this;
    }

    /** A round or pointed post along a line, thicker or thinner at its end. */
    MeshBuilder post(Colour c, double[] from, double[] to, double r0, double r1, int sides) {
        double[] axis = minus(to, from);
        double[] u = unit(cross(axis, Math.abs(axis[1]) > 0.9 * length(axis)
                ? new double[] {1, 0, 0} : new double[] {0, 1, 0}));
        double[] v = unit(cross(axis, u));
        double[][] a = new double[sides][];
        double[][] b = new double[sides][];
        for (int i = 0; i < sides; i++) {
            double angle = 2 * Math.PI * i / sides;
            a[i] = plus(from, u, r0 * Math.cos(angle), v, r0 * Math.sin(angle));
            b[i] = plus(to, u, r1 * Math.cos(angle), v, r1 * Math.sin(angle));
        }
        for (int i = 0; i < sides; i++) {
            int j = (i + 1) % sides;
            if (r1 == 0) {
                face(c, a[i], a[j], to);
            } else {
                face(c, a[i], a[j], b[j], b[i]);
            }
        }
        if (r1 > 0) {
            face(c, b);
        }
        face(c, reversed(a));
        return this;
    }

    /** A ball of flat faces. */
    MeshBuilder ball(Colour c, double x, double y, double z, double r) {
        int rings = 6;
        int sides = 10;
        for (int i = 0; i < rings; i++) {
            double a0 = Math.PI * i / rings - Math.PI / 2;
            double a1 = Math.PI * (i + 1) / rings - Math.PI / 2;
            for (int j = 0; j < sides; j++) {
                double b0 = 2 * Math.PI * j / sides;
                double b1 = 2 * Math.PI * (j + 1) / sides;
                double[] p00 = onBall(x, y, z, r, a0, b0);
                double[] p01 = onBall(x, y, z, r, a0, b1);
                double[] p10 = onBall(x, y, z, r, a1, b0);
                double[] p11 = onBall(x, y, z, r, a1, b1);
                if (i == 0) {
                    face(c, p00, p11, p10);
                } else if (i == rings - 1) {
                    face(c, p00, p01, p10);
                } else {
                    face(c, p00, p01, p11, p10);
                }
            }
        }
        return this;
    }

    /** A wheel in the x-y plane. */
    MeshBuilder wheel(Colour c, double x, double y, double radius, double thickness) {
        int parts = 20;
        for (int i = 0; i < parts; i++) {
            double a0 = 2 * Math.PI * i / parts;
            double a1 = 2 * Math.PI * (i + 1) / parts;
            post(c, new double[] {x + radius * Math.cos(a0), y + radius * Math.sin(a0), 0},
                    new double[] {x + radius * Math.cos(a1), y + radius * Math.sin(a1), 0}, thickness, thickness, 5);
        }
        for (int i = 0; i < 4; i++) {
            double a = Math.PI * i / 4;
            post(c, new double[] {x - radius * Math.cos(a), y - radius * Math.sin(a), 0},
                    new double[] {x + radius * Math.cos(a), y + radius * Math.sin(a), 0}, 0.008, 0.008, 4);
        }
        return this;
    }

    Mesh build() {
        float[] positions = new float[corners.size() * 3];
        float[] normals = new float[corners.size() * 3];
        float[] colours = new float[corners.size() * 3];
        for (int i = 0; i < corners.size(); i++) {
            System.arraycopy(corners.get(i), 0, positions, i * 3, 3);
            System.arraycopy(corners.get(i), 3, normals, i * 3, 3);
            System.arraycopy(corners.get(i), 6, colours, i * 3, 3);
        }
        return new Mesh(positions, normals, colours, indices.stream().mapToInt(Integer::intValue).toArray());
    }

    private static double[] onBall(double x, double y, double z, double r, double up, double round) {
        return new double[] {x + r * Math.cos(up) * Math.sin(round), y + r * Math.sin(up),
            z + r * Math.cos(up) * Math.cos(round)};
    }

    private static double[][] reversed(double[][] points) {
        double[][] r = new double[points.length][];
        for (int i = 0; i < points.length; i++) {
            r[i] = points[points.length - 1 - i];
        }
        return r;
    }

    private static double[] normal(double[] a, double[] b, double[] c) {
        return unit(cross(minus(b, a), minus(c, a)));
    }

    private static double[] minus(double[] a, double[] b) {
        return new double[] {a[0] - b[0], a[1] - b[1], a[2] - b[2]};
    }

    private static double[] plus(double[] p, double[] u, double a, double[] v, double b) {
        return new double[] {p[0] + u[0] * a + v[0] * b, p[1] + u[1] * a + v[1] * b, p[2] + u[2] * a + v[2] * b};
    }

    private static double[] cross(double[] a, double[] b) {
        return new double[] {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
    }

    private static double length(double[] a) {
        return Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2]);
    }

    private static double[] unit(double[] a) {
        double l = length(a);
        return l == 0 ? new double[] {0, 1, 0} : new double[] {a[0] / l, a[1] / l, a[2] / l};
    }
}
