package freshsplice.core.master.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.Passage;
import freshsplice.core.master.Passage.Curve;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.words.Counted;
import java.util.List;

/** Edits of the passages between pieces, and from and to black. */
public final class Fades {
    private Fades() {
    }

    /**
     * The passage into a piece: from the piece that meets it, or from black. Its frames before the cut are taken from
     * beyond the piece's own head, those after it from beyond the tail of the piece before.
     *
     * @param passage null for a plain cut
     */
    public static Master head(Master master, Place place, Passage passage) {
        List<Section> sections = master.lanes().get(place.lane()).sections();
        Section piece = sections.get(place.index());
        Section before = Place.meetingBefore(sections, place.index());
        if (passage != null) {
            if (before == null && passage.before() > 0) {
                throw new Refusal("From black a piece comes in on its own frames: the passage has none "
                        + "before record frame " + piece.record().in());
            }
            if (before != null) {
                long free = before.record().length() - (before.head() == null ? 0 : before.head().after());
                checkRoom("before", passage.before(), free - 1, before);
            }
            long free = piece.record().length() - (piece.tail() == null ? 0 : piece.tail().before());
            Section after = Place.meetingAfter(sections, place.index());
            checkRoom("after", passage.after(), free - (after == null || after.head() == null ? 0 : after.head().before())
                    - 1, piece);
        }
        return place.changed(master, piece.withPassages(passage, piece.tail()));
    }

    /**
     * A dissolve into a piece, half of it before the cut; on its own frames where nothing meets it.
     *
     * @param frames 0 for a plain cut
     */
    public static Master dissolve(Master master, Place place, long frames, Curve curve) {
        boolean meets = Place.meetingBefore(master.lanes().get(place.lane()).sections(), place.index()) != null;
        long before = meets ? frames / 2 : 0;
        return head(master, place, frames == 0 ? null : new Passage(Passage.Kind.DISSOLVE, before,
                frames - before,
                curve));
    }

    /** The passage from a piece to black. @param frames 0 for a plain end */
    public static Master toBlack(Master master, Place place, long frames, Curve curve) {
        List<Section> sections = master.lanes().get(place.lane()).sections();
        Section piece = sections.get(place.index());
        if (frames < 0) {
            throw new Refusal("A passage lasts at least one frame");
        }
        if (frames > 0 && Place.meetingAfter(sections, place.index()) != null) {
            throw new Refusal("Another piece meets the end of this one, at record frame "
                    + piece.record().out() + ": dissolve into that one instead");
        }
        checkRoom("before", frames, piece.record().length() - (piece.head() == null ? 0 : piece.head().after()), piece);
        return place.changed(master, piece.withPassages(piece.head(),
                frames == 0 ? null : new Passage(Passage.Kind.DISSOLVE, frames, 0, curve)));
    }

    private static void checkRoom(String side, long wanted, long room, Section piece) {
        if (wanted > room) {
            throw new Refusal("The passage wants " + Counted.frames(wanted) + " " + side + " the cut, and the piece "
                    + "at record frame " + piece.record().in() + " has room for " + Math.max(0, room));
        }
    }
}
