package freshsplice.exchange.format;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/**
 * Keeps every time of a reading small enough that all that is worked out from it stays exact. An event whose own times
 * are not becomes a slate, or its positions are rounded, and a remark says so: no single event refuses a file.
 */
public final class Countable {
    /** A hundred years at 30 frames/s, or a week of samples. */
    private static final long MOST_FRAMES = 100_000_000_000L;
    private static final long MOST_PARTS = 10_000_000L;

    private final Map<Cut, Cut> made = new IdentityHashMap<>();
    private final List<Remark> remarks;

    private Countable(List<Remark> remarks) {
        this.remarks = remarks;
    }

    /**
     * The reading with countable times.
     *
     * @throws UnreadableFile if the clock of a cut itself is past what can be counted exactly
     */
    public static Reading reading(InputFile file, Reading reading) {
        List<Remark> remarks = new ArrayList<>(reading.remarks());
        Countable countable = new Countable(remarks);
        List<Cut> cuts = new ArrayList<>();
        for (Cut cut : reading.cuts()) {
            if (!isCountable(cut.record().in())) {
                throw tooLarge(file);
            }
            cuts.add(countable.cut(cut));
        }
        return new Reading(reading.format(), cuts, remarks);
    }

    public static UnreadableFile tooLarge(InputFile file) {
        return new UnreadableFile(file.name() + " holds a time or a rate that is too large to be counted exactly; ask "
                + "for it to be written again");
    }

    /** Whether a number of frames can be counted exactly in all that is worked out from it. */
    public static boolean isCountable(long frames) {
        return Math.abs(frames) <= MOST_FRAMES;
    }

    /** What is said of something whose place or length cannot be counted. */
    public static Remark leftOut(String place) {
        return Remark.loss(place, "Its place or length is too large to be counted exactly; left out");
    }

    /** An event, or the slate that stands in for it where its own times cannot be counted exactly. */
    public static Event event(String name, boolean enabled, FrameRange record, List<Remark> remarks, String place,
                              Supplier<Event> event) {
        try {
            return event.get();
        } catch (ArithmeticException e) {
            return slate(name, enabled, record, remarks, place);
        }
    }

    /** A slate in place of an event whose times cannot be counted, and the remark that says so. */
    public static Event slate(String name, boolean enabled, FrameRange record, List<Remark> remarks, String place) {
        remarks.add(Remark.loss(place, "\"" + name + "\" shows a time that is too large to be counted exactly; a slate "
                + "stands in"));
        return new Event(null, Event.Kind.MISSING, name, enabled, record, null,
                TimeMap.constant(record, Rational.ZERO, Rational.ZERO), null, List.of());
    }

    private Cut cut(Cut cut) {
        Cut known = made.get(cut);
        if (known == null) {
            List<Track> tracks = cut.tracks().stream().map(this::track).toList();
            known = tracks.equals(cut.tracks()) ? cut : new Cut(cut.name(), cut.rate(), cut.dropFrame(), cut.record(), tracks,
                    cut.markers(), cut.kept());
            if (!isCountable(known.record().out())) {
                long end = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().out()).max()
                        .orElse(cut.record().in());
                known = new Cut(cut.name(), cut.rate(), cut.dropFrame(), cut.record().withOut(Math.max(end,
                        cut.record().in())), tracks, cut.markers(), cut.kept());
            }
            made.put(cut, known);
        }
        return known;
    }

    private Track track(Track track) {
        List<Event> events = new ArrayList<>();
        boolean same = true;
        for (Event event : track.events()) {
            Event kept = event(track, event);
            same &= kept == event;
            if (kept != null) {
                events.add(kept);
            }
        }
        return same ? track
                : new Track(track.kind(), track.name(), track.enabled(), events, track.transitions(), track.kept());
    }

    private Event event(Track track, Event event) {
        String place = "track " + track.name() + ", record frame " + event.record().in();
        if (!isCountable(event.record().in()) || !isCountable(event.record().out())) {
            remarks.add(Remark.loss(place, "\"" + event.name() + "\" stands at a time that is too large to be counted "
                    + "exactly; left out"));
            return null;
        }
        List<TimeMap.Key> keys = event.time().keys();
        boolean fine = false;
        boolean counted = true;
        for (TimeMap.Key key : keys) {
            counted &= isCountable(key.record()) && isCountable(key.source().floor());
            fine |= key.source().den() > MOST_PARTS;
        }
        if (!counted) {
            return slate(event.name(), event.enabled(), event.record(), remarks, place);
        }
        Cut nested = event.nested() == null ? null : cut(event.nested());
        if (!fine && nested == event.nested()) {
            return event;
        }
        if (fine) {
            remarks.add(Remark.doubt(place, "The positions of \"" + event.name() + "\" are finer than is kept; rounded to "
                    + "1/4096 of a frame"));
        }
        TimeMap time = new TimeMap(keys.stream()
                .map(k -> new TimeMap.Key(k.record(), Grain.bounded(k.source()))).toList(), event.time().smooth());
        return new Event(event.number(), event.kind(), event.name(), event.enabled(), event.record(), event.source(), time,
                nested, event.comments(), event.kept(), event.sourceTrack(), event.words());
    }

}
