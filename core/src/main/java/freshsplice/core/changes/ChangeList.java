package freshsplice.core.changes;

import java.util.List;

/**
 * What differs, in the newer side's order; what is gone stands where it was.
 *
 * @param changes every difference, pieces only pushed along among them
 * @param kept    pieces that are the same on the same frames
 * @param pairs   by new index: the old piece it is, −1 where it is none
 */
public record ChangeList(List<Change> changes, int kept, List<Integer> pairs) {
    public boolean isIdentical() {
        return changes.isEmpty();
    }
}
