package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.master.Transition;
import freshsplice.core.master.Transition.Curve;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Edits of the transitions between pieces, and from and to black. */
public final class Fades {
    private Fades() {
    }

    /**
     * The transition into a piece: from the piece that meets it, or from black. Its frames before the cut are taken from
     * beyond the piece's own head, those after it from beyond the tail of the piece before.
     *
     * @param transition null for a plain cut
     */
    public static Master head(Master master, Place place, Transition transition) {
        List<Section> sections = master.lanes().get(place.lane()).sections();
        Section piece = sections.get(place.index());
        Section before = Place.meetingBefore(sections, place.index());
        if (transition != null) {
            if (before == null && transition.before() > 0) {
                throw new Refusal("From black a piece comes in on its own frames: the transition has none "
                        + "before record frame " + piece.record().in());
            }
            if (before != null) {
                long free = before.record().length() - (before.head() == null ? 0 : before.head().after());
                checkRoom("before", transition.before(), free - 1, before);
            }
            long free = piece.record().length() - (piece.tail() == null ? 0 : piece.tail().before());
            Section after = Place.meetingAfter(sections, place.index());
            checkRoom("after", transition.after(), free - (after == null || after.head() == null ? 0 : after.head().before())
                    - 1, piece);
        }
        return place.changed(master, piece.withTransitions(transition, piece.tail()));
    }

    /**
     * A dissolve into a piece, half of it before the cut; on its own frames where nothing meets it.
     *
     * @param frames 0 for a plain cut
     */
    public static Master dissolve(Master master, Place place, long frames, Curve curve) {
        boolean meets = Place.meetingBefore(master.lanes().get(place.lane()).sections(), place.index()) != null;
        long before = meets ? frames / 2 : 0;
        return head(master, place, frames == 0 ? null : new Transition(Transition.Kind.DISSOLVE, before,
                frames - before,
                curve));
    }

    /**
     * A master after an edit: a transition into a piece that nothing meets any more comes from black, on its own frames; one
     * to black goes where another piece meets the end now; and one for which a piece has no room now goes.
     */
    public static Master settled(Master before, Master after) {
        Map<Long, Section> known = before.sections().stream().collect(Collectors.toMap(Section::id, Function.identity(), (a, b) -> a));
        Master settled = after;
        for (int lane = 0; lane < after.lanes().size(); lane++) {
            Lane now = after.lanes().get(lane);
            if (lane < before.lanes().size() && before.lanes().get(lane) == now) {
                continue;
            }
            List<Section> sections = new ArrayList<>(now.sections());
            for (int i = 0; i < sections.size(); i++) {
                Section section = sections.get(i);
                Transition head = Place.meetingBefore(sections, i) == null ? fromBlack(section.head()) : section.head();
                Transition tail = Place.meetingAfter(sections, i) == null ? section.tail() : null;
                sections.set(i, head == section.head() && tail == section.tail() ? section : section.withTransitions(head, tail));
            }
            List<Section> fitted = TransitionRoom.fitted(sections, s -> isAsLong(s, known.get(s.id())));
            settled = fitted.equals(now.sections()) ? settled : settled.withLane(lane, fitted);
        }
        return settled;
    }

    private static boolean isAsLong(Section section, Section before) {
        return before != null && before.record().length() == section.record().length() && Objects.equals(before.head(), section.head());
    }

    private static Transition fromBlack(Transition head) {
        return head == null || head.before() == 0 ? head : new Transition(head.kind(), 0, Math.max(1, head.after()), head.curve());
    }

    /** The transition from a piece to black. @param frames 0 for a plain end */
    public static Master toBlack(Master master, Place place, long frames, Curve curve) {
        List<Section> sections = master.lanes().get(place.lane()).sections();
        Section piece = sections.get(place.index());
        if (frames < 0) {
            throw new Refusal("A transition lasts at least one frame");
        }
        if (frames > 0 && Place.meetingAfter(sections, place.index()) != null) {
            throw new Refusal("Another piece meets the end of this one, at record frame "
                    + piece.record().out() + ": dissolve into that one instead");
        }
        checkRoom("before", frames, piece.record().length() - (piece.head() == null ? 0 : piece.head().after()), piece);
        return place.changed(master, piece.withTransitions(piece.head(),
                frames == 0 ? null : new Transition(Transition.Kind.DISSOLVE, frames, 0, curve)));
    }

    private static void checkRoom(String side, long wanted, long room, Section piece) {
        if (wanted > room) {
            throw new Refusal("The transition wants " + Amounts.frames(wanted) + " " + side + " the cut, and the piece "
                    + "at record frame " + piece.record().in() + " has room for " + Math.max(0, room));
        }
    }
}
