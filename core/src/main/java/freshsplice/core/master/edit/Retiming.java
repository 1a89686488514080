package freshsplice.core.master.edit;

import freshsplice.core.master.Bend;
import freshsplice.core.master.Master;
import freshsplice.core.master.Pace;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Edits of how fast a piece goes through its content. */
public final class Retiming {
    /** Faster than this nobody sees anything, and typed slips of the hand are caught. */
    private static final Rational FASTEST = Rational.of(100);

    private Retiming() {
    }

    /**
     * Stretches or squeezes what a piece shows to another length: the same content from end to end, slower or faster.
     *
     * @param out   record frame at which it is to end; what is there must leave room, unless it is pushed along
     * @param following whether what comes after is pushed along
     */
    public static Master fill(Master master, Place place, long out, Following following) {
        Section piece = place.in(master);
        FrameRange record = piece.record();
        if (out <= record.in()) {
            throw new Refusal("A piece lasts at least one frame: it begins at record frame "
                    + record.in());
        }
        Rational by = Rational.of(out - record.in()).dividedBy(Rational.of(record.length()));
        Section stretched = piece.isEven()
                ? piece.timed(record.withOut(out), piece.from(), piece.speed().dividedBy(by))
                : piece.bent(record.withOut(out), Bend.stretched(piece.bends(), by));
        return following == Following.MOVES_ALONG ? Master.checked(Ripple.after(master, place, stretched, record.out(), out - record.out()))
                : place.changed(master, stretched);
    }

    /** Stretches or squeezes a piece up to the piece after it: the gap behind it closes. */
    public static Master fillGap(Master master, Place place) {
        List<Section> sections = master.lanes().get(place.lane()).sections();
        if (place.index() + 1 >= sections.size()) {
            throw new Refusal("No piece comes after this one, so there is no gap to fill");
        }
        return fill(master, place, sections.get(place.index() + 1).record().in(), Following.STAYS);
    }

    /** Another constant speed in the same place, from the same first frame; negative backwards. */
    public static Master speed(Master master, Place place, Rational speed) {
        if (speed.abs().compareTo(FASTEST) > 0) {
            throw new Refusal("A piece goes at most " + FASTEST + " times as fast");
        }
        Section piece = place.in(master);
        return place.changed(master, piece.timed(piece.record(), piece.from(), speed));
    }

    /** The same frames the other way round. */
    public static Master reverse(Master master, Place place) {
        Section piece = place.in(master);
        return place.changed(master, piece.isEven()
                ? piece.timed(piece.record(), piece.at(piece.record().last()), piece.speed().negate())
                : piece.bent(piece.record(), Bend.reversed(piece.bends(), piece.record().length())));
    }

    /** One frame throughout: the one that is seen at a record frame. */
    public static Master hold(Master master, Place place, long at) {
        Section piece = place.in(master);
        checkInside(piece, at);
        return place.changed(master, piece.timed(piece.record(), Rational.of(piece.at(at).floor()), Rational.ZERO));
    }

    /**
     * A key at a record frame, so that the speed can be another before it and after it. What is seen stays as it is: a
     * piece of one speed gets keys at its ends too.
     */
    public static Master key(Master master, Place place, long at) {
        Section piece = place.in(master);
        checkInside(piece, at);
        List<Bend> bends = withEnds(piece);
        Rational frames = Rational.of(at - piece.record().in());
        if (bends.stream().anyMatch(b -> b.at().equals(frames))) {
            throw new Refusal("The speed has a key at record frame " + at + " already");
        }
        Pace easing = bends.stream().filter(b -> b.at().compareTo(frames) < 0).reduce((a, b) -> b)
                .map(Bend::pace).orElse(Pace.STRAIGHT);
        bends.add(new Bend(frames, piece.at(at), easing));
        return bent(master, place, bends);
    }

    /**
     * Shows another frame of the content at a key: time goes faster on one side of it and slower on the other.
     *
     * @param frames frames of the content later (+) or earlier (−)
     */
    public static Master moveKey(Master master, Place place, long at, Rational frames) {
        Section piece = place.in(master);
        int index = keyAt(piece, at);
        List<Bend> bends = new ArrayList<>(piece.bends());
        Bend key = bends.get(index);
        bends.set(index, new Bend(key.at(), key.position().plus(frames), key.pace()));
        return bent(master, place, bends);
    }

    /** How time goes on from a key to the next one. */
    public static Master easeKey(Master master, Place place, long at, Pace easing) {
        Section piece = place.in(master);
        int index = keyAt(piece, at);
        List<Bend> bends = new ArrayList<>(piece.bends());
        bends.set(index, new Bend(bends.get(index).at(), bends.get(index).position(), easing));
        return bent(master, place, bends);
    }

    /** Takes a key away; with the last but one, the piece goes at its mean speed again. */
    public static Master removeKey(Master master, Place place, long at) {
        Section piece = place.in(master);
        List<Bend> bends = new ArrayList<>(piece.bends());
        bends.remove(keyAt(piece, at));
        return bends.size() < 2 ? place.changed(master, piece.timed(piece.record(), piece.from(), piece.speed()))
                : bent(master, place, bends);
    }

    private static List<Bend> withEnds(Section piece) {
        if (!piece.isEven()) {
            return new ArrayList<>(piece.bends());
        }
        return new ArrayList<>(List.of(new Bend(Rational.ZERO, piece.from(), Pace.STRAIGHT),
                new Bend(Rational.of(piece.record().length()), piece.to(), Pace.STRAIGHT)));
    }

    private static int keyAt(Section piece, long at) {
        Rational frames = Rational.of(at - piece.record().in());
        for (int i = 0; i < piece.bends().size(); i++) {
            if (piece.bends().get(i).at().equals(frames)) {
                return i;
            }
        }
        throw new Refusal("The speed has no key at record frame " + at + ": put one there first");
    }

    private static Master bent(Master master, Place place, List<Bend> bends) {
        bends.sort(Comparator.comparing(Bend::at));
        Section piece = place.in(master);
        return place.changed(master, piece.bent(piece.record(), Bend.checked(bends)));
    }

    private static void checkInside(Section piece, long at) {
        if (!piece.record().contains(at)) {
            throw new Refusal("Record frame " + at + " does not lie inside the piece");
        }
    }
}
