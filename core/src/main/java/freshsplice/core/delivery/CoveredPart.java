package freshsplice.core.delivery;

import freshsplice.core.master.Section;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;

/** What of a piece a list can name its render for. A transition lies in one event: one that is covered in part is none. */
final class CoveredPart {
    private CoveredPart() {
    }

    /**
     * @param next  the piece after it; null for none
     * @param place record frames at which the render's frames lie
     * @return null where the render shows nothing that could be an event of its own
     */
    static FrameRange of(Section section, Section next, FrameRange place) {
        FrameRange seen = section.seen(next);
        FrameRange shared = seen.sharedWith(place);
        long headEnd = headEnd(section, seen);
        long tailBegin = tailBegin(section, next, seen);
        long in = shared.in() > seen.in() ? Math.max(shared.in(), beyond(headEnd, seen.in(), 1)) : shared.in();
        long out = shared.out() < seen.out() ? Math.min(shared.out(), beyond(tailBegin, seen.out(), -1)) : shared.out();
        boolean cutsHead = in == seen.in() && out < seen.out() && headEnd > seen.in() && out <= headEnd;
        boolean cutsTail = out == seen.out() && in > seen.in() && tailBegin < seen.out() && in >= tailBegin;
        return shared.isEmpty() || in >= out || cutsHead || cutsTail ? null : FrameRange.of(in, out);
    }

    /** An event that lies all under a transition could be read as going out as well as coming in: it keeps one frame more. */
    private static long beyond(long transition, long end, long frames) {
        return transition == end ? end : transition + frames;
    }

    /** The frame after the transition into a piece; its first where there is none. */
    static long headEnd(Section section, FrameRange seen) {
        Transition head = section.head();
        return head == null ? seen.in() : section.record().in() + head.after();
    }

    /** The first frame of the transition out of a piece; the frame after its last where there is none. */
    static long tailBegin(Section section, Section next, FrameRange seen) {
        if (section.tail() != null) {
            return section.record().out() - section.tail().before();
        }
        return section.passesInto(next) ? section.record().out() - next.head().before() : seen.out();
    }
}
