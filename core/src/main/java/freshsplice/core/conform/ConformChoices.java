package freshsplice.core.conform;

import java.util.Map;
import java.util.Set;
import java.util.function.LongPredicate;

/**
 * What people chose of how a cut becomes shots.
 *
 * @param numbering how shots are numbered
 * @param pattern   finds codes in the names and markers of clips; null to number all of them
 * @param scenes    finds scenes in the names and markers of clips; null for one scene
 * @param keepApart asked for the record frame of each seam that could be closed; true leaves it open
 * @param fixes     what to do about flashes, gaps and overlaps, by the record frame at which each begins
 * @param cameras   names of cameras by the record frame at which a shot begins; shots that name one share it
 * @param used      codes that were ever given
 */
public record ConformChoices(ShotNumbering numbering, CodePattern pattern, CodePattern scenes, LongPredicate keepApart,
                             Map<Long, Fix> fixes, Map<Long, String> cameras, Set<String> used) {
    /** Nothing chosen but the numbering. */
    public static ConformChoices of(ShotNumbering numbering) {
        return new ConformChoices(numbering, null, null, seam -> false, Map.of(), Map.of(), Set.of());
    }

    public ConformChoices keepingApart(LongPredicate seams) {
        return new ConformChoices(numbering, pattern, scenes, seams, fixes, cameras, used);
    }
}
