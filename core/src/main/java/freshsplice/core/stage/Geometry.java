package freshsplice.core.stage;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What a thing looks like, whatever that is made from. All that draws a set, writes it down or asks whether it is still the same
 * asks here, so that another kind of geometry is one more type.
 */
public sealed interface Geometry {
    /** The mesh at its natural size in metres, before the thing's size scales it. */
    Mesh mesh();

    /** The box around it at its natural size, metres: least x, y, z and greatest. */
    default double[] box() {
        return mesh().box();
    }

    /** The middle of the box around it at its natural size, metres. */
    default double[] middle() {
        double[] box = box();
        return new double[] {(box[0] + box[3]) / 2, (box[1] + box[4]) / 2, (box[2] + box[5]) / 2};
    }

    /** What tells it from any other geometry, always in the same order. */
    List<String> parts();

    /** Whether any picture shows it. */
    default boolean isSeen() {
        return true;
    }

    /** What a thing that looks so is called while nobody has named it. */
    String word();

    /**
     * One of the figures that come with the program.
     *
     * @param colour its main colour, {@code #rrggbb}
     */
    record Figure(Shape shape, String colour) implements Geometry {
        private static final Map<Shape, double[]> BOXES = new ConcurrentHashMap<>();

        /** @throws freshsplice.core.refusal.Refusal if the colour is not written so */
        public Figure {
            Colour.of(colour);
        }

        @Override
        public Mesh mesh() {
            return Figures.mesh(shape, Colour.of(colour));
        }

        @Override
        public double[] box() {
            // asked for every thing of a set with every edit
            return BOXES.computeIfAbsent(shape, of -> mesh().box()).clone();
        }

        @Override
        public List<String> parts() {
            return List.of(shape.name(), colour);
        }

        @Override
        public boolean isSeen() {
            return shape != Shape.HELPER;
        }

        @Override
        public String word() {
            return shape.word();
        }
    }
}
