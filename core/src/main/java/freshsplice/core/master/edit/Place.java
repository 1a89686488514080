package freshsplice.core.master.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * A piece of a master, by where it stands.
 *
 * @param lane  index of its lane
 * @param index its index on that lane
 */
public record Place(int lane, int index) {
    /**
     * The place of a piece.
     *
     * @throws IllegalArgumentException if it is not there any more
     */
    public static Place of(Master master, long sectionId) {
        for (int lane = 0; lane < master.lanes().size(); lane++) {
            List<Section> sections = master.lanes().get(lane).sections();
            for (int i = 0; i < sections.size(); i++) {
                if (sections.get(i).id() == sectionId) {
                    return new Place(lane, i);
                }
            }
        }
        throw new Refusal("That piece is not in the master any more: somebody took it out");
    }

    public Section in(Master master) {
        return master.lanes().get(lane).sections().get(index);
    }

    /** The pieces of its lane, to be changed. */
    List<Section> sectionsIn(Master master) {
        return new ArrayList<>(master.lanes().get(lane).sections());
    }

    /** The master with this piece changed. */
    Master changed(Master master, Section piece) {
        return Master.checked(master.withLane(lane, master.lanes().get(lane).spliced(index, index + 1, List.of(piece))));
    }

    /** The piece that ends where this one begins; null at a gap. */
    static Section meetingBefore(List<Section> sections, int index) {
        return index > 0 && sections.get(index - 1).record().out() == sections.get(index).record().in()
                ? sections.get(index - 1) : null;
    }

    /** The piece that begins where this one ends; null at a gap. */
    static Section meetingAfter(List<Section> sections, int index) {
        return index + 1 < sections.size() && sections.get(index + 1).record().in() == sections.get(index).record().out()
                ? sections.get(index + 1) : null;
    }
}
