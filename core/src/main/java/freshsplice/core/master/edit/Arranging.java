package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Edits of which pieces there are, and in which order. */
public final class Arranging {
    private Arranging() {
    }

    /** Cuts a piece in two at a record frame inside it; both show what was shown. The second one is new. */
    public static Master split(Master master, Place place, long at) {
        Section piece = place.in(master);
        FrameRange record = piece.record();
        if (at <= record.in() || at >= record.out()) {
            throw new Refusal("Record frame " + at + " does not lie inside the piece: a split leaves "
                    + "at least one frame on each side");
        }
        boolean inHead = piece.head() != null && at <= record.in() + piece.head().after();
        boolean inTail = piece.tail() != null && at >= record.out() - piece.tail().before();
        if (inHead || inTail) {
            throw new Refusal("Record frame " + at + " lies in a transition: take the transition away first");
        }
        List<Section> parts = List.of(piece.over(record.withOut(at)).withTransitions(piece.head(), null),
                piece.over(record.withIn(at)).withTransitions(null, piece.tail()).fresh());
        Lane lane = master.lanes().get(place.lane()).spliced(place.index(), place.index() + 1, parts);
        return Master.checked(master.withLane(place.lane(), lane));
    }

    /** Makes a piece and the one that meets its end one again; only where the second goes on where the first ends. */
    public static Master join(Master master, Place place) {
        List<Section> sections = place.sectionsIn(master);
        Section a = sections.get(place.index());
        Section b = Place.meetingAfter(sections, place.index());
        if (b == null) {
            throw new Refusal("Nothing meets the end of this piece, at record frame "
                    + a.record().out());
        }
        if (a.enabled() != b.enabled() || !a.switched(true).runsOnIn(b.switched(true))) {
            throw new Refusal("The piece after record frame " + a.record().out()
                    + " does not go on where this one ends, so they cannot be one");
        }
        sections.set(place.index(), a.over(a.record().spanWith(b.record())).withTransitions(a.head(), b.tail()));
        sections.remove(place.index() + 1);
        return Master.checked(master.withLane(place.lane(), sections));
    }

    /** Takes pieces away and leaves black where they were. */
    public static Master lift(Master master, List<Place> places) {
        Master left = master;
        for (Place place : lastFirst(places)) {
            left = left.withLane(place.lane(), left.lanes().get(place.lane()).spliced(place.index(), place.index() + 1,
                    List.of()));
        }
        return Master.checked(left);
    }

    /** Takes pieces away and closes the gaps: what comes after moves up, on every lane. */
    public static Master takeOut(Master master, List<Place> places) {
        Master left = master;
        for (Place place : lastFirst(places)) {
            FrameRange record = place.in(left).record();
            left = Ripple.after(lift(left, List.of(place)), record.out(), -record.length());
        }
        return Master.checked(left);
    }

    /**
     * Puts a piece in at a record frame and pushes along what comes after, on every lane. A piece that lies over that
     * frame on the same lane is split.
     *
     * @param piece its record range tells its length only
     */
    public static Master insert(Master master, int into, long at, Section piece) {
        Master open = opened(master, at, piece.record().length());
        Lane room = open.lanes().get(into);
        int index = room.firstFrom(at);
        return Master.checked(open.withLane(into, room.spliced(index, index,
                List.of(piece.shiftedBy(at - piece.record().in())))));
    }

    /** Splits what lies over a record frame and pushes everything from there on along, on every open lane. */
    static Master opened(Master master, long at, long frames) {
        Master open = master;
        for (int l = 0; l < master.lanes().size(); l++) {
            Lane lane = open.lanes().get(l);
            int over = lane.indexAt(at);
            if (over >= 0 && lane.sections().get(over).record().in() < at && !lane.locked()) {
                open = split(open, new Place(l, over), at);
            }
        }
        return Ripple.after(open, at, frames);
    }

    /** Puts a piece at its place over what is there: that is trimmed, split or taken away. */
    public static Master overwrite(Master master, int lane, Section piece) {
        Lane room = cleared(master.lanes().get(lane), piece.record());
        int index = room.firstFrom(piece.record().in());
        int after = Math.min(index + 1, room.sections().size());
        List<Section> placed = new ArrayList<>(List.of(piece));
        placed.addAll(room.sections().subList(index, after));
        return Master.checked(master.withLane(lane, room.spliced(index, after, TransitionRoom.fitted(placed))));
    }

    /** Shows something else in the place of a piece: its length, its transitions and its place stay. */
    public static Master replace(Master master, Place place, Section.Content content, Rational from) {
        Section piece = place.in(master);
        return place.changed(master, piece.timed(piece.record(), from, Rational.ONE).showing(content, from));
    }

    /** Puts a copy of a piece after it and pushes along what comes after. */
    public static Master duplicate(Master master, Place place) {
        Section piece = place.in(master);
        return insert(master, place.lane(), piece.record().out(), piece.withTransitions(null, null).fresh());
    }

    /** Two pieces that meet change places; both keep their length, and nothing else moves. */
    public static Master swap(Master master, Place place) {
        List<Section> sections = place.sectionsIn(master);
        Section a = sections.get(place.index());
        Section b = Place.meetingAfter(sections, place.index());
        if (b == null) {
            throw new Refusal("Nothing meets the end of this piece, so there is nothing to change "
                    + "places with");
        }
        sections.set(place.index(), b.shiftedBy(-a.record().length()).withTransitions(null, null));
        sections.set(place.index() + 1, a.shiftedBy(b.record().length()).withTransitions(null, null));
        return Master.checked(master.withLane(place.lane(), sections));
    }

    /**
     * Moves a piece to another place in the order: it is taken out, the gap closes, and it goes in where it is wanted.
     *
     * @param to record frame, as the master is now
     */
    public static Master move(Master master, Place place, long to) {
        Section piece = place.in(master);
        if (to >= piece.record().in() && to <= piece.record().out()) {
            return master;
        }
        long at = to > piece.record().in() ? to - piece.record().length() : to;
        return insert(takeOut(master, List.of(place)), place.lane(), at, piece.withTransitions(null, null));
    }

    /** Switches a piece on or off; off it is kept and not seen. */
    public static Master enable(Master master, Place place, boolean enabled) {
        return place.changed(master, place.in(master).switched(enabled));
    }

    /**
     * Takes pieces away over a range and closes up, or leaves black: what lies over its ends is split there.
     *
     * @param close whether what comes after moves up, on every lane
     */
    public static Master clear(Master master, int lane, FrameRange range, boolean close) {
        Lane now = master.lanes().get(lane);
        Master without = master.withLane(lane, cleared(now, range));
        return close ? Master.checked(Ripple.after(without, range.out(), -range.length())) : Master.checked(without);
    }

    private static Lane cleared(Lane lane, FrameRange record) {
        int first = Math.max(0, lane.firstFrom(record.in()) - 1);
        int end = Math.min(lane.firstFrom(record.out()) + 1, lane.sections().size());
        List<Section> stay = new ArrayList<>();
        for (Section there : lane.sections().subList(first, end)) {
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
                Section rest = there.over(there.record().withIn(record.out())).withTransitions(null, there.tail());
                stay.add(before ? rest.fresh() : rest);
            }
        }
        return lane.spliced(first, end, TransitionRoom.fitted(stay));
    }

    private static List<Place> lastFirst(List<Place> places) {
        return places.stream().distinct().sorted(Comparator.comparingInt(Place::lane)
                .thenComparing(Place::index, Comparator.reverseOrder())).toList();
    }
}
