package freshsplice.core.rates;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.TreeMap;

/**
 * Picture clips whose own rate is not the cut's. Sound is always laid by real time: frame for frame it would change
 * its pitch.
 */
public final class ClipRates {
    /**
     * How many clips of one rate there are.
     *
     * @param realTime      shown by real time
     * @param frameForFrame shown frame for frame
     */
    public record Count(int realTime, int frameForFrame) {
        private Count plus(boolean frames) {
            return frames ? new Count(realTime, frameForFrame + 1) : new Count(realTime + 1, frameForFrame);
        }
    }

    private final RateWay way;
    private final Map<Cut, Cut> done = new IdentityHashMap<>();

    private ClipRates(RateWay way) {
        this.way = way;
    }

    /** Moving picture clips of another rate than their cut's, by that rate, nested cuts opened. */
    public static Map<FrameRate, Count> count(Cut cut) {
        Map<FrameRate, Count> counts = new TreeMap<>((a, b) -> a.fps().compareTo(b.fps()));
        count(cut, counts, new IdentityHashMap<>());
        return counts;
    }

    private static void count(Cut cut, Map<FrameRate, Count> counts, Map<Cut, Boolean> seen) {
        if (seen.put(cut, true) != null) {
            return;
        }
        for (int track : cut.tracksOf(Track.Kind.PICTURE)) {
            for (Event event : cut.tracks().get(track).events()) {
                if (event.nested() != null) {
                    count(event.nested(), counts, seen);
                } else if (isOther(event, cut)) {
                    counts.merge(event.source().rate(), new Count(0, 0).plus(isFrameForFrame(event)),
                            (a, b) -> a.plus(isFrameForFrame(event)));
                }
            }
        }
    }

    /** The cut with all its clips of another rate shown one way, whatever the file says. */
    public static Cut shown(Cut cut, RateWay way) {
        return new ClipRates(way).all(cut);
    }

    private Cut all(Cut cut) {
        Cut known = done.get(cut);
        if (known == null) {
            known = new Cut(cut.name(), cut.rate(), cut.dropFrame(), cut.record(),
                    cut.tracks().stream().map(track -> track.kind() == Track.Kind.SOUND ? track
                            : new Track(track.kind(), track.name(), track.enabled(),
                            track.events().stream().map(event -> one(event, cut)).toList(), track.transitions(),
                            track.kept())).toList(), cut.markers(), cut.kept());
            done.put(cut, known);
        }
        return known;
    }

    private Event one(Event event, Cut cut) {
        if (event.nested() != null) {
            return with(event, event.time(), all(event.nested()));
        }
        boolean frames = way == RateWay.FRAME_FOR_FRAME;
        if (!isOther(event, cut) || isFrameForFrame(event) == frames) {
            return event;
        }
        Rational ratio = Event.normalSlope(event.source(), cut.rate());
        return with(event, scaled(event, frames ? Rational.ONE.dividedBy(ratio) : ratio), null);
    }

    private static Event with(Event event, TimeMap time, Cut nested) {
        return new Event(event.number(), event.kind(), event.name(), event.enabled(), event.record(), event.source(),
                time, nested, event.comments(), event.kept(), event.sourceTrack(), event.words());
    }

    /** The same first frame, going on so many times as fast. */
    private static TimeMap scaled(Event event, Rational factor) {
        Rational from = event.from();
        return new TimeMap(event.time().keys().stream().map(k -> new TimeMap.Key(k.record(),
                from.plus(k.source().minus(from).times(factor)))).toList(), event.time().smooth());
    }

    private static boolean isOther(Event event, Cut cut) {
        return event.source() != null && event.source().rate() != null && !event.isStill()
                && !event.source().rate().equals(cut.rate());
    }

    /** One source frame for each record frame at normal speed; a clip with an effect of speed is taken by real time. */
    private static boolean isFrameForFrame(Event event) {
        return event.time().slope().filter(s -> s.abs().equals(Rational.ONE)).isPresent();
    }
}
