package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * What is seen of a cut: the topmost enabled picture track wins, nested cuts are opened, and the result is clips in
 * record order that overlap only in a transition. Where a file lays two events of one track over each other without a
 * transition, the one that begins later is seen. O(n log n) in the number of events.
 */
public final class LivePicture {
    /** What is seen of each nested cut: one that is shown a hundred times is worked out once. */
    private final Map<Cut, List<LiveEvent>> known = new IdentityHashMap<>();

    private LivePicture() {
    }

    public static List<LiveEvent> of(Cut cut) {
        return new LivePicture().clips(cut);
    }

    private List<LiveEvent> clips(Cut cut) {
        List<LiveEvent> there = known.get(cut);
        if (there != null) {
            return there;
        }
        List<LiveEvent> live = new ArrayList<>();
        FrameSet covered = new FrameSet();
        List<Integer> tracks = cut.tracksOf(Track.Kind.PICTURE);
        for (int i = tracks.size() - 1; i >= 0; i--) {
            int index = tracks.get(i);
            Track track = cut.tracks().get(index);
            if (track.enabled()) {
                addTrack(track, index, covered, live);
            }
        }
        live.sort(Comparator.comparingLong((LiveEvent p) -> p.record().in())
                .thenComparingLong(p -> p.record().out()));
        known.put(cut, live);
        return live;
    }

    private void addTrack(Track track, int index, FrameSet covered, List<LiveEvent> live) {
        List<List<FrameRange>> own = ownRanges(track);
        List<FrameRange> seen = new ArrayList<>();
        for (int e = 0; e < own.size(); e++) {
            for (FrameRange range : own.get(e)) {
                for (FrameRange open : covered.missingFrom(range)) {
                    live.addAll(open(track.events().get(e), open, List.of(index, e)));
                    seen.add(open);
                }
            }
        }
        seen.forEach(covered::add);
    }

    /** Each event's own frames on its track: less what a later event lies over, unless a transition joins them. */
    private static List<List<FrameRange>> ownRanges(Track track) {
        List<List<FrameRange>> own = new ArrayList<>(Collections.nCopies(track.events().size(), List.of()));
        FrameSet later = new FrameSet();
        for (int i = track.events().size() - 1; i >= 0; i--) {
            Event event = track.events().get(i);
            if (event.enabled()) {
                own.set(i, later.missingFrom(event.record()));
                later.add(event.record().withIn(endOfTransitionInto(track, event.record())));
            }
        }
        return own;
    }

    private static long endOfTransitionInto(Track track, FrameRange record) {
        List<Transition> all = track.transitions();
        int low = 0;
        int high = all.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            FrameRange transition = all.get(middle).record();
            if (transition.in() == record.in()) {
                return Math.min(transition.out(), record.out());
            }
            if (transition.in() < record.in()) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return record.in();
    }

    private List<LiveEvent> open(Event event, FrameRange range, List<Integer> path) {
        if (event.kind() != Event.Kind.NESTED || event.nested() == null) {
            return List.of(new LiveEvent(range, path, event, event.time()));
        }
        List<LiveEvent> clips = new ArrayList<>();
        for (LiveEvent inner : clips(event.nested())) {
            for (FrameRange outer : NestedTime.framesThatShow(event.time(), inner.record(), range)) {
                List<Integer> innerPath = new ArrayList<>(path);
                innerPath.addAll(inner.path());
                clips.add(new LiveEvent(outer, innerPath, inner.event(),
                        NestedTime.through(event.time(), inner.time(), outer)));
            }
        }
        return clips;
    }
}
