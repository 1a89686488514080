package freshsplice.demo;

import freshsplice.core.stage.Shape;
import java.util.List;

/**
 * The scene. The causeway runs along x from the mainland gate (0) to the island (130); the sea rises over it while a
 * postwoman brings a parcel across. Metres, degrees; frames are action frames at 24 frames/s, 0 to 1622.
 */
public final class LowWater {
    public static final String TITLE = "Low Water, scene 12";
    public static final String SCENE = "The causeway";

    /**
     * A thing of the set.
     *
     * @param keys frame, x, y, z, turn; one row a key
     * @param shown frame, 0 or 1; empty where it is always there
     */
    public record Thing(String name, Shape shape, String colour, double width, double height, double depth,
                        double[][] keys, long[][] shown) {
        static Thing still(String name, Shape shape, String colour, double w, double h, double d, double x, double y,
                           double z, double turn) {
            return new Thing(name, shape, colour, w, h, d, new double[][] {{0, x, y, z, turn}}, new long[][] {});
        }
    }

    /**
     * A shot of the first cut.
     *
     * @param board   the board's name
     * @param frames  its length
     * @param from    where the board's camera stands
     * @param aim     what it looks at
     * @param lens    mm on Super 35
     * @param at      action frame that the board shows
     * @param move    the staged camera's other end: x y z of its place, x y z of its aim, lens; null while not staged
     * @param follows whether it moves as evenly as what it follows; else it sets off and comes to rest
     */
    public record Shot(String board, int frames, double[] from, double[] aim, double lens, int at, double[] move,
                       boolean follows) {
        Shot(String board, int frames, double[] from, double[] aim, double lens, int at, double[] move) {
            this(board, frames, from, aim, lens, at, move, false);
        }
    }

    private LowWater() {
    }

    public static List<Thing> set() {
        return List.of(
                new Thing("sea", Shape.BLOCK, "#4f6b76", 3000, 1, 3000,
                        new double[][] {{0, 0, -1.75, 0, 0}, {700, 0, -1.45, 0, 0}, {1254, 0, -0.98, 0, 0},
                            {1622, 0, -0.9, 0, 0}}, new long[][] {}),
                Thing.still("causeway", Shape.BLOCK, "#a3937a", 150, 1.4, 5, 62, -1.4, 0, 0),
                Thing.still("kerb north", Shape.BLOCK, "#8b7d68", 150, 0.18, 0.3, 62, 0, -2.4, 0),
                Thing.still("kerb south", Shape.BLOCK, "#8b7d68", 150, 0.18, 0.3, 62, 0, 2.4, 0),
                Thing.still("mainland", Shape.MOUND, "#6f7763", 70, 3.2, 110, -42, -1.6, 0, 0),
                Thing.still("island", Shape.MOUND, "#6b745f", 90, 4.4, 120, 165, -1.6, -8, 0),
                Thing.still("rock", Shape.MOUND, "#5e635e", 7, 2.2, 5, 52, -1.6, -13, 20),
                Thing.still("tide pole", Shape.TIDE_POLE, "#b5483d", 1, 1, 1, 40, -1.4, 3.6, -90),
                Thing.still("pole 2", Shape.CYLINDER, "#8a765c", 0.28, 3.4, 0.28, 62, -1.2, -3.1, 0),
                Thing.still("pole 3", Shape.CYLINDER, "#8a765c", 0.28, 3.4, 0.28, 84, -1.2, -3.1, 0),
                Thing.still("pole 4", Shape.CYLINDER, "#8a765c", 0.28, 3.4, 0.28, 106, -1.2, -3.1, 0),
                Thing.still("gate", Shape.GATE, "#9a6a45", 1, 1, 1, -2, 0, 0, 0),
                Thing.still("island gate", Shape.GATE, "#9a6a45", 1, 1, 1, 128, 0, 0, 62),
                Thing.still("lighthouse", Shape.LIGHTHOUSE, "#ece6da", 1.15, 1.15, 1.15, 158, 2.4, -20, 0),
                Thing.still("keeper's house", Shape.HOUSE, "#c9b596", 1.2, 1.2, 1.2, 148, 2.3, -6, -90),
                Thing.still("gate house", Shape.HOUSE, "#b7a58c", 1, 1, 1, -16, 1.4, -11, 20),
                Thing.still("boat", Shape.BOAT, "#5a7f86", 1.4, 1.4, 1.4, 66, -1.1, -15, 35),
                new Thing("postwoman riding", Shape.CYCLIST, "#a83a30", 1, 1, 1,
                        new double[][] {{0, -10, 0, 0.3, 0}, {96, -6, 0, 0.3, 0}, {226, 4, 0, 0.3, 0},
                            {490, 30, 0, 0.2, 0}, {696, 52, 0, 0.4, 0}, {1080, 92, 0, 0.2, 0},
                            {1352, 118, 0, 0.4, 0}, {1470, 127, 0, 0.6, 8}}, new long[][] {{0, 1}, {1502, 0}}),
                new Thing("postwoman", Shape.PERSON, "#a83a30", 1, 1, 1,
                        new double[][] {{0, 133, 0.9, 0.6, 0}, {1502, 133, 0.9, 0.6, 20}, {1622, 136, 1.2, -1, 30}},
                        new long[][] {{0, 0}, {1502, 1}}),
                new Thing("bicycle", Shape.BICYCLE, "#3f5a63", 1, 1, 1,
                        new double[][] {{0, 131, 0.25, 2.2, 70}}, new long[][] {{0, 0}, {1502, 1}}),
                new Thing("gull 1", Shape.GULL, "#f2efe8", 1.1, 1.1, 1.1,
                        new double[][] {{0, 40, 2.75, 3.6, 0}, {552, 40, 2.75, 3.6, -30}, {620, 44, 5, 1, -20},
                            {800, 80, 9, -12, -10}}, new long[][] {}),
                new Thing("gull 2", Shape.GULL, "#f2efe8", 1, 1, 1,
                        new double[][] {{0, 47, 0.4, -6, 60}, {560, 47, 0.6, -6, 60}, {640, 50, 4.4, -4, 20},
                            {820, 86, 8, -20, 10}}, new long[][] {}),
                new Thing("gull 3", Shape.GULL, "#e9e6df", 1, 1, 1,
                        new double[][] {{0, 60, 7, -18, 180}, {800, 20, 8, -10, 200}, {1622, -30, 9, 0, 180}},
                        new long[][] {}));
    }

    /** The first cut, in order: 1 622 frames. */
    public static List<Shot> shots() {
        return List.of(
                new Shot("tide_pole", 96, p(35.0, 0.9, 7.4), p(40.4, 1.15, 3.2), 30, 40,
                        p(36.4, 0.5, 6.6, 40.2, 0.7, 3.5, 35)),
                new Shot("gate_open", 130, p(6.5, 1.5, 4.6), p(-3, 0.9, 0), 28, 150,
                        p(8.5, 1.2, 3.4, 0, 0.9, 0.2, 28)),
                new Shot("parcel_cu", 88, p(4.3, 1.6, 2.2), p(5.9, 0.95, 0.3), 40, 250, null),
                new Shot("causeway_wide", 176, p(22, 7.5, 16), p(44, 0, -3), 24, 420,
                        p(20, 4.2, 13, 40, 0.6, -2, 28)),
                new Shot("bicycle_wide", 62, p(28, 1.1, 3.4), p(33, 1.0, 0.2), 35, 520,
                        p(32, 0.8, 3.0, 36, 1.0, 0.2, 35)),
                new Shot("gulls", 144, p(36.5, 2.0, 7.5), p(42, 3.6, 1), 32, 600,
                        p(37.5, 1.6, 7.0, 52, 7.5, -4, 40)),
                new Shot("wheel_cu", 110, p(58.6, 0.5, 2.6), p(57.0, 0.42, 0.4), 38, 740, null),
                new Shot("postwoman_cu", 73, p(65.7, 1.55, 1.5), p(63.5, 1.5, 0.3), 55, 807,
                        p(73.2, 1.6, 1.4, 71.1, 1.55, 0.3, 65), true),
                new Shot("causeway_long", 201, p(108, 1.2, 1.4), p(70, 1.0, -0.4), 85, 980,
                        p(108, 2.2, 1.2, 76, 0.9, -0.3, 100)),
                new Shot("clock", 54, p(-13.4, 3.6, -5.4), p(-16, 3.2, -11), 60, 1100, null),
                new Shot("wave_over_road", 120, p(93, 0.35, 4.2), p(100, 0.15, -0.6), 30, 1200, null),
                new Shot("lighthouse", 98, p(116, 1.1, 5.2), p(150, 6.5, -14), 32, 1300,
                        p(118, 1.2, 4.6, 152, 9, -16, 32)),
                new Shot("run_at_gate", 150, p(131, 1.35, 4.0), p(124, 0.9, 0.4), 28, 1430, null),
                new Shot("arrived", 120, p(127.6, 1.75, 5.6), p(138, 2.5, -2.6), 30, 1580, null));
    }

    /** Turned left and upwards so that a camera at {@code from} looks at {@code aim}, in degrees: pan, tilt. */
    public static double[] look(double[] from, double[] aim) {
        double dx = aim[0] - from[0];
        double dy = aim[1] - from[1];
        double dz = aim[2] - from[2];
        return new double[] {Math.toDegrees(Math.atan2(-dx, -dz)),
            Math.toDegrees(Math.atan2(dy, Math.sqrt(dx * dx + dz * dz)))};
    }

    private static double[] p(double... values) {
        return values;
    }
}
