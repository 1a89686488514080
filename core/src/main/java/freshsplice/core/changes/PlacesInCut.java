package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.master.Clip;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where each clip of a master's main track lies in the cut that it is held against, and what only one of both has. The
 * clips that one was split into lie where that one does.
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
     * @param name   of the clip of the cut; empty for one of ours
     */
    public record Difference(FrameRange record, Kind kind, String name) {
    }

    private final Map<Integer, FrameRange> places = new HashMap<>();
    private final List<Difference> differences = new ArrayList<>();

    private PlacesInCut() {
    }

    /**
     * @param clips all clips of the main track, in order, nested masters opened
     * @param turnover the master against the cut; null where it is held against none
     */
    public static PlacesInCut of(List<Clip> clips, Turnover turnover) {
        PlacesInCut found = new PlacesInCut();
        if (turnover != null) {
            found.place(clips, turnover);
            found.compare(clips, turnover);
        }
        return found;
    }

    /** Where a clip lies in the cut, seam to seam; null where the cut does not have it. @param index of a clip */
    public FrameRange of(int index) {
        return places.get(index);
    }

    /** In order of frames. */
    public List<Difference> differences() {
        return differences;
    }

    private void place(List<Clip> clips, Turnover turnover) {
        List<Integer> compared = new ArrayList<>();
        for (int i = 0; i < clips.size(); i++) {
            if (turnover.isCompared(clips.get(i))) {
                compared.add(i);
            }
        }
        List<Integer> pairs = turnover.changes().pairs();
        for (int n = 0; n < pairs.size(); n++) {
            if (pairs.get(n) >= 0) {
                places.put(compared.get(pairs.get(n)), turnover.newClip(n).edge());
            }
        }
        for (int i = 1; i < clips.size(); i++) {
            spread(clips, i - 1, i);
        }
        for (int i = clips.size() - 1; i > 0; i--) {
            spread(clips, i, i - 1);
        }
    }

    private void spread(List<Clip> clips, int from, int to) {
        Clip first = clips.get(Math.min(from, to));
        if (places.containsKey(from) && !places.containsKey(to) && first.runsOnIn(clips.get(Math.max(from, to)))) {
            places.put(to, places.get(from));
        }
    }

    private void compare(List<Clip> clips, Turnover turnover) {
        for (int i = 0; i < clips.size(); i++) {
            Clip clip = clips.get(i);
            if (!places.containsKey(i)) {
                differences.add(new Difference(clip.record(), Kind.ONLY_HERE, ""));
            } else if (!clip.enabled()) {
                differences.add(new Difference(clip.record(), Kind.SWITCHED_OFF, ""));
            }
        }
        List<Integer> pairs = turnover.changes().pairs();
        for (int n = 0; n < pairs.size(); n++) {
            CutClip clip = turnover.newClip(n);
            if (pairs.get(n) < 0) {
                differences.add(new Difference(clip.edge(), Kind.ONLY_IN_CUT, clip.name()));
            }
        }
        differences.sort(Comparator.comparingLong(d -> d.record().in()));
    }
}
