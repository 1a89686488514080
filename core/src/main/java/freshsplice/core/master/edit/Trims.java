package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;

/** Edits of where a clip begins and ends, and of what it shows between. */
public final class Trims {
    private Trims() {
    }

    /**
     * Moves the head of a clip. Every frame that stays shows what it showed.
     *
     * @param frames later (+, the clip gets shorter) or earlier (−, longer)
     * @param following where it moves along, the clip keeps its place and what comes after is pushed along; else its neighbours stay
     */
    public static Master head(Master master, Place place, long frames, Following following) {
        Clip clip = place.in(master);
        FrameRange record = clip.record();
        checkLength(clip, frames);
        long in = Math.addExact(record.in(), frames);
        if (following == Following.MOVES_ALONG) {
            Clip trimmed = clip.over(FrameRange.of(in, record.out())).shiftedBy(-frames);
            return TransitionRoom.checked(master, Master.checked(Ripple.after(master, place, trimmed, record.out(), -frames)),
                    place.track());
        }
        return TransitionRoom.checked(master, place.changed(master, clip.over(FrameRange.of(in, record.out()))), place.track());
    }

    /**
     * Moves the tail of a clip.
     *
     * @param frames later (+, longer) or earlier (−, shorter)
     */
    public static Master tail(Master master, Place place, long frames, Following following) {
        Clip clip = place.in(master);
        FrameRange record = clip.record();
        checkLength(clip, -frames);
        Clip trimmed = clip.over(record.withOut(Math.addExact(record.out(), frames)));
        Master after = following == Following.MOVES_ALONG ? Master.checked(Ripple.after(master, place, trimmed, record.out(), frames))
                : place.changed(master, trimmed);
        return TransitionRoom.checked(master, after, place.track());
    }

    /** Shows another part of the content in the same place. @param frames frames of the content later (+) or earlier */
    public static Master slip(Master master, Place place, Rational frames) {
        return place.changed(master, place.in(master).slipped(frames));
    }

    /** Moves a clip between its neighbours: what meets it on one side grows as the other side shrinks. */
    public static Master slide(Master master, Place place, long frames) {
        Track track = master.tracks().get(place.track());
        Clip before = Place.meetingBefore(track.clips(), place.index());
        Clip after = Place.meetingAfter(track.clips(), place.index());
        List<Clip> moved = new ArrayList<>();
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
        return TransitionRoom.checked(master, Master.checked(master.withTrack(place.track(),
                track.spliced(from, from + moved.size(), moved))), place.track());
    }

    /** @param lost frames that a clip would lose */
    static void checkLength(Clip clip, long lost) {
        if (lost >= clip.record().length()) {
            throw new Refusal("The clip at record frame " + clip.record().in() + " has "
                    + Amounts.frames(clip.record().length()) + "; it cannot lose " + lost);
        }
    }
}
