package freshsplice.core.master.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import java.util.ArrayList;
import java.util.List;

/** Pushes along what comes after an edit, on every lane, so that lanes stay together. */
final class Ripple {
    private Ripple() {
    }

    /**
     * @param from   record frame from which on pieces are pushed: those that begin there or later
     * @param frames later (+) or earlier (−)
     * @throws IllegalArgumentException if a piece would lie over one that stays
     */
    static Master after(Master master, long from, long frames) {
        return frames == 0 ? master : pushed(master, null, null, from, frames);
    }

    /** The same, and one piece before that is changed as well: a shorter piece makes the room for what moves up. */
    static Master after(Master master, Place place, Section changed, long from, long frames) {
        return pushed(master, place, changed, from, frames);
    }

    private static Master pushed(Master master, Place place, Section changed, long from, long frames) {
        Master pushed = master;
        for (int lane = 0; lane < master.lanes().size(); lane++) {
            List<Section> before = master.lanes().get(lane).sections();
            List<Section> sections = new ArrayList<>(before.size());
            for (int i = 0; i < before.size(); i++) {
                Section section = before.get(i);
                boolean isChanged = place != null && place.lane() == lane && place.index() == i;
                sections.add(isChanged ? changed : section.record().in() >= from ? section.shiftedBy(frames) : section);
            }
            pushed = pushed.withLane(lane, sections);
        }
        return pushed;
    }
}
