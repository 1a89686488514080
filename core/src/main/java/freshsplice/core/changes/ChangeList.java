package freshsplice.core.changes;

import java.util.List;

/**
 * What differs, in the newer side's order; what is gone stands where it was.
 *
 * @param changes every difference, pieces only pushed along among them
 * @param kept    pieces that are the same on the same frames
 */
public record ChangeList(List<Change> changes, int kept) {
    public boolean isIdentical() {
        return changes.isEmpty();
    }
}
