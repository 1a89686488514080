package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;

/** Edits of where a piece begins and ends, and of what it shows between. */
public final class Trims {
    private Trims() {
    }

    /**
     * Moves the head of a piece. Every frame that stays shows what it showed.
     *
     * @param frames later (+, the piece gets shorter) or earlier (−, longer)
     * @param following where it moves along, the piece keeps its place and what comes after is pushed along; else its neighbours stay
     */
    public static Master head(Master master, Place place, long frames, Following following) {
        Section piece = place.in(master);
        FrameRange record = piece.record();
        checkLength(piece, frames);
        long in = Math.addExact(record.in(), frames);
        if (following == Following.MOVES_ALONG) {
            Section trimmed = piece.over(FrameRange.of(in, record.out())).shiftedBy(-frames);
            return TransitionRoom.checked(master, Master.checked(Ripple.after(master, place, trimmed, record.out(), -frames)),
                    place.lane());
        }
        return TransitionRoom.checked(master, place.changed(master, piece.over(FrameRange.of(in, record.out()))), place.lane());
    }

    /**
     * Moves the tail of a piece.
     *
     * @param frames later (+, longer) or earlier (−, shorter)
     */
    public static Master tail(Master master, Place place, long frames, Following following) {
        Section piece = place.in(master);
        FrameRange record = piece.record();
        checkLength(piece, -frames);
        Section trimmed = piece.over(record.withOut(Math.addExact(record.out(), frames)));
        Master after = following == Following.MOVES_ALONG ? Master.checked(Ripple.after(master, place, trimmed, record.out(), frames))
                : place.changed(master, trimmed);
        return TransitionRoom.checked(master, after, place.lane());
    }

    /** Shows another part of the content in the same place. @param frames frames of the content later (+) or earlier */
    public static Master slip(Master master, Place place, Rational frames) {
        return place.changed(master, place.in(master).slipped(frames));
    }

    /** Moves a piece between its neighbours: what meets it on one side grows as the other side shrinks. */
    public static Master slide(Master master, Place place, long frames) {
        Lane lane = master.lanes().get(place.lane());
        Section before = Place.meetingBefore(lane.sections(), place.index());
        Section after = Place.meetingAfter(lane.sections(), place.index());
        List<Section> moved = new ArrayList<>();
        if (before != null) {
            checkLength(before, -frames);
            moved.add(before.over(before.record().withOut(before.record().out() + frames)));
        }
        moved.add(place.in(master).shiftedBy(frames));
        if (after != null) {
            checkLength(after, frames);
            moved.add(after.over(after.record().withIn(after.record().in() + frames)));
        }
        int from = place.index() - (before == null ? 0 : 1);
        return TransitionRoom.checked(master, Master.checked(master.withLane(place.lane(),
                lane.spliced(from, from + moved.size(), moved))), place.lane());
    }

    /** @param lost frames that a piece would lose */
    static void checkLength(Section piece, long lost) {
        if (lost >= piece.record().length()) {
            throw new Refusal("The piece at record frame " + piece.record().in() + " has "
                    + Amounts.frames(piece.record().length()) + "; it cannot lose " + lost);
        }
    }
}
