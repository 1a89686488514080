package freshsplice.core.camera;

import freshsplice.core.refusal.Refusal;
import java.util.Map;
import java.util.stream.LongStream;

/**
 * A motion layer on a camera.
 *
 * @param id       its id
 * @param layer    what moves
 * @param from     first shot frame
 * @param frames   how long
 * @param strength of the layer's amounts, 1 for all
 * @param on       off is as if it were not there
 */
public record LayerUse(long id, MotionLayer layer, long from, long frames, double strength, boolean on) {
    private static final double STRONGEST = 100;

    /** @throws Refusal if it lasts no frame, or its strength is no number */
    public LayerUse {
        if (frames < 1 || frames > 1_000_000) {
            throw new Refusal("A motion layer lasts 1 to 1000000 frames, not " + frames);
        }
        if (!(Math.abs(strength) <= STRONGEST)) {
            throw new Refusal("A motion layer's strength is up to " + (long) STRONGEST + " times its amounts, not " + strength);
        }
    }

    private static final int MOST_DRAWN = 2000;

    /** What it does over its frames, for drawing it: of the first channel that it moves, a share of that one's amount a frame. */
    public double[] curve() {
        CameraChannel first = layer.amounts().keySet().stream().sorted().findFirst().orElse(CameraChannel.X);
        return LongStream.range(0, Math.min(frames, MOST_DRAWN)).mapToDouble(f -> layer.sway().share(first, f, frames)).toArray();
    }

    /** How far it moves the camera at an exact shot frame; nothing where it is off or not yet or no more. */
    Map<CameraChannel, Double> at(double shotFrame) {
        double since = shotFrame - from;
        return on && since >= 0 && since < frames ? layer.at(since, frames) : Map.of();
    }
}
