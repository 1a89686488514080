package freshsplice.core.rates;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.time.Timecode;
import java.util.ArrayList;
import java.util.List;

/**
 * A cut of one rate on the record clock of another. By real time every edge falls on the nearest frame, the same edge
 * always on the same one, so that neighbours stay neighbours; the source is sampled at the exact time of each frame. The cut
 * begins at the same label: an hour counted at 24000/1001 is not one at 25, and everybody means 01:00:00:00.
 * Frame for frame every edge keeps its number. Nested cuts keep their own clocks.
 */
public final class CutRate {
    /** @param remarks what could not be kept */
    public record RateChange(Cut cut, List<Remark> remarks) {
    }

    private final Cut cut;
    private final FrameRate rate;
    /** Old frames for each new one. */
    private final Rational old;
    /** The first frame, as the old clock and as the new one counts it. */
    private final long oldStart;
    private final long start;
    private final List<Remark> remarks = new ArrayList<>();

    private CutRate(Cut cut, FrameRate rate, boolean drop, RateWay way) {
        this.cut = cut;
        this.rate = rate;
        this.old = way == RateWay.FRAME_FOR_FRAME ? Rational.ONE : rate.framesOf(cut.rate());
        this.oldStart = cut.record().in();
        this.start = way == RateWay.FRAME_FOR_FRAME ? oldStart : atSameLabel(drop);
    }

    /** Seconds keep their label; a frame after the second is the one nearest in time. */
    private long atSameLabel(boolean drop) {
        String[] fields = cut.timecodeAt(oldStart).label().split("[:;]");
        long nominal = Timecode.parse("00:00:01:00", rate, false).frame();
        long frame = Math.min(nominal - 1, Rational.of(Long.parseLong(fields[3])).dividedBy(old).round());
        // labels that a drop-frame clock leaves out begin a minute: the next one that there is stands for them
        long first = Timecode.parse(String.join(":", fields[0], fields[1], "00", drop ? "10" : "00"), rate, drop).frame() - (drop ? 10 : 0);
        return first + Long.parseLong(fields[2]) * nominal + frame;
    }

    /** @param dropFrame whether the new record clock drops */
    public static RateChange of(Cut cut, FrameRate rate, boolean dropFrame, RateWay way) {
        if (cut.rate().equals(rate)) {
            return new RateChange(cut, List.of());
        }
        CutRate change = new CutRate(cut, rate, dropFrame && rate.hasDropFrame(), way);
        List<Track> tracks = cut.tracks().stream().map(change::track).toList();
        List<Marker> markers = cut.markers().stream().map(m -> new Marker(change.atLeastOne(m.record()), m.name(),
                m.comment(), m.colour())).toList();
        Cut changed = new Cut(cut.name(), rate, dropFrame && rate.hasDropFrame(), change.atLeastOne(cut.record()), tracks,
                markers, cut.kept());
        return new RateChange(changed, change.remarks);
    }

    private Track track(Track track) {
        List<Event> events = new ArrayList<>();
        for (Event event : track.events()) {
            FrameRange record = range(event.record());
            if (record.isEmpty()) {
                remarks.add(Remark.loss(cut.timecodeAt(event.record().in()).label(), event.name()
                        + " falls between two frames at " + rate + " frames/s and is left out. Frame for frame it stays"));
            } else {
                events.add(new Event(event.number(), event.kind(), event.name(), event.enabled(), record,
                        event.source(), time(event, record), event.nested(), event.comments(), event.kept(), event.sourceTrack(), event.words()));
            }
        }
        List<Transition> transitions = track.transitions().stream().filter(t -> !range(t.record()).isEmpty())
                .map(t -> new Transition(t.kind(), range(t.record()), edge(t.cut()), t.wipe())).toList();
        return new Track(track.kind(), track.name(), track.enabled(), events, transitions, track.kept());
    }

    private TimeMap time(Event event, FrameRange record) {
        TimeMap time = event.time();
        if (time.slope().isPresent()) {
            Rational perOld = time.slope().get();
            TimeMap.Key key = time.keys().get(0);
            Rational from = key.source().plus(old.times(record.in() - start).minus(Rational.of(key.record() - oldStart)).times(perOld));
            return TimeMap.constant(record, from, perOld.times(old));
        }
        List<TimeMap.Key> keys = new ArrayList<>();
        for (TimeMap.Key key : time.keys()) {
            long at = edge(key.record());
            if (keys.isEmpty() || at > keys.get(keys.size() - 1).record()) {
                keys.add(new TimeMap.Key(at, key.source()));
            }
        }
        return keys.size() < 2 ? TimeMap.between(record, event.from(), event.to()) : new TimeMap(keys, time.smooth());
    }

    private long edge(long oldFrame) {
        return start + Rational.of(oldFrame - oldStart).dividedBy(old).round();
    }

    private FrameRange range(FrameRange record) {
        return FrameRange.of(edge(record.in()), edge(record.out()));
    }

    private FrameRange atLeastOne(FrameRange record) {
        FrameRange range = range(record);
        return range.isEmpty() && !record.isEmpty() ? FrameRange.ofLength(range.in(), 1) : range;
    }
}
