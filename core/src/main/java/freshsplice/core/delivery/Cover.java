package freshsplice.core.delivery;

import freshsplice.core.master.SeenPiece;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which renders show which frames of a piece. The newest that has all of them stands for the whole piece; where none has, the newest
 * that has a frame stands for it.
 *
 * @param piece the piece
 * @param parts in record order; they do not overlap
 */
public record Cover(SeenPiece piece, List<Part> parts) {
    /**
     * Frames of the piece that one render shows.
     *
     * @param record which, on the master's clock
     * @param place  record frames at which all frames of the render lie
     */
    public record Part(FrameRange record, FrameRange place, FinishedRender render) {
    }

    public Cover {
        parts = List.copyOf(parts);
    }

    /** @param renders finished ones of the piece's shot, the best first */
    public static Cover of(SeenPiece piece, List<FinishedRender> renders) {
        List<Part> candidates = new ArrayList<>();
        for (FinishedRender render : renders) {
            FrameRange place = render.range().on(piece.section());
            if (place != null && place.sharedWith(piece.seen()).equals(piece.seen())) {
                return new Cover(piece, List.of(new Part(piece.seen(), place, render)));
            }
            if (place != null && place.overlaps(piece.seen())) {
                candidates.add(new Part(place.sharedWith(piece.seen()), place, render));
            }
        }
        List<Part> parts = new ArrayList<>();
        candidates.forEach(candidate -> without(parts, candidate.record()).forEach(free ->
                parts.add(new Part(free, candidate.place(), candidate.render()))));
        parts.sort(Comparator.comparingLong(p -> p.record().in()));
        return new Cover(piece, parts);
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

    /** Record frames of the piece that no render shows, in order. */
    public List<FrameRange> missing() {
        return without(parts, piece.seen());
    }

    /** How many frames of the piece renders show. */
    public long covered() {
        return parts.stream().mapToLong(p -> p.record().length()).sum();
    }
}
