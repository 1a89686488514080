package freshsplice.core.stage;

/**
 * The meshes of {@link Shape}s, at their natural size in metres, before an item's size scales them. The colour of the
 * item is its main colour; what belongs to the figure (skin, wood, tyres) has its own.
 */
final class Figures {
    private static final Colour SKIN = Colour.of("#c99a7d");
    private static final Colour HAIR = Colour.of("#3a2e28");
    private static final Colour DARK = Colour.of("#2e3136");
    private static final Colour WOOD = Colour.of("#7d6a55");
    private static final Colour PALE = Colour.of("#e8e2d6");
    private static final Colour PAPER = Colour.of("#b98a4b");
    private static final Colour RED = Colour.of("#a5443a");

    private Figures() {
    }

    static Mesh mesh(Shape shape, Colour colour) {
        MeshBuilder b = new MeshBuilder();
        switch (shape) {
            case BLOCK -> b.block(colour, -0.5, 0, -0.5, 0.5, 1, 0.5);
            case MOUND -> b.taper(colour, -0.5, -0.5, 0.5, 0.5, 0, -0.36, -0.3, 0.3, 0.34, 1);
            case CYLINDER -> b.post(colour, at(0, 0, 0), at(0, 1, 0), 0.5, 0.5, 18);
            case CONE -> b.post(colour, at(0, 0, 0), at(0, 1, 0), 0.5, 0, 18);
            case TIDE_POLE -> tidePole(b, colour);
            case LIGHTHOUSE -> lighthouse(b, colour);
            case GATE -> gate(b, colour);
            case HOUSE -> house(b, colour);
            case BOAT -> boat(b, colour);
            case BICYCLE -> bicycle(b, colour);
            case PERSON -> person(b, colour);
            case CYCLIST -> cyclist(b, colour);
            case GULL -> gull(b, colour);
            // nothing to see: a solid without an inside
            case HELPER -> b.block(colour, 0, 0, 0, 0, 0, 0);
        }
        return b.build();
    }

    private static double[] at(double x, double y, double z) {
        return new double[] {x, y, z};
    }

    private static void tidePole(MeshBuilder b, Colour colour) {
        for (int i = 0; i < 8; i++) {
            b.block(i % 2 == 0 ? colour : PALE, -0.11, i * 0.5, -0.11, 0.11, i * 0.5 + 0.5, 0.11);
        }
        b.block(DARK, -0.16, 4, -0.16, 0.16, 4.12, 0.16);
        b.block(WOOD, -0.5, 3.55, -0.04, 0.5, 3.7, 0.14);
    }

    private static void lighthouse(MeshBuilder b, Colour colour) {
        b.post(colour, at(0, 0, 0), at(0, 9, 0), 1.9, 1.35, 16);
        b.post(RED, at(0, 3.2, 0), at(0, 5.2, 0), 1.76, 1.64, 16);
        b.post(DARK, at(0, 9, 0), at(0, 9.3, 0), 1.75, 1.75, 16);
        b.post(Colour.of("#f1dfa0"), at(0, 9.3, 0), at(0, 10.9, 0), 0.95, 0.95, 10);
        b.post(RED, at(0, 10.9, 0), at(0, 12.2, 0), 1.35, 0, 16);
        b.block(DARK, 1.4, 0, -0.5, 1.95, 1.9, 0.5);
    }

    private static void gate(MeshBuilder b, Colour colour) {
        b.block(WOOD, -0.14, 0, -2.3, 0.14, 1.7, -2.0);
        b.block(WOOD, -0.14, 0, 2.0, 0.14, 1.7, 2.3);
        for (int i = 0; i < 3; i++) {
            b.block(colour, -0.05, 0.35 + i * 0.42, -2.0, 0.05, 0.5 + i * 0.42, 2.0);
        }
        b.post(colour, at(0, 0.4, -1.9), at(0, 1.3, 1.9), 0.05, 0.05, 4);
    }

    private static void house(MeshBuilder b, Colour colour) {
        b.block(colour, -2.5, 0, -2, 2.5, 2.6, 2);
        b.taper(Colour.of("#6a4f47"), -2.8, -2.3, 2.8, 2.3, 2.6, -2.6, -0.05, 2.6, 0.05, 4.4);
        b.block(DARK, -0.45, 0, 2, 0.45, 1.9, 2.04);
        b.block(PALE, 1.0, 1.0, 2, 1.8, 1.8, 2.04);
        b.block(PALE, -1.8, 1.0, 2, -1.0, 1.8, 2.04);
        b.block(WOOD, 1.6, 3.2, -0.4, 2.2, 5, 0.2);
    }

    private static void boat(MeshBuilder b, Colour colour) {
        b.taper(colour, -1.3, -0.35, 1.3, 0.35, 0, -1.8, -0.75, 1.9, 0.75, 0.75);
        b.post(WOOD, at(0.2, 0.7, 0), at(0.2, 3.6, 0), 0.06, 0.04, 6);
        b.block(WOOD, -0.7, 0.6, -0.6, -0.4, 0.8, 0.6);
    }

    private static void bicycle(MeshBuilder b, Colour colour) {
        b.wheel(DARK, -0.52, 0.34, 0.33, 0.022).wheel(DARK, 0.52, 0.34, 0.33, 0.022);
        b.post(colour, at(-0.52, 0.34, 0), at(-0.05, 0.3, 0), 0.022, 0.022, 6);
        b.post(colour, at(-0.05, 0.3, 0), at(-0.18, 0.86, 0), 0.024, 0.024, 6);
        b.post(colour, at(-0.52, 0.34, 0), at(-0.16, 0.78, 0), 0.018, 0.018, 6);
        b.post(colour, at(-0.05, 0.3, 0), at(0.38, 0.8, 0), 0.024, 0.024, 6);
        b.post(colour, at(-0.15, 0.76, 0), at(0.38, 0.82, 0), 0.024, 0.024, 6);
        b.post(colour, at(0.52, 0.34, 0), at(0.36, 1.0, 0), 0.02, 0.02, 6);
        b.post(DARK, at(0.34, 1.02, -0.28), at(0.34, 1.02, 0.28), 0.018, 0.018, 6);
        b.block(DARK, -0.3, 0.87, -0.08, -0.06, 0.93, 0.08);
        b.block(WOOD, -0.82, 0.66, -0.14, -0.36, 0.69, 0.14);
    }

    private static void parcel(MeshBuilder b, double x, double y) {
        b.block(PAPER, x - 0.2, y, -0.19, x + 0.2, y + 0.3, 0.19);
        b.block(PALE, x - 0.205, y + 0.13, -0.195, x + 0.205, y + 0.16, 0.195);
        b.block(PALE, x - 0.02, y, -0.195, x + 0.02, y + 0.305, 0.195);
    }

    private static void head(MeshBuilder b, double x, double y) {
        b.ball(SKIN, x, y, 0, 0.115);
        b.ball(HAIR, x - 0.06, y + 0.012, 0, 0.1);
        b.post(DARK, at(x - 0.01, y + 0.07, 0), at(x - 0.01, y + 0.15, 0), 0.13, 0.11, 12);
        b.block(DARK, x + 0.03, y + 0.065, -0.09, x + 0.2, y + 0.085, 0.09);
        b.ball(SKIN, x + 0.115, y - 0.01, 0, 0.022);
    }

    private static void person(MeshBuilder b, Colour coat) {
        b.post(DARK, at(0.02, 0, -0.09), at(0, 0.85, -0.08), 0.07, 0.09, 8);
        b.post(DARK, at(0.02, 0, 0.09), at(0, 0.85, 0.08), 0.07, 0.09, 8);
        b.block(DARK, -0.07, 0, -0.15, 0.18, 0.08, -0.03).block(DARK, -0.07, 0, 0.03, 0.18, 0.08, 0.15);
        b.taper(coat, -0.17, -0.25, 0.17, 0.25, 0.62, -0.12, -0.22, 0.12, 0.22, 1.45);
        b.post(coat, at(0, 1.4, -0.24), at(0.06, 0.86, -0.31), 0.06, 0.05, 8);
        b.post(coat, at(0, 1.4, 0.24), at(0.06, 0.86, 0.31), 0.06, 0.05, 8);
        b.ball(SKIN, 0.07, 0.82, -0.31, 0.05).ball(SKIN, 0.07, 0.82, 0.31, 0.05);
        b.post(SKIN, at(0, 1.44, 0), at(0, 1.54, 0), 0.05, 0.05, 8);
        head(b, 0.01, 1.62);
        b.post(WOOD, at(0.1, 1.42, -0.2), at(-0.1, 0.8, 0.26), 0.02, 0.02, 4);
        b.block(WOOD, -0.14, 0.62, 0.24, 0.14, 0.86, 0.36);
    }

    private static void cyclist(MeshBuilder b, Colour coat) {
        bicycle(b, Colour.of("#3f5a63"));
        parcel(b, -0.58, 0.69);
        b.post(DARK, at(-0.14, 0.95, -0.1), at(0.16, 0.66, -0.13), 0.085, 0.07, 8);
        b.post(DARK, at(0.16, 0.66, -0.13), at(-0.02, 0.24, -0.13), 0.065, 0.05, 8);
        b.post(DARK, at(-0.14, 0.95, 0.1), at(0.2, 0.82, 0.13), 0.085, 0.07, 8);
        b.post(DARK, at(0.2, 0.82, 0.13), at(0.08, 0.44, 0.13), 0.065, 0.05, 8);
        b.taper(coat, -0.3, -0.2, 0.02, 0.2, 0.84, -0.1, -0.21, 0.16, 0.21, 1.44);
        b.post(coat, at(0.04, 1.38, -0.22), at(0.33, 1.06, -0.27), 0.058, 0.045, 8);
        b.post(coat, at(0.04, 1.38, 0.22), at(0.33, 1.06, 0.27), 0.058, 0.045, 8);
        b.ball(SKIN, 0.35, 1.04, -0.27, 0.048).ball(SKIN, 0.35, 1.04, 0.27, 0.048);
        b.post(SKIN, at(0.05, 1.42, 0), at(0.09, 1.52, 0), 0.05, 0.05, 8);
        head(b, 0.12, 1.62);
    }

    private static void gull(MeshBuilder b, Colour colour) {
        b.post(colour, at(-0.3, 0, 0), at(0.2, 0.02, 0), 0.03, 0.09, 8);
        b.ball(colour, 0.26, 0.06, 0, 0.075);
        b.post(Colour.of("#d9a441"), at(0.31, 0.05, 0), at(0.42, 0.03, 0), 0.022, 0, 5);
        for (int side = -1; side <= 1; side += 2) {
            wing(b, colour, side);
        }
    }

    private static void wing(MeshBuilder b, Colour colour, int side) {
        double[][] inner = {at(0.14, 0.05, 0), at(-0.12, 0.05, 0), at(-0.1, 0.24, side * 0.45),
            at(0.08, 0.24, side * 0.45)};
        double[][] outer = {at(0.08, 0.24, side * 0.45), at(-0.1, 0.24, side * 0.45), at(-0.16, 0.12, side * 0.95)};
        for (double[][] face : new double[][][] {inner, outer}) {
            b.face(colour, face);
            double[][] under = new double[face.length][];
            for (int i = 0; i < face.length; i++) {
                under[i] = face[face.length - 1 - i];
            }
            b.face(face == outer ? DARK : colour.darker(0.9), under);
        }
    }
}
