package freshsplice.exchange.layout;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A track as a row of clips without overlap: from the cut before to the cut after, black where nothing stands. A
 * transition reaches from its cut into both neighbours.
 *
 * @param clips in order, without a hole from {@code start} to the last clip's end
 */
public record TrackRow(long start, List<Clip> clips) {
    /**
     * @param event what stands there; null for black
     * @param own   its frames from cut to cut; never empty
     * @param head  the transition at its first frame; null where there is a plain cut
     */
    public record Clip(Event event, FrameRange own, Transition head) {
    }

    /**
     * The row of a track.
     *
     * @param start   record frame at which the row begins
     * @param remarks takes what cannot be told: events over each other without a transition
     */
    public static TrackRow of(Track track, long start, List<Remark> remarks) {
        Map<Long, Transition> heads = new HashMap<>();
        Map<Long, Transition> tails = new HashMap<>();
        track.transitions().forEach(t -> heads.put(t.record().in(), t));
        track.transitions().forEach(t -> tails.put(t.record().out(), t));
        List<Clip> clips = new ArrayList<>();
        long at = start;
        List<Event> events = track.events();
        for (int i = 0; i < events.size(); i++) {
            Event event = events.get(i);
            Transition head = heads.get(event.record().in());
            Transition tail = tails.get(event.record().out());
            long in = head == null ? event.record().in() : head.cut();
            long out = tail == null || tail == head ? event.record().out() : tail.cut();
            boolean overlapped = false;
            if (i + 1 < events.size() && tail == null) {
                long next = events.get(i + 1).record().in();
                overlapped = next < out;
                out = Math.min(out, next);
            }
            if (in < at) {
                overlapped = true;
                in = at;
            }
            if (overlapped) {
                remarks.add(Remark.loss("track " + track.name() + ", frame " + event.record().in(), "\"" + event.name()
                        + "\" lies over a neighbour without a transition; the format has no overlaps, so it is cut "
                        + "where the later one begins"));
            }
            if (out <= in) {
                continue;
            }
            if (in > at) {
                clips.add(new Clip(null, FrameRange.of(at, in), null));
            }
            clips.add(new Clip(event, FrameRange.of(in, out), head));
            at = out;
            if (tail != null && tail != head && heads.get(tail.record().in()) == tail
                    && !joinsNext(events, i, tail)) {
                long end = Math.max(at + 1, tail.record().out());
                clips.add(new Clip(null, FrameRange.of(at, end), tail));
                at = end;
            }
        }
        return new TrackRow(start, clips);
    }

    private static boolean joinsNext(List<Event> events, int index, Transition transition) {
        return index + 1 < events.size() && events.get(index + 1).record().in() == transition.record().in();
    }

    /** The record frame after the last clip. */
    public long end() {
        return clips.isEmpty() ? start : clips.get(clips.size() - 1).own().out();
    }
}
