package freshsplice.core.render;

import java.util.Collection;
import java.util.EnumMap;
import java.util.Map;

/**
 * How large files become: by what was seen here before, and by what is common where nothing was.
 *
 * <p>Common: five minutes of 4K as PNG at 24 frames/s are 7 200 files of about 11 MB, 80 GB; four seconds of 4K are 30 MB well
 * compressed and about 1 GB lightly; plain pictures are a fraction of that (common practice, trade rules: renders).
 */
public final class Sizes {
    /** Bytes a pixel. */
    public record Range(double least, double most) {
        Range with(double seen) {
            return new Range(Math.min(least, seen), Math.max(most, seen));
        }
    }

    /** What a finished render had. @param pixels of all its frames together */
    public record Sample(OutputKind kind, long pixels, long bytes) {
    }

    private static final Map<OutputKind, Range> COMMON = new EnumMap<>(Map.of(OutputKind.H264, new Range(0.005, 0.1),
            OutputKind.PRORES, new Range(0.15, 0.6), OutputKind.VC3, new Range(0.4, 0.7), OutputKind.PNG8, new Range(0.05, 1.34),
            OutputKind.PNG16, new Range(0.2, 4.5), OutputKind.JPEG, new Range(0.04, 0.5), OutputKind.TIFF, new Range(0.05, 3),
            OutputKind.EXR, new Range(0.1, 6)));
    /** Frames that are kept until they are let go: plain figures under 4 bits a pixel, of 8 bits and without their own transparency (seen here: 86 kB at 1280 x 720). */
    private static final Range KEPT = new Range(0.05, 0.5);
    /** What was seen before is no promise: other pictures may be so much smaller or larger. */
    private static final double SPREAD = 1.5;

    private final Map<OutputKind, Range> seen = new EnumMap<>(OutputKind.class);

    public Sizes(Collection<Sample> before) {
        before.stream().filter(s -> s.pixels() > 0).forEach(s -> seen.merge(s.kind(), new Range(s.bytes() / (double) s.pixels(),
                s.bytes() / (double) s.pixels()), (a, b) -> a.with(b.least())));
    }

    /** Bytes that frames of a recipe take while they are kept. */
    public static Range keptFrames(Recipe recipe, long frames) {
        double pixels = (double) frames * recipe.look().width() * recipe.look().height() * recipe.bits() / 8;
        return new Range(KEPT.least() * pixels, KEPT.most() * pixels);
    }

    /** Bytes a pixel that a kind of file will have. */
    public Range of(OutputKind kind) {
        Range range = seen.get(kind);
        return range == null ? COMMON.get(kind) : new Range(range.least() / SPREAD, range.most() * SPREAD);
    }

    /** Bytes that a recipe's files will have, for so many frames. */
    public Range of(Recipe recipe, long frames) {
        double pixels = (double) frames * recipe.look().width() * recipe.look().height();
        double least = 0;
        double most = 0;
        for (Output output : recipe.written()) {
            Range range = of(output.kind());
            double limit = output.mostMb() == null ? Double.MAX_VALUE : output.mostMb() * 1e6;
            least += Math.min(limit, range.least() * pixels);
            most += Math.min(limit, range.most() * pixels);
        }
        return new Range(least, most);
    }
}
