package freshsplice.core.changes;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * Pieces of the main lane that no cut knows of (black, renders, slates that were made here) when its shots are laid out anew: they stay
 * where they lie; where a shot comes to lie there they go onto the lane above, so that none is lost.
 */
final class OtherPieces {
    private static final String NAME = "Kept";

    private OtherPieces() {
    }

    /** @param compared sections that the newer cut was compared with */
    static Master keep(Master before, Master after, Predicate<Section> compared) {
        Master kept = after;
        for (Section section : before.main().sections()) {
            boolean known = compared.test(section) || section.content() instanceof Section.Content.OfMaster;
            if (!known) {
                kept = laid(kept, section);
            }
        }
        return kept;
    }

    private static Master laid(Master master, Section section) {
        for (int lane = 0; lane < master.lanes().size(); lane++) {
            Lane there = master.lanes().get(lane);
            if (!there.locked() && there.within(section.record()).isEmpty()) {
                List<Section> sections = new ArrayList<>(there.sections());
                sections.add(section);
                return master.withLane(lane, sections);
            }
        }
        List<Lane> lanes = new ArrayList<>(master.lanes());
        lanes.add(Lane.of(NAME, List.of(section)));
        return master.withLanes(lanes);
    }
}
