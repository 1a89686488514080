package freshsplice.exchange.otio;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.format.Countable;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Lays out one child of a stack: lengths in a row, transitions between neighbours. */
final class OtioTrack {
    private final OtioAssembler assembler;
    private final FrameRate rate;
    private final long shift;
    private final int depth;
    private final List<Remark> remarks;
    private final List<Marker> markers;
    private final List<Event> events = new ArrayList<>();
    private final List<Transition> transitions = new ArrayList<>();
    /** Exact record time at which the next child begins, from the track's own zero. */
    private Rational at = Rational.ZERO;
    private int between;

    /** @param shift record frame of the track's own zero */
    OtioTrack(OtioAssembler assembler, FrameRate rate, long shift, int depth, List<Remark> remarks,
             List<Marker> markers) {
        this.assembler = assembler;
        this.rate = rate;
        this.shift = shift;
        this.depth = depth;
        this.remarks = remarks;
        this.markers = markers;
    }

    /** How long the track is, in record frames. */
    Rational length() {
        return at;
    }

    Track track(OtioItem child, String name, boolean sound) {
        Track.Kind kind = sound ? Track.Kind.SOUND : Track.Kind.PICTURE;
        boolean isTrack = child.is("Track");
        List<OtioItem> items = isTrack ? child.children : List.of(child);
        List<String> unknown = new ArrayList<>();
        FrameRange shown = isTrack && child.sourceRange != null ? assembler.rangeOf(child, rate) : null;
        long zero = shift - (shown == null ? 0 : shown.in());
        for (int i = 0; i < items.size(); i++) {
            OtioItem item = items.get(i);
            if (item.takesTime()) {
                add(item, zero, i == 0 ? null : items.get(i - 1), i + 1 == items.size() ? null : items.get(i + 1));
            } else if (item.is("Transition")) {
                addTransition(item, zero);
            } else {
                remarks.add(Remark.loss(item.place, "The schema " + item.schema
                        + " is not known here; it takes no time, and is kept"));
                unknown.add("{\"index\":" + i + ",\"object\":" + item.kept + "}");
            }
        }
        if (isTrack) {
            child.markers.forEach(m -> markers.add(OtioAssembler.marker(m,
                    m.range().start().at(rate).floor() + zero, rate)));
            if (child.warp != null || child.frozen) {
                remarks.add(Remark.loss(child.place, "A change of speed of a whole track is not carried"));
            }
        }
        if (between > 0) {
            remarks.add(Remark.doubt(child.place, between + " of its events begin between two frames of the cut's rate; "
                    + "each is put at the nearest frame"));
        }
        Track track = new Track(kind, name, !isTrack || child.enabled, events, transitions,
                isTrack ? keptOf(child, unknown) : null);
        if (shown != null) {
            at = Rational.of(shown.length());
            return trimmed(track, shown.shiftedBy(zero));
        }
        return track;
    }

    private static FormatNote keptOf(OtioItem track, List<String> unknown) {
        if (track.kept == null && unknown.isEmpty()) {
            return null;
        }
        String own = track.kept == null ? "{}" : track.kept;
        String more = unknown.isEmpty() ? "" : "\"unknown\":[" + String.join(",", unknown) + "]";
        String joined = more.isEmpty() ? own
                : own.equals("{}") ? "{" + more + "}" : own.substring(0, own.length() - 1) + "," + more + "}";
        return new FormatNote("otio", joined);
    }

    private void add(OtioItem item, long zero, OtioItem before, OtioItem after) {
        Rational length = countableLength(item);
        if (length == null) {
            remarks.add(Countable.leftOut(item.place));
            return;
        }
        Rational begins = at;
        at = at.plus(length);
        long in = begins.round();
        long out = at.round();
        between += begins.isWhole() ? 0 : 1;
        if (item.is("Gap")) {
            markersOf(item, begins, item.sourceRange == null ? Rational.ZERO : item.sourceRange.start().at(rate),
                    Rational.ONE, zero, length);
            return;
        }
        if (out <= in) {
            remarks.add(Remark.loss(item.place, "It has no frames at the cut's rate; left out"));
            return;
        }
        FrameRange own = FrameRange.of(in + zero, out + zero);
        FrameRange seen = FrameRange.of(own.in() - offset(before, true), own.out() + offset(after, false));
        events.add(Countable.event(item.name, item.enabled, seen, remarks, item.place, () -> {
            Event event = event(item, own, begins, zero);
            markersOf(item, begins, startOf(item).at(rate), speedOf(item), zero, length);
            return seen.equals(own) ? event : event.over(seen);
        }));
    }

    private Rational countableLength(OtioItem item) {
        try {
            Rational length = lengthOf(item);
            return Countable.isCountable(length.floor()) ? length : null;
        } catch (ArithmeticException e) {
            return null;
        }
    }

    /** How far a neighbouring transition reaches past the cut. */
    private long offset(OtioItem neighbour, boolean head) {
        if (neighbour == null || !neighbour.is("Transition")) {
            return 0;
        }
        OtioTime reach = head ? neighbour.inOffset : neighbour.outOffset;
        return reach == null ? 0 : Math.max(0, reach.at(rate).round());
    }

    private void addTransition(OtioItem item, long zero) {
        long cut = at.round() + zero;
        long in = cut - offset(item, true);
        long out = cut + offset(item, false);
        if (out <= in) {
            remarks.add(Remark.note(item.place, "The transition has no frames; read as a cut"));
            return;
        }
        String type = item.transitionType.toLowerCase(Locale.ROOT);
        boolean wipe = type.contains("wipe");
        if (!wipe && !type.contains("dissolve") && !type.isEmpty()) {
            remarks.add(Remark.doubt(item.place, "The transition \"" + item.transitionType
                    + "\" is read as a dissolve"));
        }
        if (item.kept != null) {
            remarks.add(Remark.note(item.place, "What the file adds to a transition is not kept"));
        }
        String digits = type.replaceAll("\\D", "");
        String number = wipe ? digits.length() == 3 ? digits : "001" : null;
        transitions.add(new Transition(wipe ? Transition.Kind.WIPE : Transition.Kind.DISSOLVE,
                FrameRange.of(in, out), cut, number));
    }

    private Event event(OtioItem item, FrameRange own, Rational begins, long zero) {
        FormatNote kept = item.kept == null ? null : new FormatNote("otio", item.kept);
        if (!item.is("Clip")) {
            OtioItem stack = item.is("Timeline") ? item.tracks : item;
            Cut cut = assembler.cutOf(plainStack(stack), item.name, rate, 0, kept, depth + 1);
            OtioTime start = startOf(item);
            Source source = Source.named(item.name, null, rate);
            return new Event(null, Event.Kind.NESTED, item.name, item.enabled, own, source,
                    map(item, own, start.at(rate), rate, begins, zero), cut, List.of(), kept);
        }
        OtioTime start = startOf(item);
        OtioItem.Media media = item.media;
        OtioTime.Range available = media == null ? null : media.available();
        boolean generator = media != null && media.schema().equals("GeneratorReference");
        // what is made by the edit program has no frames of its own: it is counted as the cut is
        FrameRate own2 = generator ? rate : available != null ? available.start().rate() : start.rate();
        TimeMap time = map(item, own, start.at(own2), own2, begins, zero);
        String name = !item.name.isEmpty() ? item.name : media == null ? "" : media.name();
        if (generator) {
            return new Event(null, Event.Kind.GENERATOR, name.isEmpty() ? media.generator() : name, item.enabled, own,
                    null, time, null, item.comments, kept).saying(media.words());
        }
        String file = media == null ? null : media.file();
        Source source = new Source(name, item.reel, file, own2,
                available == null ? null : (Long) available.start().at(own2).floor(),
                available == null ? null : (Long) available.duration().at(own2).round());
        boolean nothing = name.isEmpty() && file == null;
        return new Event(null, nothing ? Event.Kind.MISSING : Event.Kind.CLIP, name, item.enabled, own,
                nothing && available == null ? null : source, time, null, item.comments, kept);
    }

    /** A nested stack's own source range says which part is seen, which the event's time map says already. */
    private static OtioItem plainStack(OtioItem stack) {
        if (stack == null || stack.sourceRange == null || !stack.is("Stack") && !stack.is("Track")) {
            return stack;
        }
        OtioItem whole = new OtioItem();
        whole.schema = stack.schema;
        whole.place = stack.place;
        whole.name = stack.name;
        whole.enabled = stack.enabled;
        whole.trackKind = stack.trackKind;
        whole.children = stack.children;
        whole.markers.addAll(stack.markers);
        whole.kept = stack.kept;
        return whole;
    }

    /**
     * Source position at each record frame. Where the item begins between two frames, the first frame shows what is
     * seen at its own time.
     */
    private TimeMap map(OtioItem item, FrameRange own, Rational start, FrameRate sourceRate, Rational begins, long zero) {
        Rational perFrame = rate.framesOf(sourceRate);
        if (item.frozen || item.warp != null && item.warp.isZero()) {
            return TimeMap.constant(own, start, Rational.ZERO);
        }
        Rational speed = speedOf(item);
        Rational late = Rational.of(own.in() - zero).minus(begins);
        if (speed.signum() > 0) {
            return TimeMap.constant(own, start.plus(late.times(perFrame).times(speed)), perFrame.times(speed));
        }
        // backwards through the frames that the item spans: its last first
        Rational span = lengthOf(item).times(perFrame).times(speed.abs());
        Rational from = start.plus(span).minus(Rational.ONE).plus(late.times(perFrame).times(speed));
        return TimeMap.constant(own, from, perFrame.times(speed));
    }

    private static Rational speedOf(OtioItem item) {
        return item.frozen ? Rational.ZERO : item.warp == null ? Rational.ONE : item.warp;
    }

    private OtioTime startOf(OtioItem item) {
        if (item.sourceRange != null) {
            return item.sourceRange.start();
        }
        if (item.media != null && item.media.available() != null) {
            return item.media.available().start();
        }
        return new OtioTime(Rational.ZERO, rate);
    }

    /** In record frames: the range shown, else all there is. */
    private Rational lengthOf(OtioItem item) {
        if (item.sourceRange != null) {
            return Rational.max(Rational.ZERO, item.sourceRange.duration().at(rate));
        }
        if (item.media != null && item.media.available() != null) {
            return Rational.max(Rational.ZERO, item.media.available().duration().at(rate));
        }
        Rational length = Rational.ZERO;
        OtioItem holder = item.is("Timeline") ? item.tracks : item;
        for (OtioItem child : holder == null ? List.<OtioItem>of() : holder.children) {
            Rational own = child.takesTime() ? lengthOf(child) : Rational.ZERO;
            length = holder.is("Track") ? length.plus(own) : Rational.max(length, own);
        }
        return length;
    }

    private void markersOf(OtioItem item, Rational begins, Rational start, Rational speed, long zero, Rational length) {
        for (OtioItem.OtioMarker mark : item.markers) {
            Rational off = mark.range().start().at(rate).minus(start);
            Rational along = speed.isZero() ? Rational.ZERO
                    : speed.signum() < 0 ? length.plus(off.dividedBy(speed)).minus(Rational.ONE) : off.dividedBy(speed);
            if (along.signum() < 0 || along.compareTo(length) >= 0) {
                remarks.add(Remark.note(item.place, "The marker \"" + mark.name()
                        + "\" stands on a frame of its clip that is not in the cut; left out"));
                continue;
            }
            markers.add(OtioAssembler.marker(mark, begins.plus(along).floor() + zero, rate));
        }
    }

    /** What of a track lies in a record range. */
    static Track trimmed(Track track, FrameRange range) {
        List<Event> events = new ArrayList<>();
        for (Event event : track.events()) {
            FrameRange seen = event.record().withIn(Math.max(event.record().in(), range.in()));
            seen = FrameRange.of(Math.min(seen.in(), range.out()), Math.min(seen.out(), range.out()));
            if (!seen.isEmpty()) {
                events.add(seen.equals(event.record()) ? event : event.over(seen));
            }
        }
        List<Transition> transitions = track.transitions().stream()
                .filter(t -> t.record().in() >= range.in() && t.record().out() <= range.out()).toList();
        return new Track(track.kind(), track.name(), track.enabled(), events, transitions, track.kept());
    }
}
