package freshsplice.core.render;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How long renders take, by how long others took here: so much for each render, to begin it and to end its files, and so much for each
 * pixel that is drawn.
 */
public final class DrawingTimes {
    /** Beginning a render and starting what writes its files, seconds (seen here with many small ones: 0.15 to 0.2). */
    private static final double A_RENDER = 0.15;
    /** Pictures of a size within this factor are drawn alike; of others only beginning and ending tells anything. */
    private static final double ALIKE = 4;
    /** Seconds a pixel where none were alike: 60 to 4 frames/s of 1280 x 720, from a graphics card to two cores that do all of it (seen here: 22). */
    private static final Sizes.Range UNSEEN = new Sizes.Range(1 / (60.0 * 1280 * 720), 1 / (4.0 * 1280 * 720));

    /**
     * A finished render.
     *
     * @param started  seconds from any moment on that all are counted from
     * @param finished as when it started
     * @param pixels   of each frame, as drawn
     * @param frames   that were drawn, each moment of one where the shutter was open
     */
    public record Sample(double started, double finished, double pixels, double frames) {
    }

    /** Seconds a pixel, with the pixels of a frame. */
    private record Rate(double seconds, double pixels) {
        boolean isLike(double other) {
            return pixels <= other * ALIKE && other <= pixels * ALIKE;
        }
    }

    private final List<Rate> rates = new ArrayList<>();

    /** @param before in any order; one that waited for those that ended before it counts from their end on */
    public DrawingTimes(Collection<Sample> before) {
        double ended = Double.NEGATIVE_INFINITY;
        for (Sample seen : before.stream().sorted(Comparator.comparingDouble(Sample::finished)).toList()) {
            double seconds = seen.finished() - Math.max(seen.started(), ended) - A_RENDER;
            if (seconds > 0 && seen.pixels() * seen.frames() > 0) {
                rates.add(new Rate(seconds / (seen.pixels() * seen.frames()), seen.pixels()));
            }
            ended = seen.finished();
        }
    }

    /** Seconds that renders will take together: by the middle half of what was seen of their size; empty where nothing was seen at all. @param pixels of each frame, as drawn */
    public Optional<Sizes.Range> of(int renders, double pixels, double frames) {
        if (rates.isEmpty()) {
            return Optional.empty();
        }
        List<Double> alike = rates.stream().filter(r -> r.isLike(pixels)).map(Rate::seconds).sorted().toList();
        Sizes.Range rate = alike.isEmpty() ? UNSEEN : new Sizes.Range(alike.get(alike.size() / 4), alike.get(Math.min(alike.size() - 1, alike.size() * 3 / 4)));
        double begun = renders * A_RENDER;
        return Optional.of(new Sizes.Range(begun + rate.least() * pixels * frames, begun + rate.most() * pixels * frames));
    }
}
