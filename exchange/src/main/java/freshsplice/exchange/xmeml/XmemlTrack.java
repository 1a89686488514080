package freshsplice.exchange.xmeml;

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
import java.util.stream.Stream;

/** Lays out one track: edges that belong to transitions, sources, speeds. */
final class XmemlTrack {
    private final XmemlAssembler assembler;
    private final XmemlSequence sequence;
    private final FrameRate rate;
    private final List<Remark> remarks;
    private final List<Marker> markers;

    XmemlTrack(XmemlAssembler assembler, XmemlSequence sequence, FrameRate rate, List<Remark> remarks,
              List<Marker> markers) {
        this.assembler = assembler;
        this.sequence = sequence;
        this.rate = rate;
        this.remarks = remarks;
        this.markers = markers;
    }

    Track track(XmemlSequence.Track track, String name) {
        List<XmemlItem> items = track.items;
        List<Event> events = new ArrayList<>();
        List<Transition> transitions = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            XmemlItem item = items.get(i);
            if (item.isTransition()) {
                addTransition(item, transitions);
            } else {
                addEvent(item, i == 0 ? null : items.get(i - 1), i + 1 == items.size() ? null : items.get(i + 1),
                        events);
            }
        }
        return new Track(track.picture ? Track.Kind.PICTURE : Track.Kind.SOUND, name, track.enabled, events, transitions);
    }

    private void addTransition(XmemlItem item, List<Transition> transitions) {
        if (!hasRange(item)) {
            remarks.add(Remark.loss(item.place(), "The transition does not say where it is; read as a cut"));
            return;
        }
        FrameRange record = FrameRange.of(sequence.start + item.start(), sequence.start + item.end());
        String what = (item.category() + " " + item.effect()).toLowerCase(Locale.ROOT);
        boolean wipe = what.contains("wipe");
        if (!wipe && !what.contains("dissolve") && !what.contains("fade")) {
            remarks.add(Remark.doubt(item.place(), "The transition \"" + item.effect() + "\" is read as a dissolve"));
        }
        Transition.Kind kind = wipe ? Transition.Kind.WIPE : Transition.Kind.DISSOLVE;
        Transition centred = Transition.centred(kind, record, wipe ? "001" : null);
        String alignment = item.alignment().toLowerCase(Locale.ROOT);
        long cut = alignment.startsWith("start") ? record.in() : alignment.startsWith("end") ? record.out()
                : centred.cut();
        transitions.add(new Transition(kind, record, cut, centred.wipe()));
    }

    private static boolean hasRange(XmemlItem transition) {
        return transition.start() != null && transition.end() != null && transition.start() >= 0
                && transition.end() > transition.start();
    }

    private void addEvent(XmemlItem item, XmemlItem before, XmemlItem after, List<Event> events) {
        boolean counted = Stream.of(item.start(), item.end(), item.in(), item.out())
                .allMatch(n -> n == null || Countable.isCountable(n));
        if (!counted) {
            remarks.add(Countable.leftOut(item.place()));
            return;
        }
        FrameRange told = range(item, before, after);
        if (told == null) {
            return;
        }
        FrameRange seen = withTransitions(told, before, after);
        addMarkers(item, told);
        events.add(Countable.event(item.name(), item.enabled(), seen, remarks, item.place(), () -> {
            Event event = event(item, told);
            return seen.equals(told) ? event : event.over(seen);
        }));
    }

    /** The record frames that the item says, an edge of −1 being the transition's. */
    private FrameRange range(XmemlItem item, XmemlItem before, XmemlItem after) {
        Long start = edge(item.start(), before, false);
        Long end = edge(item.end(), after, true);
        Long span = item.in() == null || item.out() == null ? null : item.out() - item.in();
        if (start == null && end != null && span != null || end == null && start != null && span != null) {
            remarks.add(Remark.doubt(item.place(), "One edge is left to a transition that is not there; its in and "
                    + "out say its length"));
            start = start == null ? (Long) (end - span) : start;
            end = end == null ? (Long) (start + span) : end;
        }
        if (start == null || end == null || end <= start) {
            remarks.add(Remark.loss(item.place(), start == null || end == null
                    ? "It does not say where it stands; left out" : "It has no frames; left out"));
            return null;
        }
        return FrameRange.of(Math.addExact(sequence.start, start), Math.addExact(sequence.start, end));
    }

    private static Long edge(Long told, XmemlItem neighbour, boolean atEnd) {
        if (told != null && told >= 0) {
            return told;
        }
        boolean transition = neighbour != null && neighbour.isTransition() && hasRange(neighbour);
        return transition ? atEnd ? neighbour.end() : neighbour.start() : null;
    }

    /** Where an edge is told as the cut inside a transition, the item is seen to the transition's end. */
    private FrameRange withTransitions(FrameRange told, XmemlItem before, XmemlItem after) {
        long in = told.in();
        long out = told.out();
        if (before != null && before.isTransition() && hasRange(before)) {
            long start = sequence.start + before.start();
            in = start < in && in <= sequence.start + before.end() ? start : in;
        }
        if (after != null && after.isTransition() && hasRange(after)) {
            long end = sequence.start + after.end();
            out = end > out && out >= sequence.start + after.start() ? end : out;
        }
        return FrameRange.of(in, out);
    }

    private Event event(XmemlItem item, FrameRange record) {
        FormatNote kept = item.kept() == null ? null : new FormatNote("xmeml", item.kept());
        if (item.nested() != null) {
            Cut cut = assembler.nested(item);
            if (cut == null) {
                return XmemlAssembler.missing(item, record, TimeMap.constant(record, Rational.ZERO, Rational.ONE));
            }
            Source source = Source.named(item.name().isEmpty() ? cut.name() : item.name(), null, cut.rate());
            TimeMap time = map(item, record, cut.rate(), cut.record().in());
            return new Event(null, Event.Kind.NESTED, source.name(), item.enabled(), record, source, time, cut,
                    item.comments(), kept);
        }
        XmemlFile file = assembler.fileOf(item);
        if (file == null && item.fileId() != null) {
            remarks.add(Remark.doubt(item.place(), "Its file \"" + item.fileId()
                    + "\" is told nowhere; its name and its frames are taken as they are"));
        }
        FrameRate own = file != null && file.rate() != null ? file.rate() : item.rate() != null ? item.rate() : rate;
        boolean generator = item.isGenerator() || file != null && file.made() != null;
        // what is made by the edit program has no frames of its own: it is counted as the cut is
        TimeMap time = generator ? map(item, record, rate, 0) : map(item, record, own, file == null || file.start() == null ? 0 : file.start());
        if (generator) {
            String what = item.isGenerator() ? item.effect() : file.name().isEmpty() ? file.made() : file.name();
            String name = item.name().isEmpty() ? what : item.name();
            return new Event(null, Event.Kind.GENERATOR, name, item.enabled(), record, null, time, null,
                    item.comments(), kept).saying(item.words());
        }
        if (file == null && item.name().isEmpty()) {
            return XmemlAssembler.missing(item, record, time);
        }
        String name = item.name().isEmpty() ? file.name() : item.name();
        Source source = file == null ? Source.named(name, null, own)
                : new Source(name, file.reel(), file.path(), own, file.start(), file.length());
        return new Event(null, Event.Kind.CLIP, name, item.enabled(), record, source, time, null, item.comments(),
                kept, item.sourceTrack(), null);
    }

    private TimeMap map(XmemlItem item, FrameRange record, FrameRate source, long base) {
        FrameRate own = item.rate() == null ? rate : item.rate();
        return new XmemlSpeed(item, record, Rational.of(base), own.framesOf(source), rate.framesOf(own), remarks)
                .map();
    }

    private void addMarkers(XmemlItem item, FrameRange record) {
        FrameRate own = item.rate() == null ? rate : item.rate();
        long in = item.in() == null ? 0 : Math.max(0, item.in());
        for (XmlNode node : item.markers()) {
            Marker counted = XmemlMarkers.of(node, 0);
            if (counted == null) {
                continue;
            }
            Rational perFrame = own.framesOf(rate);
            long at = record.in() + perFrame.times(counted.record().in() - in).floor();
            long length = Math.max(1, perFrame.times(counted.record().length()).round());
            if (at < record.in() || at >= record.out()) {
                remarks.add(Remark.note("marker, line " + node.line, "The marker \"" + counted.name()
                        + "\" stands on a frame of its clip that is not in the cut; left out"));
                continue;
            }
            markers.add(new Marker(FrameRange.ofLength(at, length), counted.name(), counted.comment(),
                    counted.colour()));
        }
    }
}
