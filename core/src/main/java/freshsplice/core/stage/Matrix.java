package freshsplice.core.stage;

/** A 4 x 4 matrix, columns first as OpenGL and glTF keep it. Immutable. */
public final class Matrix {
    public static final int VALUES = 16;

    private final double[] m;

    private Matrix(double[] m) {
        this.m = m;
    }

    /** @param values 16, columns first */
    public static Matrix of(double[] values) {
        if (values.length != VALUES) {
            throw new IllegalArgumentException("A matrix has 16 values, not " + values.length);
        }
        return new Matrix(values.clone());
    }

    public static Matrix identity() {
        return translation(0, 0, 0);
    }

    public static Matrix translation(double x, double y, double z) {
        return new Matrix(new double[] {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, x, y, z, 1});
    }

    public static Matrix scaling(double x, double y, double z) {
        return new Matrix(new double[] {x, 0, 0, 0, 0, y, 0, 0, 0, 0, z, 0, 0, 0, 0, 1});
    }

    public static Matrix rotationX(double degrees) {
        double c = Math.cos(Math.toRadians(degrees));
        double s = Math.sin(Math.toRadians(degrees));
        return new Matrix(new double[] {1, 0, 0, 0, 0, c, s, 0, 0, -s, c, 0, 0, 0, 0, 1});
    }

    public static Matrix rotationY(double degrees) {
        double c = Math.cos(Math.toRadians(degrees));
        double s = Math.sin(Math.toRadians(degrees));
        return new Matrix(new double[] {c, 0, -s, 0, 0, 1, 0, 0, s, 0, c, 0, 0, 0, 0, 1});
    }

    public static Matrix rotationZ(double degrees) {
        double c = Math.cos(Math.toRadians(degrees));
        double s = Math.sin(Math.toRadians(degrees));
        return new Matrix(new double[] {c, s, 0, 0, -s, c, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1});
    }

    /**
     * @param halfWidth half of the picture's width at distance 1: film back width / (2 · focal length)
     * @param aspect    width over height
     */
    public static Matrix perspective(double halfWidth, double aspect, double near, double far) {
        double sx = 1 / halfWidth;
        return new Matrix(new double[] {sx, 0, 0, 0, 0, sx * aspect, 0, 0,
            0, 0, (far + near) / (near - far), -1, 0, 0, 2 * far * near / (near - far), 0});
    }

    public Matrix times(Matrix other) {
        double[] r = new double[16];
        for (int column = 0; column < 4; column++) {
            for (int row = 0; row < 4; row++) {
                double sum = 0;
                for (int k = 0; k < 4; k++) {
                    sum += m[k * 4 + row] * other.m[column * 4 + k];
                }
                r[column * 4 + row] = sum;
            }
        }
        return new Matrix(r);
    }

    /** The inverse of a matrix that only turns and moves. */
    public Matrix rigidInverse() {
        double[] r = new double[16];
        for (int column = 0; column < 3; column++) {
            for (int row = 0; row < 3; row++) {
                r[column * 4 + row] = m[row * 4 + column];
            }
        }
        for (int row = 0; row < 3; row++) {
            r[12 + row] = -(m[row * 4] * m[12] + m[row * 4 + 1] * m[13] + m[row * 4 + 2] * m[14]);
        }
        r[15] = 1;
        return new Matrix(r);
    }

    /** The transformed point, divided by its w. */
    public double[] apply(double x, double y, double z) {
        double w = m[3] * x + m[7] * y + m[11] * z + m[15];
        return new double[] {
            (m[0] * x + m[4] * y + m[8] * z + m[12]) / w,
            (m[1] * x + m[5] * y + m[9] * z + m[13]) / w,
            (m[2] * x + m[6] * y + m[10] * z + m[14]) / w};
    }

    /** Writes its 16 values, columns first, from {@code at}. */
    public void copyTo(float[] target, int at) {
        for (int i = 0; i < 16; i++) {
            target[at + i] = (float) m[i];
        }
    }

    /** Its 16 values, columns first. */
    public double[] toDoubles() {
        return m.clone();
    }

    public float[] toFloats() {
        float[] floats = new float[16];
        copyTo(floats, 0);
        return floats;
    }
}
