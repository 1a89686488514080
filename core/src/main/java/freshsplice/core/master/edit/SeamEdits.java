package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;

/** Edits at the seams of a lane. Each returns the master after it, or says why it cannot be done. */
public final class SeamEdits {
    private SeamEdits() {
    }

    /**
     * Moves the seam at a record frame: where two sections meet, one grows as the other shrinks (a roll); at an open
     * end, the section is trimmed or lengthened into the black. Nothing else moves.
     *
     * @param at    record frame of the seam
     * @param delta frames later (+) or earlier (−)
     * @throws IllegalArgumentException if there is no seam, or a section would be left without a frame or meet another
     */
    public static Master move(Master master, int laneIndex, long at, long delta) {
        Lane lane = master.lanes().get(laneIndex);
        List<Section> sections = lane.sections();
        int right = lane.firstFrom(at);
        int left = right - 1;
        left = left >= 0 && sections.get(left).record().out() == at ? left : -1;
        right = right < sections.size() && sections.get(right).record().in() == at ? right : -1;
        if (left < 0 && right < 0) {
            throw new Refusal("There is no seam at record frame " + at + ": choose one first");
        }
        if (delta == 0) {
            return master;
        }
        long to = Math.addExact(at, delta);
        checkRoom(sections, left, right, at, to);
        List<Section> moved = new ArrayList<>();
        if (left >= 0) {
            moved.add(sections.get(left).over(sections.get(left).record().withOut(to)));
        }
        if (right >= 0) {
            moved.add(sections.get(right).over(FrameRange.of(to, sections.get(right).record().out())));
        }
        int from = left >= 0 ? left : right;
        return TransitionRoom.checked(master, master.withLane(laneIndex, lane.spliced(from, from + moved.size(), moved)),
                laneIndex);
    }

    private static void checkRoom(List<Section> sections, int left, int right, long at, long to) {
        if (left >= 0 && to <= sections.get(left).record().in()) {
            throw new Refusal("The piece before the seam has " + Amounts.frames(sections.get(left).record().length())
                    + "; it cannot lose " + (at - to));
        }
        if (right >= 0 && to >= sections.get(right).record().out()) {
            throw new Refusal("The piece after the seam has " + Amounts.frames(sections.get(right).record().length())
                    + "; it cannot lose " + (to - at));
        }
        boolean meetsNext = right < 0 && left + 1 < sections.size() && to > sections.get(left + 1).record().in();
        boolean meetsBefore = left < 0 && right > 0 && to < sections.get(right - 1).record().out();
        if (meetsNext || meetsBefore) {
            throw new Refusal("Moved by " + Amounts.frames(to - at) + " the piece would lie over its "
                    + "neighbour");
        }
        if (left < 0 && right == 0 && to < 0) {
            throw new Refusal("The master cannot begin before record frame 0");
        }
    }
}
