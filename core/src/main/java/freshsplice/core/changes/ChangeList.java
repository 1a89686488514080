package freshsplice.core.changes;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What differs, in the newer side's order; what is gone stands where it was.
 *
 * @param changes every difference, clips only pushed along among them
 * @param kept    clips that are the same on the same frames
 * @param pairs   by new index: the old clip it is, −1 where it is none
 */
public record ChangeList(List<Change> changes, int kept, List<Integer> pairs) {
    public boolean isIdentical() {
        return changes.isEmpty();
    }

    /** @param older index of the old clip; @param newer index of the new one */
    public record Pair(int older, int newer) {
    }

    /** Clips that are on both sides and that no change names, in the order of the newer side. */
    public List<Pair> unchanged() {
        Set<Integer> older = changes.stream().map(Change::oldIndex).collect(Collectors.toSet());
        Set<Integer> newer = changes.stream().map(Change::newIndex).collect(Collectors.toSet());
        return IntStream.range(0, pairs.size()).filter(n -> pairs.get(n) >= 0 && !newer.contains(n) && !older.contains(pairs.get(n)))
                .mapToObj(n -> new Pair(pairs.get(n), n)).toList();
    }
}
