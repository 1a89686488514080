package freshsplice.core.master.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
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
     * @param ripple what comes after is pushed along
     */
    public static Master fill(Master master, Place place, long out, boolean ripple) {
        Section piece = place.in(master);
        FrameRange record = piece.record();
        if (out <= record.in()) {
            throw new IllegalArgumentException("A piece lasts at least one frame: it begins at record frame "
                    + record.in());
        }
        Rational speed = piece.speed().times(record.length()).dividedBy(Rational.of(out - record.in()));
        Section stretched = piece.timed(record.withOut(out), piece.from(), speed);
        return ripple ? Master.checked(Ripple.after(master, place, stretched, record.out(), out - record.out()))
                : with(master, place, stretched);
    }

    /** Stretches or squeezes a piece up to the piece after it: the gap behind it closes. */
    public static Master fillGap(Master master, Place place) {
        List<Section> sections = master.lanes().get(place.lane()).sections();
        if (place.index() + 1 >= sections.size()) {
            throw new IllegalArgumentException("No piece comes after this one, so there is no gap to fill");
        }
        return fill(master, place, sections.get(place.index() + 1).record().in(), false);
    }

    /** Another constant speed in the same place, from the same first frame; negative backwards. */
    public static Master speed(Master master, Place place, Rational speed) {
        if (speed.abs().compareTo(FASTEST) > 0) {
            throw new IllegalArgumentException("A piece goes at most " + FASTEST + " times as fast");
        }
        Section piece = place.in(master);
        return with(master, place, piece.timed(piece.record(), piece.from(), speed));
    }

    /** The same frames the other way round. */
    public static Master reverse(Master master, Place place) {
        Section piece = place.in(master);
        return with(master, place, piece.timed(piece.record(), piece.at(piece.record().last()),
                piece.speed().negate()));
    }

    /** One frame throughout: the one that is seen at a record frame. */
    public static Master hold(Master master, Place place, long at) {
        Section piece = place.in(master);
        if (!piece.record().contains(at)) {
            throw new IllegalArgumentException("Record frame " + at + " does not lie inside the piece");
        }
        return with(master, place, piece.timed(piece.record(), Rational.of(piece.at(at).floor()), Rational.ZERO));
    }

    private static Master with(Master master, Place place, Section changed) {
        List<Section> sections = place.sectionsIn(master);
        sections.set(place.index(), changed);
        return Master.checked(master.withLane(place.lane(), sections));
    }
}
