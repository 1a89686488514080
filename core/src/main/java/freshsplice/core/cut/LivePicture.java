package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * What is seen of a cut: the topmost enabled picture lane wins, nested cuts are opened, and the result is pieces in
 * record order that overlap only in a transition. Where a file lays two events of one lane over each other without a
 * transition, the one that begins later is seen. O(n log n) in the number of events.
 */
public final class LivePicture {
    /** What is seen of each nested cut: one that is shown a hundred times is worked out once. */
    private final Map<Cut, List<LivePiece>> known = new IdentityHashMap<>();

    private LivePicture() {
    }

    public static List<LivePiece> of(Cut cut) {
        return new LivePicture().pieces(cut);
    }

    private List<LivePiece> pieces(Cut cut) {
        List<LivePiece> there = known.get(cut);
        if (there != null) {
            return there;
        }
        List<LivePiece> live = new ArrayList<>();
        FrameSet covered = new FrameSet();
        List<Integer> lanes = cut.lanesOf(Lane.Kind.PICTURE);
        for (int i = lanes.size() - 1; i >= 0; i--) {
            int index = lanes.get(i);
            Lane lane = cut.lanes().get(index);
            if (lane.enabled()) {
                addLane(lane, index, covered, live);
            }
        }
        live.sort(Comparator.comparingLong((LivePiece p) -> p.record().in())
                .thenComparingLong(p -> p.record().out()));
        known.put(cut, live);
        return live;
    }

    private void addLane(Lane lane, int index, FrameSet covered, List<LivePiece> live) {
        List<List<FrameRange>> own = ownRanges(lane);
        List<FrameRange> seen = new ArrayList<>();
        for (int e = 0; e < own.size(); e++) {
            for (FrameRange range : own.get(e)) {
                for (FrameRange open : covered.missingFrom(range)) {
                    live.addAll(open(lane.events().get(e), open, List.of(index, e)));
                    seen.add(open);
                }
            }
        }
        seen.forEach(covered::add);
    }

    /** Each event's own frames on its lane: less what a later event lies over, unless a transition joins them. */
    private static List<List<FrameRange>> ownRanges(Lane lane) {
        List<List<FrameRange>> own = new ArrayList<>(Collections.nCopies(lane.events().size(), List.of()));
        FrameSet later = new FrameSet();
        for (int i = lane.events().size() - 1; i >= 0; i--) {
            Event event = lane.events().get(i);
            if (event.enabled()) {
                own.set(i, later.missingFrom(event.record()));
                later.add(event.record().withIn(endOfTransitionInto(lane, event.record())));
            }
        }
        return own;
    }

    private static long endOfTransitionInto(Lane lane, FrameRange record) {
        List<Transition> all = lane.transitions();
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

    private List<LivePiece> open(Event event, FrameRange range, List<Integer> path) {
        if (event.kind() != Event.Kind.NESTED || event.nested() == null) {
            return List.of(new LivePiece(range, path, event, event.time()));
        }
        List<LivePiece> pieces = new ArrayList<>();
        for (LivePiece inner : pieces(event.nested())) {
            for (FrameRange outer : NestedTime.framesThatShow(event.time(), inner.record(), range)) {
                List<Integer> innerPath = new ArrayList<>(path);
                innerPath.addAll(inner.path());
                pieces.add(new LivePiece(outer, innerPath, inner.event(),
                        NestedTime.through(event.time(), inner.time(), outer)));
            }
        }
        return pieces;
    }
}
