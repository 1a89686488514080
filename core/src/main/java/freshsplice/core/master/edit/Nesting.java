package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.LongFunction;

/** Masters in masters: linked, never copied, never in themselves. */
public final class Nesting {
    /** @param outer the master with one piece in the place of several; @param inner what that piece nests */
    public record Nest(Master outer, Master inner) {
    }

    private Nesting() {
    }

    /**
     * Makes a master of neighbouring pieces and nests it in their place. Its record clock is the outer one, so a frame
     * has the same timecode on both levels. Pieces at its ends keep the frames that transitions into and out of it need.
     *
     * @param innerId id of the new master
     * @param name    its name
     */
    public static Nest nest(Master master, List<Place> places, long innerId, String name) {
        int lane = places.get(0).lane();
        int first = places.stream().mapToInt(Place::index).min().orElseThrow();
        int last = places.stream().mapToInt(Place::index).max().orElseThrow();
        if (places.stream().anyMatch(p -> p.lane() != lane) || last - first + 1 != Set.copyOf(places).size()) {
            throw new Refusal("Only pieces that follow each other on one lane become a master of "
                    + "their own");
        }
        Lane outer = master.lanes().get(lane);
        List<Section> inner = new ArrayList<>(outer.sections().subList(first, last + 1));
        Section head = inner.get(0);
        Section tail = inner.get(inner.size() - 1);
        FrameRange record = head.record().spanWith(tail.record());
        Section after = Place.meetingAfter(outer.sections(), last);
        long before = head.head() == null ? 0 : head.head().before();
        long beyond = after == null || after.head() == null ? 0 : after.head().after();
        inner.set(0, head.over(head.record().withIn(head.record().in() - before)).withTransitions(null, head.tail()));
        Section end = inner.get(inner.size() - 1);
        inner.set(inner.size() - 1, end.over(end.record().withOut(end.record().out() + beyond))
                .withTransitions(end.head(), null));
        Master made = new Master(innerId, name, master.rate(), master.dropFrame(), record.in() - before,
                List.of(Lane.of(outer.name(), inner)));
        Section nest = new Section(0, new Section.Content.OfMaster(innerId), record, Rational.of(record.in()),
                Rational.ONE, true, head.head(), tail.tail());
        Master changed = master.withLane(lane, outer.spliced(first, last + 1, List.of(nest)));
        return new Nest(Master.checked(changed), made);
    }

    /** Lays what a nested master shows into the outer one in its place; the nested master itself stays as it is. */
    public static Master open(Master master, Place place, LongFunction<Master> masters) {
        Section nest = place.in(master);
        if (!(nest.content() instanceof Section.Content.OfMaster)) {
            throw new Refusal("The piece at record frame " + nest.record().in() + " nests no master");
        }
        List<Section> pieces = new ArrayList<>(new LivePieces(masters).ofLane(master, place.lane()).stream()
                .filter(l -> l.outer().equals(nest)).map(l -> l.section().fresh()).toList());
        if (!pieces.isEmpty() && nest.head() != null && pieces.get(0).record().in() == nest.record().in()) {
            pieces.set(0, pieces.get(0).withTransitions(nest.head(), pieces.get(0).tail()));
        }
        int end = pieces.size() - 1;
        if (!pieces.isEmpty() && nest.tail() != null && pieces.get(end).record().out() == nest.record().out()) {
            pieces.set(end, pieces.get(end).withTransitions(pieces.get(end).head(), nest.tail()));
        }
        Lane lane = master.lanes().get(place.lane()).spliced(place.index(), place.index() + 1, pieces);
        return Master.checked(master.withLane(place.lane(), lane));
    }

    /** The piece that nests the whole of another master. @throws IllegalArgumentException if that one is empty */
    public static Section whole(Master nested) {
        if (nested.end() <= nested.start()) {
            throw new Refusal("\"" + nested.name() + "\" has no frames yet");
        }
        return new Section(0, new Section.Content.OfMaster(nested.id()), FrameRange.of(nested.start(), nested.end()),
                Rational.of(nested.start()), Rational.ONE, true, null, null);
    }

    /** @throws IllegalArgumentException if a master would be nested in itself, directly or through others */
    public static void checkNoLoop(Master outer, LongFunction<Master> masters) {
        search(outer, outer, masters, new HashSet<>());
    }

    /** Whether a master nests another, at any depth. */
    public static boolean nests(Master outer, long innerId, LongFunction<Master> masters) {
        return outer.sections().stream().anyMatch(s -> s.content() instanceof Section.Content.OfMaster nested
                && (nested.masterId() == innerId || nests(masters.apply(nested.masterId()), innerId, masters)));
    }

    private static void search(Master outer, Master within, LongFunction<Master> masters, Set<Long> looked) {
        for (Section section : within.sections()) {
            if (section.content() instanceof Section.Content.OfMaster nested) {
                if (nested.masterId() == outer.id()) {
                    throw new Refusal("\"" + outer.name() + "\" would be nested in itself"
                            + (within.id() == outer.id() ? "" : ", through \"" + within.name() + "\""));
                }
                if (looked.add(nested.masterId())) {
                    search(outer, masters.apply(nested.masterId()), masters, looked);
                }
            }
        }
    }

    /**
     * Where a nest showed the other master up to its end, it shows it up to its new end, and what comes after is pushed
     * along: a scene that gets longer is longer in its sequence.
     */
    public static Master follow(Master outer, Master innerBefore, Master innerAfter) {
        Master followed = outer;
        for (int lane = 0; lane < outer.lanes().size(); lane++) {
            for (int i = 0; i < followed.lanes().get(lane).sections().size(); i++) {
                Section nest = followed.lanes().get(lane).sections().get(i);
                boolean shows = nest.content() instanceof Section.Content.OfMaster m && m.masterId() == innerAfter.id();
                boolean toItsEnd = shows && nest.isEven() && nest.speed().signum() > 0
                        && nest.to().equals(Rational.of(innerBefore.end()));
                if (toItsEnd && !followed.lanes().get(lane).locked() && innerAfter.end() > nest.from().floor()) {
                    long frames = Rational.of(innerAfter.end() - innerBefore.end()).dividedBy(nest.speed()).round();
                    Place place = new Place(lane, i);
                    followed = frames == 0 || -frames >= nest.record().length() ? followed
                            : Trims.tail(followed, place, frames, Following.MOVES_ALONG);
                }
            }
        }
        return followed;
    }
}
