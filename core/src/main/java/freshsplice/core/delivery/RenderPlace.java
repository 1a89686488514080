package freshsplice.core.delivery;

import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;

/**
 * Where a render lies under a piece that shows its shot.
 *
 * @param whole record frames of all its frames
 * @param shown those of them between the piece's seams: frames under transitions belong to the render, the seam to the cut between
 *              them
 */
public record RenderPlace(FrameRange whole, FrameRange shown) {
    /**
     * One that plays at another speed lies at the piece's first frame: it is to be seen there that it is another one.
     *
     * @param seen record frames on which any of the piece is seen, those under its transitions included
     */
    public static RenderPlace of(Section section, FrameRange seen, RenderRange range) {
        FrameRange place = range.on(section);
        FrameRange whole = place == null ? FrameRange.ofLength(section.record().in(), range.frames()) : place;
        long in = whole.in() + (section.record().in() - seen.in());
        return new RenderPlace(whole, FrameRange.of(in, Math.max(in, whole.out() - (seen.out() - section.record().out()))));
    }
}
