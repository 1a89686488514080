package freshsplice.core.changes;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Clips by source and place in it, to find those that share frames with a given one. */
final class SourceIndex {
    /** At most so many neighbours on each side are looked at, so that one source used 10 000 times stays cheap. */
    private static final int NEAR = 12;

    private final List<ComparedClip> clips;
    private final Map<String, List<Integer>> bySource = new HashMap<>();

    SourceIndex(List<ComparedClip> clips) {
        this.clips = clips;
        for (int i = 0; i < clips.size(); i++) {
            bySource.computeIfAbsent(clips.get(i).key(), k -> new ArrayList<>()).add(i);
        }
        Comparator<Integer> byPlace = Comparator.comparing(i -> clips.get(i).low());
        bySource.values().forEach(list -> list.sort(byPlace));
    }

    /** Indexes of clips of the same source around its place there. */
    List<Integer> near(ComparedClip clip) {
        List<Integer> same = bySource.getOrDefault(clip.key(), List.of());
        if (same.size() <= 2 * NEAR) {
            return same;
        }
        int at = firstNotBelow(same, clip.low());
        return same.subList(Math.max(0, at - NEAR), Math.min(same.size(), at + NEAR));
    }

    private int firstNotBelow(List<Integer> same, Rational low) {
        int from = 0;
        int to = same.size();
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (clips.get(same.get(middle)).low().isLessThan(low)) {
                from = middle + 1;
            } else {
                to = middle;
            }
        }
        return from;
    }
}
