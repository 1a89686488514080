package freshsplice.core.render;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.motion.Key;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.LongSummaryStatistics;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Straight lines that stand in a set as an aid.
 *
 * @param ends    x, y, z in metres of both ends of each line
 * @param colours red, green, blue in sRGB of each end, 0 to 1
 */
public record SetLines(float[] ends, float[] colours) {
    public static final SetLines NONE = new SetLines(new float[0], new float[0]);
    private static final int GRID_METRES = 100;
    private static final int NEAR_METRES = 20;
    private static final int WIDE = 10;
    /** Of all ways together; where there are more frames only every second has a point, or every third. */
    private static final long MOST_POINTS = 100_000;
    /** A tick is so high to each side, and a way shorter than this is none, metres. */
    private static final float TICK = 0.04f;
    private static final double STILL = 0.01;
    private static final float[] GRID_COLOUR = {0.97f, 0.97f, 0.97f};
    private static final float[] WAY_COLOUR = {0.91f, 0.69f, 0.29f};
    private static final float[] TICK_COLOUR = {0.7f, 0.7f, 0.7f};

    public SetLines {
        if (ends.length % 6 != 0 || colours.length != ends.length) {
            throw new IllegalArgumentException("A line has two ends, and each its colour");
        }
    }

    /** What of some aids stands in a set. */
    public static SetLines of(Stage stage, List<Aid> aids) {
        LineList lines = new LineList();
        if (aids.contains(Aid.GRID)) {
            grid(lines);
        }
        if (aids.contains(Aid.PATHS)) {
            ways(stage, lines);
        }
        return lines.all();
    }

    public boolean isEmpty() {
        return ends.length == 0;
    }

    /** Tells them from any others. */
    public String digest() {
        return Fingerprint.digest(ends) + Fingerprint.digest(colours);
    }

    /** A line each metre near the middle of the set, and each ten metres farther away. */
    private static void grid(LineList lines) {
        for (int at = -GRID_METRES; at <= GRID_METRES; at++) {
            int far = at % WIDE == 0 ? GRID_METRES : Math.abs(at) <= NEAR_METRES ? NEAR_METRES : 0;
            if (far > 0) {
                lines.add(at, 0, -far, at, 0, far, GRID_COLOUR);
                lines.add(-far, 0, at, far, 0, at, GRID_COLOUR);
            }
        }
    }

    /** Frames from its first key of a place to its last; null where it has not two. */
    private static FrameRange keyed(Item item) {
        LongSummaryStatistics keys = Stream.of(ItemChannel.X, ItemChannel.Y, ItemChannel.Z).flatMap(c -> item.channel(c).keys().stream())
                .mapToLong(Key::frame).summaryStatistics();
        return keys.getCount() < 2 || keys.getMin() == keys.getMax() ? null : FrameRange.of(keys.getMin(), keys.getMax() + 1);
    }

    private static void ways(Stage stage, LineList lines) {
        Map<Item, FrameRange> ways = new LinkedHashMap<>();
        stage.items().stream().filter(Item::moves).forEach(item -> {
            FrameRange keyed = keyed(item);
            if (keyed != null) {
                ways.put(item, keyed);
            }
        });
        long all = ways.values().stream().mapToLong(FrameRange::length).sum();
        long step = Math.max(1, (all + MOST_POINTS - 1) / MOST_POINTS);
        ways.forEach((item, keyed) -> way(item, keyed, step, lines));
    }

    /** Where it goes anywhere, from its first key to its last. */
    private static void way(Item item, FrameRange keyed, long step, LineList lines) {
        List<float[]> places = new ArrayList<>();
        for (long frame = keyed.in(); frame < keyed.last() + step; frame += step) {
            float[] place = new float[Stage.PLACE];
            item.standsAt(Rational.of(Math.min(frame, keyed.last()))).copyTo(place, 0);
            places.add(new float[] {place[12], place[13], place[14]});
        }
        if (places.stream().allMatch(p -> distance(p, places.get(0)) < STILL)) {
            return;
        }
        for (int k = 0; k < places.size(); k++) {
            float[] a = places.get(k);
            if (k + 1 < places.size()) {
                float[] b = places.get(k + 1);
                lines.add(a[0], a[1], a[2], b[0], b[1], b[2], WAY_COLOUR);
            }
            lines.add(a[0], a[1] - TICK, a[2], a[0], a[1] + TICK, a[2], TICK_COLOUR);
        }
    }

    private static double distance(float[] a, float[] b) {
        return Math.sqrt(Math.pow(a[0] - b[0], 2) + Math.pow(a[1] - b[1], 2) + Math.pow(a[2] - b[2], 2));
    }

    /** Lines while they are put together. */
    private static final class LineList {
        private float[] ends = new float[6 * 256];
        private float[] colours = new float[6 * 256];
        private int used;

        void add(float ax, float ay, float az, float bx, float by, float bz, float[] colour) {
            if (used == ends.length) {
                ends = Arrays.copyOf(ends, used * 2);
                colours = Arrays.copyOf(colours, used * 2);
            }
            System.arraycopy(new float[] {ax, ay, az, bx, by, bz}, 0, ends, used, 6);
            System.arraycopy(colour, 0, colours, used, 3);
            System.arraycopy(colour, 0, colours, used + 3, 3);
            used += 6;
        }

        SetLines all() {
            return used == 0 ? NONE : new SetLines(Arrays.copyOf(ends, used), Arrays.copyOf(colours, used));
        }
    }
}
