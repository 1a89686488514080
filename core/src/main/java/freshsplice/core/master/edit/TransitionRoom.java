package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/** Whether pieces are long enough for the transitions that lie over them: a dissolve begins at nothing and ends at all. */
final class TransitionRoom {
    private TransitionRoom() {
    }

    /**
     * @param after the master after an edit of a lane
     * @throws Refusal if a piece of it became shorter than the transitions over it need
     */
    static Master checked(Master before, Master after, int lane) {
        Lane was = before.lanes().get(lane);
        Lane is = after.lanes().get(lane);
        if (was == is) {
            return after;
        }
        List<Section> sections = is.sections();
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            boolean touched = i >= was.sections().size() || was.sections().get(i).record().length() > section.record().length();
            if (touched && lacksRoom(sections, i)) {
                throw new Refusal("Only " + Amounts.frames(section.record().length()) + " of the piece at record frame "
                        + section.record().in() + " would be left, and the transitions over it need " + needed(sections, i)
                        + " and one of its own: shorten them or take them away first");
            }
        }
        return after;
    }

    /** Pieces in order, without the transitions for which one became too short: the picture under them is gone. */
    static List<Section> fitted(List<Section> sections) {
        return fitted(sections, s -> false);
    }

    /** @param asBefore which pieces no edit touched: one whose neighbour is untouched too stays as a list had it */
    static List<Section> fitted(List<Section> sections, Predicate<Section> asBefore) {
        List<Section> fitted = new ArrayList<>(sections);
        for (int i = 0; i < fitted.size(); i++) {
            Section section = fitted.get(i);
            if (asBefore.test(section) && (i + 1 == fitted.size() || asBefore.test(fitted.get(i + 1)))) {
                continue;
            }
            if (lacksRoom(fitted, i)) {
                boolean headFits = section.head() == null || section.head().after() < section.record().length();
                fitted.set(i, section.withTransitions(headFits ? section.head() : null, null));
            }
            if (lacksRoom(fitted, i)) {
                Section next = fitted.get(i + 1);
                fitted.set(i + 1, next.withTransitions(null, next.tail()));
            }
        }
        return fitted;
    }

    /** Between and beside transitions a piece has a frame of its own, or no list could tell how it goes. */
    private static boolean lacksRoom(List<Section> sections, int i) {
        long needed = needed(sections, i);
        return needed > 0 && needed >= sections.get(i).record().length();
    }

    /** Frames that a piece needs under its own transitions and under the one into the next. */
    private static long needed(List<Section> sections, int index) {
        Section section = sections.get(index);
        Section next = index + 1 < sections.size() ? sections.get(index + 1) : null;
        boolean meets = next != null && next.head() != null && next.record().in() == section.record().out();
        long own = section.tail() == null ? 0 : section.tail().before();
        return (section.head() == null ? 0 : section.head().after()) + Math.max(own, meets ? next.head().before() : 0);
    }
}
