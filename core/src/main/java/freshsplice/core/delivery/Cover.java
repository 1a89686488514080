package freshsplice.core.delivery;

import freshsplice.core.master.SeenClip;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which renders show which frames of a clip. The newest that has all of them stands for the whole clip; where none has, the newest
 * that has a frame stands for it.
 *
 * @param clip the clip
 * @param parts in record order; they do not overlap
 */
public record Cover(SeenClip clip, List<Part> parts) {
    /**
     * Frames of the clip that one render shows.
     *
     * @param record which, on the master's clock
     * @param place  record frames at which all frames of the render lie
     */
    public record Part(FrameRange record, FrameRange place, FinishedRender render) {
    }

    public Cover {
        parts = List.copyOf(parts);
    }

    /** @param renders finished ones of the clip's shot, the best first */
    public static Cover of(SeenClip clip, List<FinishedRender> renders) {
        List<Part> candidates = new ArrayList<>();
        for (FinishedRender render : renders) {
            FrameRange place = render.range().on(clip.clip());
            if (place != null && place.sharedWith(clip.seen()).equals(clip.seen())) {
                return new Cover(clip, List.of(new Part(clip.seen(), place, render)));
            }
            if (place != null && place.overlaps(clip.seen())) {
                candidates.add(new Part(place.sharedWith(clip.seen()), place, render));
            }
        }
        List<Part> parts = new ArrayList<>();
        candidates.forEach(candidate -> without(parts, candidate.record()).forEach(free ->
                parts.add(new Part(free, candidate.place(), candidate.render()))));
        parts.sort(Comparator.comparingLong(p -> p.record().in()));
        return new Cover(clip, parts);
    }

    /** What of a range no part shows yet, in order. */
    private static List<FrameRange> without(List<Part> parts, FrameRange range) {
        List<FrameRange> free = new ArrayList<>();
        long from = range.in();
        for (Part part : parts.stream().sorted(Comparator.comparingLong(p -> p.record().in())).toList()) {
            if (part.record().overlaps(range)) {
                if (part.record().in() > from) {
                    free.add(FrameRange.of(from, part.record().in()));
                }
                from = Math.max(from, part.record().out());
            }
        }
        if (from < range.out()) {
            free.add(FrameRange.of(from, range.out()));
        }
        return free;
    }

    /** Record frames of the clip that no render shows, in order. */
    public List<FrameRange> missing() {
        return without(parts, clip.seen());
    }

    /** How many frames of the clip renders show. */
    public long covered() {
        return parts.stream().mapToLong(p -> p.record().length()).sum();
    }
}
