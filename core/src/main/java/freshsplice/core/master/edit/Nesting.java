package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
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
    /** @param outer the master with one clip in the place of several; @param inner what that clip nests */
    public record Nest(Master outer, Master inner) {
    }

    private Nesting() {
    }

    /**
     * Makes a master of neighbouring clips and nests it in their place. Its record clock is the outer one, so a frame
     * has the same timecode on both levels. Clips at its ends keep the frames that transitions into and out of it need.
     *
     * @param innerId id of the new master
     * @param name    its name
     */
    public static Nest nest(Master master, List<Place> places, long innerId, String name) {
        int track = places.get(0).track();
        int first = places.stream().mapToInt(Place::index).min().orElseThrow();
        int last = places.stream().mapToInt(Place::index).max().orElseThrow();
        if (places.stream().anyMatch(p -> p.track() != track) || last - first + 1 != Set.copyOf(places).size()) {
            throw new Refusal("Only clips that follow each other on one track become a master of "
                    + "their own");
        }
        Track outer = master.tracks().get(track);
        List<Clip> inner = new ArrayList<>(outer.clips().subList(first, last + 1));
        Clip head = inner.get(0);
        Clip tail = inner.get(inner.size() - 1);
        FrameRange record = head.record().spanWith(tail.record());
        Clip after = Place.meetingAfter(outer.clips(), last);
        long before = head.head() == null ? 0 : head.head().before();
        long beyond = after == null || after.head() == null ? 0 : after.head().after();
        inner.set(0, head.over(head.record().withIn(head.record().in() - before)).withTransitions(null, head.tail()));
        Clip end = inner.get(inner.size() - 1);
        inner.set(inner.size() - 1, end.over(end.record().withOut(end.record().out() + beyond))
                .withTransitions(end.head(), null));
        Master made = new Master(innerId, name, master.rate(), master.dropFrame(), record.in() - before,
                List.of(Track.of(outer.name(), inner)));
        Clip nest = new Clip(0, new Clip.Content.OfMaster(innerId), record, Rational.of(record.in()),
                Rational.ONE, true, head.head(), tail.tail());
        Master changed = master.withTrack(track, outer.spliced(first, last + 1, List.of(nest)));
        return new Nest(Master.checked(changed), made);
    }

    /** Lays what a nested master shows into the outer one in its place; the nested master itself stays as it is. */
    public static Master open(Master master, Place place, LongFunction<Master> masters) {
        Clip nest = place.in(master);
        if (!(nest.content() instanceof Clip.Content.OfMaster)) {
            throw new Refusal("The clip at record frame " + nest.record().in() + " nests no master");
        }
        List<Clip> clips = new ArrayList<>(new LiveClips(masters).ofTrack(master, place.track()).stream()
                .filter(l -> l.outer().equals(nest)).map(l -> l.clip().fresh()).toList());
        if (!clips.isEmpty() && nest.head() != null && clips.get(0).record().in() == nest.record().in()) {
            clips.set(0, clips.get(0).withTransitions(nest.head(), clips.get(0).tail()));
        }
        int end = clips.size() - 1;
        if (!clips.isEmpty() && nest.tail() != null && clips.get(end).record().out() == nest.record().out()) {
            clips.set(end, clips.get(end).withTransitions(clips.get(end).head(), nest.tail()));
        }
        Track track = master.tracks().get(place.track()).spliced(place.index(), place.index() + 1, clips);
        return Master.checked(master.withTrack(place.track(), track));
    }

    /** The clip that nests the whole of another master. @throws IllegalArgumentException if that one is empty */
    public static Clip whole(Master nested) {
        if (nested.end() <= nested.start()) {
            throw new Refusal("\"" + nested.name() + "\" has no frames yet");
        }
        return new Clip(0, new Clip.Content.OfMaster(nested.id()), FrameRange.of(nested.start(), nested.end()),
                Rational.of(nested.start()), Rational.ONE, true, null, null);
    }

    /** @throws IllegalArgumentException if a master would be nested in itself, directly or through others */
    public static void checkNoLoop(Master outer, LongFunction<Master> masters) {
        search(outer, outer, masters, new HashSet<>());
    }

    /** Whether a master nests another, at any depth. */
    public static boolean nests(Master outer, long innerId, LongFunction<Master> masters) {
        return outer.clips().stream().anyMatch(s -> s.content() instanceof Clip.Content.OfMaster nested
                && (nested.masterId() == innerId || nests(masters.apply(nested.masterId()), innerId, masters)));
    }

    private static void search(Master outer, Master within, LongFunction<Master> masters, Set<Long> looked) {
        for (Clip clip : within.clips()) {
            if (clip.content() instanceof Clip.Content.OfMaster nested) {
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
        for (int track = 0; track < outer.tracks().size(); track++) {
            for (int i = 0; i < followed.tracks().get(track).clips().size(); i++) {
                Clip nest = followed.tracks().get(track).clips().get(i);
                boolean shows = nest.content() instanceof Clip.Content.OfMaster m && m.masterId() == innerAfter.id();
                boolean toItsEnd = shows && nest.isEven() && nest.speed().signum() > 0
                        && nest.to().equals(Rational.of(innerBefore.end()));
                if (toItsEnd && !followed.tracks().get(track).locked() && innerAfter.end() > nest.from().floor()) {
                    long frames = Rational.of(innerAfter.end() - innerBefore.end()).dividedBy(nest.speed()).round();
                    Place place = new Place(track, i);
                    followed = frames == 0 || -frames >= nest.record().length() ? followed
                            : Trims.tail(followed, place, frames, Following.MOVES_ALONG);
                }
            }
        }
        return followed;
    }
}
