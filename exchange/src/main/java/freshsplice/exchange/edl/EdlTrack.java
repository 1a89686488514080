package freshsplice.exchange.edl;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.words.Amounts;
import freshsplice.exchange.format.Countable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** One track being filled: events as the list states them, lengthened where a later one passes from them. */
final class EdlTrack {
    /** An event whose end may still move. {@code statedOut} is its end as its own line says. */
    private static final class Placement {
        EdlStatement statement;
        FrameRange record;
        Rational from;
        Rational slope;
        long statedOut;
    }

    /** A speed that is meant has a denominator up to this. */
    private static final long SIMPLE = 100;

    private final String name;
    private final FrameRate rate;
    private final EdlClock clock;
    private final List<Remark> remarks;
    private final List<Placement> placed = new ArrayList<>();
    private final Map<Long, Placement> byStatedOut = new HashMap<>();
    private final List<Transition> transitions = new ArrayList<>();

    EdlTrack(String name, FrameRate rate, EdlClock clock, List<Remark> remarks) {
        this.name = name;
        this.rate = rate;
        this.clock = clock;
        this.remarks = remarks;
    }

    void add(EdlStatement statement, FrameRange record) {
        if (record.isEmpty()) {
            return;
        }
        if (statement.passesFromOutgoing() && statement.duration > 0) {
            addTransition(statement, record);
        }
        if (statement.edit == EdlStatement.Edit.KEY || statement.edit == EdlStatement.Edit.KEY_OUT) {
            remarks.add(Remark.loss(statement.place(), "A key: the foreground lies on " + name + " and is seen whole; "
                    + "what shows through it is not told by the list"));
        }
        if (!statement.isBlack()) {
            put(place(statement, record));
        }
    }

    private void put(Placement event) {
        placed.add(event);
        byStatedOut.put(event.statedOut, event);
    }

    private void addTransition(EdlStatement statement, FrameRange record) {
        long duration = statement.duration;
        if (duration > record.length()) {
            remarks.add(Remark.doubt(statement.place(), "The transition of " + Amounts.frames(duration) + " is longer than its "
                    + "event of " + record.length() + "; read as " + record.length()));
            duration = record.length();
        }
        FrameRange range = FrameRange.ofLength(record.in(), duration);
        transitions.add(Transition.centred(statement.edit == EdlStatement.Edit.WIPE
                ? Transition.Kind.WIPE : Transition.Kind.DISSOLVE, range, statement.wipe));
        lengthenOutgoing(statement, range);
    }

    /** What is passed from goes on under the transition: the event before it, or the clip the list names there. */
    private void lengthenOutgoing(EdlStatement statement, FrameRange range) {
        EdlStatement outgoing = statement.outgoing;
        if (outgoing != null && outgoing.isBlack()) {
            return;
        }
        Placement before = byStatedOut.get(range.in());
        if (before != null && (outgoing == null || runsOn(before, outgoing, range.in()))) {
            before.record = before.record.withOut(range.out());
            if (outgoing != null && before.statement.clipName == null) {
                before.statement.clipName = outgoing.clipName;
            }
        } else if (outgoing != null && outgoing.hasNoLength()) {
            put(place(outgoing, range));
        } else {
            remarks.add(Remark.doubt(statement.place(), "Nothing ends where this transition begins; it passes from "
                    + "black"));
        }
    }

    private boolean runsOn(Placement before, EdlStatement outgoing, long at) {
        if (before.statement == outgoing) {
            return true;
        }
        if (!before.statement.reel.equals(outgoing.reel)) {
            return false;
        }
        Rational end = before.from.plus(before.slope.times(at - before.record.in()));
        long[] source = clock.source(outgoing);
        // a speed line need not agree with the source column, so only plain events are held to it
        return before.statement.speedInFps != null || end.equals(Rational.of(source[0]));
    }

    private Placement place(EdlStatement statement, FrameRange record) {
        Placement event = new Placement();
        event.statement = statement;
        event.record = record;
        event.statedOut = record.out();
        long[] source = clock.source(statement);
        event.from = Rational.of(source[0]);
        event.slope = slope(statement, record, source[1] - source[0]);
        return event;
    }

    /** Source frames per record frame. A list's sources count at its own rate. */
    private Rational slope(EdlStatement statement, FrameRange record, long sourceLength) {
        if (statement.speedInFps == null) {
            if (statement.freeze) {
                return Rational.ZERO;
            }
            if (sourceLength != record.length() && !statement.hasNoLength()) {
                remarkLengths(statement, record, sourceLength);
            }
            return Rational.ONE;
        }
        Rational speed = speed(statement);
        remarkSpeed(statement, record, sourceLength, speed);
        return speed;
    }

    /**
     * Speed lines count at the timecode's base; some programs count at the rate and write 23.98 for normal, or 11.988011988011989 for
     * half of it. Of the two readings, within what was rounded away, the simpler one is meant.
     */
    private Rational speed(EdlStatement statement) {
        Rational base = Rational.of(rate.timecodeBase());
        Rational byBase = statement.speedInFps.dividedBy(base);
        if (rate.fps().isWhole() || statement.speedInFps.isZero()) {
            return byBase;
        }
        Rational byRate = meant(statement, rate.fps());
        return byRate.den() <= SIMPLE && byRate.den() < meant(statement, base).den() ? byRate : byBase;
    }

    private static Rational meant(EdlStatement statement, Rational normal) {
        Rational speed = statement.speedInFps.dividedBy(normal);
        double close = statement.speedClose / normal.toDouble();
        return close == 0 ? speed : Rational.simplest(speed.toDouble(), close);
    }

    private void remarkLengths(EdlStatement statement, FrameRange record, long sourceLength) {
        if (statement.isBlack() || sourceLength == 0) {
            return;
        }
        remarks.add(Remark.doubt(statement.place(), "Event " + statement.number + " is " + Amounts.frames(record.length())
                + " in the record and " + sourceLength + " in the source, and no speed line says why; read at "
                + "normal speed from its source in, as long as the record says. Add a speed line (M2) for the other"));
    }

    private void remarkSpeed(EdlStatement statement, FrameRange record, long sourceLength, Rational speed) {
        Rational shown = speed.abs().times(record.length());
        Rational off = shown.minus(Rational.of(Math.abs(sourceLength))).abs();
        boolean oneFrameHeld = speed.isZero() && Math.abs(sourceLength) <= 1;
        if (!oneFrameHeld && off.compareTo(Rational.ONE) >= 0) {
            remarks.add(Remark.doubt("line " + statement.speedLine, "The speed line shows " + shown + " source frames, "
                    + "the event's source times " + Math.abs(sourceLength) + "; the speed line decides. Remove it to "
                    + "have the times decide"));
        }
        if (speed.signum() < 0 && sourceLength > 1) {
            remarks.add(Remark.doubt("line " + statement.speedLine, "The speed line says backwards, the event's source runs forward from "
                    + statement.sourceIn + " to " + statement.sourceOut + "; read as beginning at " + statement.sourceIn + " and going back. "
                    + "Where the frames between the two are meant, the last of them first, write that last one as the source in"));
        }
        if (statement.speedStart != null
                && clock.speedStart(statement) != clock.source(statement)[0]) {
            remarks.add(Remark.doubt("line " + statement.speedLine, "The speed line begins at " + statement.speedStart
                    + ", the event at " + statement.sourceIn + "; the event decides"));
        }
    }

    Track finish(Track.Kind kind, long shift) {
        List<Event> events = placed.stream().map(p -> event(p).shiftedBy(shift)).toList();
        List<Transition> moved = transitions.stream().map(t -> new Transition(t.kind(), t.record().shiftedBy(shift),
                t.cut() + shift, t.wipe())).toList();
        Track track = new Track(kind, name, true, events, moved);
        remarkOverlaps(track);
        return track;
    }

    private Event event(Placement p) {
        EdlStatement s = p.statement;
        String clip = p.slope.isZero() ? s.clipNameUnheld() : s.clipName;
        String name = clip == null ? "" : clip;
        Source source = new Source(name.isEmpty() ? null : name, s.reel, s.file, rate, null, null);
        return Countable.event(name, true, p.record, remarks, s.place(), () -> new Event(s.number, Event.Kind.CLIP, name,
                true, p.record, source, TimeMap.constant(p.record, p.from, p.slope), null, s.comments));
    }

    private void remarkOverlaps(Track track) {
        java.util.Set<Long> joined = new java.util.HashSet<>();
        track.transitions().forEach(t -> joined.add(t.record().in()));
        for (int i = 1; i < track.events().size(); i++) {
            Event before = track.events().get(i - 1);
            Event after = track.events().get(i);
            long over = before.record().overlapWith(after.record());
            if (over > 0 && !joined.contains(after.record().in())) {
                remarks.add(Remark.doubt("event " + after.number() + " on " + name, "Lies over event "
                        + before.number() + " for " + Amounts.frames(over) + " with no transition; the one that begins later is "
                        + "seen. Correct the list for the other"));
            }
        }
    }
}
