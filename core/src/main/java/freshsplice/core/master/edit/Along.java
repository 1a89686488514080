package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** Which lanes move along with what comes after an edit. */
public enum Along {
    /** The lane of the edit alone. */
    OWN_LANE,
    /** Every lane that is not locked and has room. */
    ALL_LANES;

    /** What is meant where nobody says: lanes above follow the main one, the main one follows none. */
    public static Along usual(Set<Integer> lanes) {
        return lanes.contains(0) ? ALL_LANES : OWN_LANE;
    }

    /** Does an edit of some lanes with the others held in place. */
    public Master during(Master master, Set<Integer> lanes, UnaryOperator<Master> edit) {
        if (this == ALL_LANES) {
            return edit.apply(master);
        }
        Master held = master;
        for (int i = 0; i < master.lanes().size(); i++) {
            held = lanes.contains(i) ? held : held.withLane(i, held.lanes().get(i).locked(true));
        }
        Master edited = edit.apply(held);
        for (int i = 0; i < master.lanes().size(); i++) {
            edited = edited.withLane(i, edited.lanes().get(i).locked(master.lanes().get(i).locked()));
        }
        return edited;
    }

    /**
     * Names of the lanes that did not move along though they had pieces after the edit, and were not locked: they had no
     * room. Empty where nothing moved along at all.
     *
     * @param lanes those that were edited
     */
    public static List<String> stayed(Master before, Master after, Set<Integer> lanes) {
        List<String> stayed = new ArrayList<>();
        for (int own : lanes) {
            Map<Long, Section> now = after.lanes().get(own).sections().stream()
                    .collect(Collectors.toMap(Section::id, Function.identity(), (a, b) -> a));
            long from = firstMoved(before.lanes().get(own), now);
            long shift = lastShift(before.lanes().get(own), now);
            for (int i = 0; shift != 0 && i < before.lanes().size(); i++) {
                Lane lane = before.lanes().get(i);
                int first = lane.firstFrom(from);
                if (!lanes.contains(i) && !lane.locked() && first < lane.sections().size()
                        && after.lanes().get(i).equals(lane)) {
                    stayed.add(lane.name());
                }
            }
        }
        return stayed;
    }

    /** From where on things moved: the end of the piece that was changed or went, or the first that moved whole. */
    private static long firstMoved(Lane lane, Map<Long, Section> now) {
        return lane.sections().stream().filter(s -> !s.equals(now.get(s.id()))).mapToLong(s -> {
            Section is = now.get(s.id());
            boolean whole = is != null && is.record().length() == s.record().length();
            return whole ? s.record().in() : s.record().out();
        }).findFirst().orElse(Long.MAX_VALUE);
    }

    private static long lastShift(Lane lane, Map<Long, Section> now) {
        List<Section> there = lane.sections().stream().filter(s -> now.containsKey(s.id())).toList();
        Section last = there.isEmpty() ? null : there.get(there.size() - 1);
        return last == null ? 0 : now.get(last.id()).record().out() - last.record().out();
    }
}
