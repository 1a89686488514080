package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import java.util.ArrayList;
import java.util.List;

/** Pushes along what comes after an edit, on every lane that is not locked and has room: no lane is pushed into an overlap. */
final class Ripple {
    private Ripple() {
    }

    /**
     * @param from   record frame from which on pieces are pushed: those that begin there or later
     * @param frames later (+) or earlier (−)
     */
    static Master after(Master master, long from, long frames) {
        return frames == 0 ? master : pushed(master, null, null, from, frames);
    }

    /** The same, and one piece before that is changed as well: a shorter piece makes the room for what moves up. */
    static Master after(Master master, Place place, Section changed, long from, long frames) {
        return pushed(master, place, changed, from, frames);
    }

    private static Master pushed(Master master, Place place, Section changed, long from, long frames) {
        List<Lane> lanes = new ArrayList<>();
        for (int i = 0; i < master.lanes().size(); i++) {
            Lane lane = master.lanes().get(i);
            boolean here = place != null && place.lane() == i;
            if (lane.locked()) {
                lanes.add(lane);
            } else if (here && frames > 0) {
                // what comes after goes first: the piece grows into the room that it leaves
                lanes.add(lane.pushed(lane.firstFrom(from), frames).spliced(place.index(), place.index() + 1,
                        List.of(changed)));
            } else if (here) {
                Lane shorter = lane.spliced(place.index(), place.index() + 1, List.of(changed));
                lanes.add(shorter.pushed(shorter.firstFrom(from), frames));
            } else {
                int first = lane.firstFrom(from);
                lanes.add(lane.hasRoomFor(first, frames) ? lane.pushed(first, frames) : lane);
            }
        }
        return master.withLanes(lanes);
    }
}
