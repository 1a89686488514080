package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/** Edits at the seams of a master's main lane. Each returns the master after it, or says why it cannot be done. */
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
    public static Master move(Master master, long at, long delta) {
        List<Section> sections = new ArrayList<>(master.main().sections());
        int left = -1;
        int right = -1;
        for (int i = 0; i < sections.size(); i++) {
            left = sections.get(i).record().out() == at ? i : left;
            right = sections.get(i).record().in() == at ? i : right;
        }
        if (left < 0 && right < 0) {
            throw new IllegalArgumentException("There is no seam at record frame " + at + ": choose one first");
        }
        if (delta == 0) {
            return master;
        }
        long to = Math.addExact(at, delta);
        checkRoom(sections, left, right, at, to);
        if (left >= 0) {
            sections.set(left, sections.get(left).over(sections.get(left).record().withOut(to)));
        }
        if (right >= 0) {
            sections.set(right, sections.get(right).over(FrameRange.of(to, sections.get(right).record().out())));
        }
        return master.withMain(sections);
    }

    private static void checkRoom(List<Section> sections, int left, int right, long at, long to) {
        if (left >= 0 && to <= sections.get(left).record().in()) {
            throw new IllegalArgumentException("The piece before the seam has " + sections.get(left).record().length()
                    + " frames; it cannot lose " + (at - to));
        }
        if (right >= 0 && to >= sections.get(right).record().out()) {
            throw new IllegalArgumentException("The piece after the seam has " + sections.get(right).record().length()
                    + " frames; it cannot lose " + (to - at));
        }
        boolean meetsNext = right < 0 && left + 1 < sections.size() && to > sections.get(left + 1).record().in();
        boolean meetsBefore = left < 0 && right > 0 && to < sections.get(right - 1).record().out();
        if (meetsNext || meetsBefore) {
            throw new IllegalArgumentException("Moved by " + (to - at) + " frames the piece would lie over its "
                    + "neighbour");
        }
        if (left < 0 && right == 0 && to < 0) {
            throw new IllegalArgumentException("The master cannot begin before record frame 0");
        }
    }
}
