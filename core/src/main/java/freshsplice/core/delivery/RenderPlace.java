package freshsplice.core.delivery;

import freshsplice.core.master.SeenClip;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/**
 * Where a render lies under a clip that shows its shot.
 *
 * @param render which
 * @param whole  record frames of all its frames
 * @param shown  those of them between the clip's seams: frames under transitions belong to the render, the seam to the cut between
 *              them
 */
public record RenderPlace(FinishedRender render, FrameRange whole, FrameRange shown) {
    /**
     * Where the renders of a clip lie, in order. The first and the last reach beyond the clip where they have more. Where all play at
     * another speed the newest lies at the clip's first frame: it is to be seen there that it is another one.
     */
    public static List<RenderPlace> of(SeenClip clip, ShotRenders renders) {
        List<FinishedRender> known = renders.ofShot(clip.clip().shotId());
        if (known.isEmpty()) {
            return List.of();
        }
        List<Cover.Part> parts = renders.cover(clip).parts();
        if (parts.isEmpty()) {
            return List.of(beside(clip, known.get(0)));
        }
        List<RenderPlace> places = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Cover.Part part = parts.get(i);
            FrameRange reach = reach(clip, part);
            long in = i == 0 ? reach.in() : part.record().in();
            long out = i == parts.size() - 1 ? reach.out() : part.record().out();
            places.add(new RenderPlace(part.render(), part.place(), FrameRange.of(in, Math.max(in, out))));
        }
        return places;
    }

    /** What it has between the seams; of frames to spare only those that the clip wants. */
    private static FrameRange reach(SeenClip clip, Cover.Part part) {
        FrameRange record = clip.clip().record();
        long in = part.place().in() + (record.in() - clip.seen().in());
        long out = part.place().out() - (clip.seen().out() - record.out());
        int spare = part.render().handles();
        long first = Math.min(in + spare, Math.max(in, record.in()));
        return FrameRange.of(first, Math.max(first, Math.max(out - spare, Math.min(out, record.out()))));
    }

    /** One that shows none of the clip's frames. */
    private static RenderPlace beside(SeenClip clip, FinishedRender render) {
        FrameRange place = render.range().on(clip.clip());
        FrameRange whole = place == null ? FrameRange.ofLength(clip.clip().record().in(), render.range().frames()) : place;
        return new RenderPlace(render, whole, whole);
    }
}
