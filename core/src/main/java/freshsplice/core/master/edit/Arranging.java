package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Edits of which clips there are, and in which order. */
public final class Arranging {
    private Arranging() {
    }

    /** Cuts a clip in two at a record frame inside it; both show what was shown. The second one is new. */
    public static Master split(Master master, Place place, long at) {
        Clip clip = place.in(master);
        FrameRange record = clip.record();
        if (at <= record.in() || at >= record.out()) {
            throw new Refusal("Record frame " + at + " does not lie inside the clip: a split leaves "
                    + "at least one frame on each side");
        }
        boolean inHead = clip.head() != null && at <= record.in() + clip.head().after();
        boolean inTail = clip.tail() != null && at >= record.out() - clip.tail().before();
        if (inHead || inTail) {
            throw new Refusal("Record frame " + at + " lies in a transition: take the transition away first");
        }
        List<Clip> parts = List.of(clip.over(record.withOut(at)).withTransitions(clip.head(), null),
                clip.over(record.withIn(at)).withTransitions(null, clip.tail()).fresh());
        Track track = master.tracks().get(place.track()).spliced(place.index(), place.index() + 1, parts);
        return Master.checked(master.withTrack(place.track(), track));
    }

    /** Makes a clip and the one that meets its end one again; only where the second goes on where the first ends. */
    public static Master join(Master master, Place place) {
        List<Clip> clips = place.clipsIn(master);
        Clip a = clips.get(place.index());
        Clip b = Place.meetingAfter(clips, place.index());
        if (b == null) {
            throw new Refusal("Nothing meets the end of this clip, at record frame "
                    + a.record().out());
        }
        if (a.enabled() != b.enabled() || !a.switched(true).runsOnIn(b.switched(true))) {
            throw new Refusal("The clip after record frame " + a.record().out()
                    + " does not go on where this one ends, so they cannot be one");
        }
        clips.set(place.index(), a.over(a.record().spanWith(b.record())).withTransitions(a.head(), b.tail()));
        clips.remove(place.index() + 1);
        return Master.checked(master.withTrack(place.track(), clips));
    }

    /** Takes clips away and leaves black where they were. */
    public static Master lift(Master master, List<Place> places) {
        Master left = master;
        for (Place place : lastFirst(places)) {
            left = left.withTrack(place.track(), left.tracks().get(place.track()).spliced(place.index(), place.index() + 1,
                    List.of()));
        }
        return Master.checked(left);
    }

    /** Takes clips away and closes the gaps: what comes after moves up, on every track. */
    public static Master extract(Master master, List<Place> places) {
        Master left = master;
        for (Place place : lastFirst(places)) {
            FrameRange record = place.in(left).record();
            left = Ripple.after(lift(left, List.of(place)), record.out(), -record.length());
        }
        return Master.checked(left);
    }

    /**
     * Puts a clip in at a record frame and pushes along what comes after, on every track. A clip that lies over that
     * frame on the same track is split.
     *
     * @param clip its record range tells its length only
     */
    public static Master insert(Master master, int into, long at, Clip clip) {
        Master open = opened(master, at, clip.record().length());
        Track room = open.tracks().get(into);
        int index = room.firstFrom(at);
        return Master.checked(open.withTrack(into, room.spliced(index, index,
                List.of(clip.shiftedBy(at - clip.record().in())))));
    }

    /** Splits what lies over a record frame and pushes everything from there on along, on every open track. */
    static Master opened(Master master, long at, long frames) {
        Master open = master;
        for (int l = 0; l < master.tracks().size(); l++) {
            Track track = open.tracks().get(l);
            int over = track.indexAt(at);
            if (over >= 0 && track.clips().get(over).record().in() < at && !track.locked()) {
                open = split(open, new Place(l, over), at);
            }
        }
        return Ripple.after(open, at, frames);
    }

    /** Puts a clip at its place over what is there: that is trimmed, split or taken away. */
    public static Master overwrite(Master master, int track, Clip clip) {
        Track room = cleared(master.tracks().get(track), clip.record());
        int index = room.firstFrom(clip.record().in());
        int after = Math.min(index + 1, room.clips().size());
        List<Clip> placed = new ArrayList<>(List.of(clip));
        placed.addAll(room.clips().subList(index, after));
        return Master.checked(master.withTrack(track, room.spliced(index, after, TransitionRoom.fitted(placed))));
    }

    /** Shows something else in the place of a clip: its length, its transitions and its place stay. */
    public static Master replace(Master master, Place place, Clip.Content content, Rational from) {
        Clip clip = place.in(master);
        return place.changed(master, clip.timed(clip.record(), from, Rational.ONE).showing(content, from));
    }

    /** Puts a copy of a clip after it and pushes along what comes after. */
    public static Master duplicate(Master master, Place place) {
        Clip clip = place.in(master);
        return insert(master, place.track(), clip.record().out(), clip.withTransitions(null, null).fresh());
    }

    /** Two clips that meet change places; both keep their length, and nothing else moves. */
    public static Master swap(Master master, Place place) {
        List<Clip> clips = place.clipsIn(master);
        Clip a = clips.get(place.index());
        Clip b = Place.meetingAfter(clips, place.index());
        if (b == null) {
            throw new Refusal("Nothing meets the end of this clip, so there is nothing to change "
                    + "places with");
        }
        clips.set(place.index(), b.shiftedBy(-a.record().length()).withTransitions(null, null));
        clips.set(place.index() + 1, a.shiftedBy(b.record().length()).withTransitions(null, null));
        return Master.checked(master.withTrack(place.track(), clips));
    }

    /**
     * Moves a clip to another place in the order: it is taken out, the gap closes, and it goes in where it is wanted.
     *
     * @param to record frame, as the master is now
     */
    public static Master move(Master master, Place place, long to) {
        Clip clip = place.in(master);
        if (to >= clip.record().in() && to <= clip.record().out()) {
            return master;
        }
        long at = to > clip.record().in() ? to - clip.record().length() : to;
        return insert(extract(master, List.of(place)), place.track(), at, clip.withTransitions(null, null));
    }

    /** Switches a clip on or off; off it is kept and not seen. */
    public static Master enable(Master master, Place place, boolean enabled) {
        return place.changed(master, place.in(master).switched(enabled));
    }

    /**
     * Takes clips away over a range and closes up, or leaves black: what lies over its ends is split there.
     *
     * @param close whether what comes after moves up, on every track
     */
    public static Master clear(Master master, int track, FrameRange range, boolean close) {
        Track now = master.tracks().get(track);
        Master without = master.withTrack(track, cleared(now, range));
        return close ? Master.checked(Ripple.after(without, range.out(), -range.length())) : Master.checked(without);
    }

    private static Track cleared(Track track, FrameRange record) {
        int first = Math.max(0, track.firstFrom(record.in()) - 1);
        int end = Math.min(track.firstFrom(record.out()) + 1, track.clips().size());
        List<Clip> stay = new ArrayList<>();
        for (Clip there : track.clips().subList(first, end)) {
            boolean before = there.record().in() < record.in();
            boolean after = there.record().out() > record.out();
            if (!there.record().overlaps(record)) {
                stay.add(there);
                continue;
            }
            if (before) {
                stay.add(there.over(there.record().withOut(record.in())).withTransitions(there.head(), null));
            }
            if (after) {
                Clip rest = there.over(there.record().withIn(record.out())).withTransitions(null, there.tail());
                stay.add(before ? rest.fresh() : rest);
            }
        }
        return track.spliced(first, end, TransitionRoom.fitted(stay));
    }

    private static List<Place> lastFirst(List<Place> places) {
        return places.stream().distinct().sorted(Comparator.comparingInt(Place::track)
                .thenComparing(Place::index, Comparator.reverseOrder())).toList();
    }
}
