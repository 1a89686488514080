package freshsplice.core.delivery;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;

/** What of a clip a list can name its render for. A transition lies in one event: one that is covered in part is none. */
final class CoveredPart {
    private CoveredPart() {
    }

    /**
     * @param next  the clip after it; null for none
     * @param place record frames at which the render's frames lie
     * @return null where the render shows nothing that could be an event of its own
     */
    static FrameRange of(Clip clip, Clip next, FrameRange place) {
        FrameRange seen = clip.seen(next);
        FrameRange shared = seen.sharedWith(place);
        long headEnd = headEnd(clip, seen);
        long tailBegin = tailBegin(clip, next, seen);
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

    /** The frame after the transition into a clip; its first where there is none. */
    static long headEnd(Clip clip, FrameRange seen) {
        Transition head = clip.head();
        return head == null ? seen.in() : clip.record().in() + head.after();
    }

    /** The first frame of the transition out of a clip; the frame after its last where there is none. */
    static long tailBegin(Clip clip, Clip next, FrameRange seen) {
        if (clip.tail() != null) {
            return clip.record().out() - clip.tail().before();
        }
        return clip.passesInto(next) ? clip.record().out() - next.head().before() : seen.out();
    }
}
