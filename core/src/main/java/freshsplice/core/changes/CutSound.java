package freshsplice.core.changes;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** The sound of a cut, asked piece by piece: what is heard under a picture, counted from the picture's own start. */
public final class CutSound {
    private record Heard(String lane, String source, FrameRange at, String from, String speed) {
    }

    private final Cut cut;
    private final List<Lane> lanes;

    public CutSound(Cut cut) {
        this.cut = cut;
        this.lanes = cut.lanesOf(Lane.Kind.SOUND).stream().map(cut.lanes()::get).toList();
    }

    /** Whether the cut has no sound at all. */
    public boolean isSilent() {
        return lanes.stream().allMatch(l -> l.events().isEmpty());
    }

    /** Whether anything else is heard under the newer piece than under the older. */
    public static boolean differs(CutSound older, Piece oldPiece, CutSound newer, Piece newPiece) {
        return !older.under(oldPiece.edge()).equals(newer.under(newPiece.edge()));
    }

    private Set<Heard> under(FrameRange picture) {
        Set<Heard> heard = new HashSet<>();
        for (Lane lane : lanes) {
            for (Event event : overlapping(lane, picture)) {
                FrameRange at = FrameRange.of(Math.max(event.record().in(), picture.in()),
                        Math.min(event.record().out(), picture.out()));
                heard.add(new Heard(lane.name(), event.source() == null ? "" : event.source().label(),
                        at.shiftedBy(-picture.in()), event.time().at(at.in()).toString(),
                        event.speed(cut.rate()).map(Object::toString).orElse("keyed")));
            }
        }
        return heard;
    }

    private static List<Event> overlapping(Lane lane, FrameRange range) {
        List<Event> events = lane.events();
        int low = 0;
        int high = events.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (events.get(middle).record().in() < range.out()) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        List<Event> found = new ArrayList<>();
        // sound events lie one after another: a few steps back are enough to meet one that ends before the range
        int misses = 0;
        for (int i = low - 1; i >= 0 && misses < 4; i--) {
            if (events.get(i).record().overlaps(range)) {
                found.add(events.get(i));
            } else {
                misses++;
            }
        }
        return found;
    }
}
