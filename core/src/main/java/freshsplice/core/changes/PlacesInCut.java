package freshsplice.core.changes;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where each piece of a master's main lane lies in the cut that it is held against, and what only one of both has. The
 * pieces that one was split into lie where that one does.
 */
public final class PlacesInCut {
    /** What only one of both shows. */
    public enum Kind {
        ONLY_HERE("not in the cut"), SWITCHED_OFF("switched off, the cut shows it"), ONLY_IN_CUT("only in the cut");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A stretch that only one of both shows as it is.
     *
     * @param record where it lies, on the clock of both
     * @param name   of the piece of the cut; empty for one of ours
     */
    public record Difference(FrameRange record, Kind kind, String name) {
    }

    private final Map<Integer, FrameRange> places = new HashMap<>();
    private final List<Difference> differences = new ArrayList<>();

    private PlacesInCut() {
    }

    /**
     * @param sections all pieces of the main lane, in order, nested masters opened
     * @param turnover the master against the cut; null where it is held against none
     */
    public static PlacesInCut of(List<Section> sections, Turnover turnover) {
        PlacesInCut found = new PlacesInCut();
        if (turnover != null) {
            found.place(sections, turnover);
            found.compare(sections, turnover);
        }
        return found;
    }

    /** Where a piece lies in the cut, seam to seam; null where the cut does not have it. @param index of a piece */
    public FrameRange of(int index) {
        return places.get(index);
    }

    /** In order of frames. */
    public List<Difference> differences() {
        return differences;
    }

    private void place(List<Section> sections, Turnover turnover) {
        List<Integer> compared = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            if (turnover.isCompared(sections.get(i))) {
                compared.add(i);
            }
        }
        List<Integer> pairs = turnover.changes().pairs();
        for (int n = 0; n < pairs.size(); n++) {
            if (pairs.get(n) >= 0) {
                places.put(compared.get(pairs.get(n)), turnover.newPiece(n).edge());
            }
        }
        for (int i = 1; i < sections.size(); i++) {
            spread(sections, i - 1, i);
        }
        for (int i = sections.size() - 1; i > 0; i--) {
            spread(sections, i, i - 1);
        }
    }

    private void spread(List<Section> sections, int from, int to) {
        Section first = sections.get(Math.min(from, to));
        if (places.containsKey(from) && !places.containsKey(to) && first.runsOnIn(sections.get(Math.max(from, to)))) {
            places.put(to, places.get(from));
        }
    }

    private void compare(List<Section> sections, Turnover turnover) {
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            if (!places.containsKey(i)) {
                differences.add(new Difference(section.record(), Kind.ONLY_HERE, ""));
            } else if (!section.enabled()) {
                differences.add(new Difference(section.record(), Kind.SWITCHED_OFF, ""));
            }
        }
        List<Integer> pairs = turnover.changes().pairs();
        for (int n = 0; n < pairs.size(); n++) {
            CutPiece piece = turnover.newPiece(n);
            if (pairs.get(n) < 0) {
                differences.add(new Difference(piece.edge(), Kind.ONLY_IN_CUT, piece.name()));
            }
        }
        differences.sort(Comparator.comparingLong(d -> d.record().in()));
    }
}
