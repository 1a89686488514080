package freshsplice.core.delivery;

import freshsplice.core.master.SeenPiece;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/**
 * Where a render lies under a piece that shows its shot.
 *
 * @param render which
 * @param whole  record frames of all its frames
 * @param shown  those of them between the piece's seams: frames under transitions belong to the render, the seam to the cut between
 *              them
 */
public record RenderPlace(FinishedRender render, FrameRange whole, FrameRange shown) {
    /**
     * Where the renders of a piece lie, in order. The first and the last reach beyond the piece where they have more. Where all play at
     * another speed the newest lies at the piece's first frame: it is to be seen there that it is another one.
     */
    public static List<RenderPlace> of(SeenPiece piece, ShotRenders renders) {
        List<FinishedRender> known = renders.ofShot(piece.section().shotId());
        if (known.isEmpty()) {
            return List.of();
        }
        List<Cover.Part> parts = renders.cover(piece).parts();
        if (parts.isEmpty()) {
            return List.of(beside(piece, known.get(0)));
        }
        List<RenderPlace> places = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Cover.Part part = parts.get(i);
            FrameRange reach = reach(piece, part);
            long in = i == 0 ? reach.in() : part.record().in();
            long out = i == parts.size() - 1 ? reach.out() : part.record().out();
            places.add(new RenderPlace(part.render(), part.place(), FrameRange.of(in, Math.max(in, out))));
        }
        return places;
    }

    /** What it has between the seams; of frames to spare only those that the piece wants. */
    private static FrameRange reach(SeenPiece piece, Cover.Part part) {
        FrameRange record = piece.section().record();
        long in = part.place().in() + (record.in() - piece.seen().in());
        long out = part.place().out() - (piece.seen().out() - record.out());
        int spare = part.render().handles();
        long first = Math.min(in + spare, Math.max(in, record.in()));
        return FrameRange.of(first, Math.max(first, Math.max(out - spare, Math.min(out, record.out()))));
    }

    /** One that shows none of the piece's frames. */
    private static RenderPlace beside(SeenPiece piece, FinishedRender render) {
        FrameRange place = render.range().on(piece.section());
        FrameRange whole = place == null ? FrameRange.ofLength(piece.section().record().in(), render.range().frames()) : place;
        return new RenderPlace(render, whole, whole);
    }
}
