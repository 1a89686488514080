package freshsplice.core.render;

import java.util.ArrayList;
import java.util.List;

/** A help for the eye that a recipe can have drawn into frames. None is, unless it is asked for. */
public enum Aid {
    /** Lines on the ground, a metre and ten metres apart. */
    GRID,
    /** The ways of things that move, over the whole action, with a tick at every frame. */
    PATHS,
    /** What is safe to act and to write in: 93 and 90 % of the picture's sides (SMPTE ST 2046-1). */
    SAFE_AREAS,
    THIRDS,
    CENTRE,
    DIAGONALS;

    private static final double SAFE_ACTION = 0.93;
    private static final double SAFE_TITLE = 0.9;

    /** A straight line on the picture, in shares of its width and height from the top left. */
    public record Stroke(double fromX, double fromY, double toX, double toY) {
    }

    /** Whether it stands in the set, so that things hide it; else it lies on the picture. */
    public boolean isInSet() {
        return this == GRID || this == PATHS;
    }

    /** What of it lies on the picture. */
    public List<Stroke> strokes() {
        return switch (this) {
            case GRID, PATHS -> List.of();
            case SAFE_AREAS -> {
                List<Stroke> both = new ArrayList<>(box(SAFE_ACTION));
                both.addAll(box(SAFE_TITLE));
                yield both;
            }
            case THIRDS -> List.of(upright(1 / 3.0), upright(2 / 3.0), level(1 / 3.0), level(2 / 3.0));
            case CENTRE -> List.of(new Stroke(0.47, 0.5, 0.53, 0.5), new Stroke(0.5, 0.46, 0.5, 0.54));
            case DIAGONALS -> List.of(new Stroke(0, 0, 1, 1), new Stroke(1, 0, 0, 1));
        };
    }

    private static Stroke upright(double x) {
        return new Stroke(x, 0, x, 1);
    }

    private static Stroke level(double y) {
        return new Stroke(0, y, 1, y);
    }

    private static List<Stroke> box(double share) {
        double a = (1 - share) / 2;
        double b = 1 - a;
        return List.of(new Stroke(a, a, b, a), new Stroke(b, a, b, b), new Stroke(b, b, a, b), new Stroke(a, b, a, a));
    }
}
