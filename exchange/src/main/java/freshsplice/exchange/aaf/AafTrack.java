package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.format.Countable;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Lays out one segment as events on the record clock. */
final class AafTrack {
    private final AafAssembler assembler;
    private final AafFile file;
    private final AafClock clock;
    private final Track.Kind kind;
    private final String place;
    /** Scopes that are open, the innermost first. */
    private final List<AafScope> scopes;
    private final List<Remark> remarks;
    private final List<Event> events = new ArrayList<>();
    private final List<Transition> transitions = new ArrayList<>();
    private boolean enabled = true;

    /** @param place where the segment is, for remarks */
    AafTrack(AafAssembler assembler, AafClock clock, Track.Kind kind, String place, List<AafScope> scopes) {
        this.assembler = assembler;
        this.file = assembler.file;
        this.clock = clock;
        this.kind = kind;
        this.place = place;
        this.scopes = scopes;
        this.remarks = assembler.remarks;
    }

    Track track(AafObject segment, String name) {
        add(segment, Rational.ZERO);
        return new Track(kind, name, true, events, transitions);
    }

    /** All of one slot of a master mob, as one event. */
    Track whole(AafObject master, AafObject slot, Rational length, String name) {
        assembler.count();
        String id = master.mobId(AafPid.MOB_ID);
        FrameRange record = clock.record(Rational.ZERO, length);
        AafChain chain = record.isEmpty() ? null : assembler.chains.of(id, slot.number(AafPid.SLOT_ID, 0));
        if (chain != null) {
            events.add(AafClip.ofChain(chain, record, clock.map(record, null, chain.base(), length, chain.perUnit()),
                    assembler.commentsOf(master)));
        }
        return new Track(kind, name, true, events, transitions);
    }

    private String placeOf(Rational at) {
        return place + ", record frame " + clock.frame(at);
    }

    /** Adds a segment that begins at a unit of the slot. @return its length in units */
    private Rational add(AafObject segment, Rational at) {
        assembler.enter(place);
        Rational length = Rational.of(Math.max(0, segment.number(AafPid.LENGTH, 0)));
        if (!Countable.isCountable(length.num())) {
            remarks.add(Countable.leftOut(placeOf(at)));
            assembler.leave();
            return Rational.ZERO;
        }
        switch (segment.type) {
            case SEQUENCE -> length = addSequence(segment, at);
            case SOURCE_CLIP -> addClip(segment, segment, at, length, null);
            case OPERATION_GROUP -> addOperation(segment, at, length);
            case SELECTOR -> addSelector(segment, at);
            case ESSENCE_GROUP -> addFirst(segment.objects(AafPid.CHOICES), at, "choices of media");
            case NESTED_SCOPE -> addLayers("", segment.objects(AafPid.SCOPE_SLOTS), at, length);
            case SCOPE_REFERENCE -> addReference(segment, at, length);
            case PULLDOWN -> {
                AafObject input = segment.object(AafPid.PULLDOWN_INPUT);
                remarks.add(Remark.doubt(placeOf(at), "A pulldown is looked through, frame for frame"));
                if (input != null) {
                    add(input, at);
                }
            }
            case FILLER, TIMECODE, EDGE_CODE -> {
                // black, or no picture at all
            }
            default -> remarks.add(Remark.loss(placeOf(at), "A segment of a kind that is not known here ("
                    + segment.folder.classId() + ") is left out"));
        }
        assembler.leave();
        return length;
    }

    /** A transition lies over the end of what is before it and the beginning of what is after it. */
    private Rational addSequence(AafObject sequence, Rational start) {
        Rational at = start;
        for (AafObject component : sequence.objects(AafPid.COMPONENTS)) {
            if (component.type == AafClass.TRANSITION) {
                Rational length = Rational.of(Math.max(0, component.number(AafPid.LENGTH, 0)));
                at = at.minus(length);
                addTransition(component, at, length);
            } else {
                at = at.plus(add(component, at));
            }
        }
        return at.minus(start);
    }

    private void addTransition(AafObject transition, Rational at, Rational length) {
        FrameRange record = clock.record(at, length);
        if (record.isEmpty()) {
            return;
        }
        AafObject group = transition.object(AafPid.TRANSITION_GROUP);
        String id = group == null ? null : group.definition(AafPid.OPERATION);
        String name = group == null ? "" : file.operationName(group).toLowerCase(Locale.ROOT);
        boolean wipe = AafIds.WIPE.equals(id) || name.contains("wipe");
        boolean known = wipe || AafIds.DISSOLVE.equals(id) || name.contains("dissolve") || name.contains("fade")
                || kind != Track.Kind.PICTURE || group == null;
        if (!known) {
            remarks.add(Remark.doubt(placeOf(at), "The transition \"" + file.operationName(group)
                    + "\" is read as a dissolve"));
        }
        Rational point = transition.has(AafPid.CUT_POINT) ? Rational.of(transition.number(AafPid.CUT_POINT, 0))
                : Rational.of(length.num() / 2);
        long cut = Math.max(record.in(), Math.min(record.out(), clock.frame(at.plus(point))));
        transitions.add(new Transition(wipe ? Transition.Kind.WIPE : Transition.Kind.DISSOLVE, record, cut,
                wipe ? "001" : null));
    }

    private void addOperation(AafObject group, Rational at, Rational length) {
        List<AafObject> inputs = group.objects(AafPid.INPUT_SEGMENTS);
        AafEffect effect = kind == Track.Kind.PICTURE ? AafEffect.of(inputs, remarks, placeOf(at)) : new AafEffect(inputs, false);
        String name = file.operationName(group);
        if (effect.inputs().isEmpty()) {
            if (effect.over()) {
                remarks.add(Remark.loss(placeOf(at), "The effect \"" + name
                        + "\" lies over nothing but the track below and is left out"));
            } else {
                addGenerator(name, clock.record(at, length));
            }
            return;
        }
        AafSpeed speed = effect.inputs().size() == 1
                ? AafSpeed.of(group, effect.inputs().get(0), file, remarks, placeOf(at)) : null;
        if (speed != null) {
            addSpeed(group, speed, at, length);
            return;
        }
        if (kind != Track.Kind.PICTURE) {
            remarks.add(Remark.note(placeOf(at), "The effect \"" + name + "\" is not heard"));
            add(inputs.get(0), at);
            return;
        }
        remarks.add(Remark.loss(placeOf(at), effect.inputs().size() == 1 ? "The effect \"" + name + "\" is looked through"
                : "The effect \"" + name + "\" is read as a nested cut of its " + effect.inputs().size() + " pictures"));
        addLayers(name, inputs.stream().map(i -> effect.inputs().contains(i) ? i : null).toList(), at, length);
    }

    private void addGenerator(String name, FrameRange record) {
        if (!record.isEmpty()) {
            assembler.count();
            events.add(new Event(null, Event.Kind.GENERATOR, name, enabled, record, null,
                    TimeMap.constant(record, Rational.ZERO, Rational.ONE), null, List.of()));
        }
    }

    /**
     * Pictures over each other: one that shows something is itself, several are a nested cut with a track each.
     *
     * @param layers the lowest first; null where one is not seen
     */
    private void addLayers(String name, List<AafObject> layers, Rational at, Rational length) {
        List<Integer> seen = new ArrayList<>();
        for (int i = 0; i < layers.size(); i++) {
            if (layers.get(i) != null && !AafSegments.isSeeThrough(layers.get(i))) {
                seen.add(i);
            }
        }
        FrameRange record = clock.record(at, length);
        if (seen.size() == 1) {
            int index = seen.get(0);
            addWithin(record, layers.get(index), at, AafScope.into(scopes, new AafScope(layers, index, at), Rational.ZERO));
        } else if (!seen.isEmpty() && !record.isEmpty()) {
            assembler.count();
            List<Track> tracks = new ArrayList<>();
            for (int index : seen) {
                tracks.addAll(new AafTracks(assembler, clock.inner(), kind, placeOf(at)).of(layers.get(index),
                        AafScope.into(scopes, new AafScope(layers, index, at), at), tracks.size(), null));
            }
            Cut cut = new Cut(name, clock.cutRate(), false, FrameRange.of(0, record.length()), tracks, List.of());
            addNested(name, record, TimeMap.constant(record, Rational.ZERO, Rational.ONE), cut);
        }
    }

    private void addNested(String name, FrameRange record, TimeMap time, Cut cut) {
        Event nested = AafClip.nested(name, record, time, cut);
        events.add(enabled ? nested : nested.switchedOff());
    }

    /** Adds what a segment shows in a range and nothing that it has beyond it. */
    private void addWithin(FrameRange window, AafObject segment, Rational at, List<AafScope> around) {
        AafTrack inner = new AafTrack(assembler, clock, kind, place, around);
        inner.enabled = enabled;
        inner.add(segment, at);
        for (Event event : inner.events) {
            long in = Math.max(event.record().in(), window.in());
            long end = Math.min(event.record().out(), window.out());
            if (end > in) {
                events.add(event.over(FrameRange.of(in, end)));
            }
        }
        inner.transitions.stream().filter(t -> t.record().in() >= window.in() && t.record().out() <= window.out())
                .forEach(transitions::add);
    }

    private void addSpeed(AafObject group, AafSpeed speed, Rational at, Rational length) {
        AafObject input = AafSegments.alone(speed.input());
        if (input.type == AafClass.SOURCE_CLIP) {
            addClip(input, group, at, length, speed);
            return;
        }
        // several clips under one change of speed: a cut of their own, played through at that speed
        FrameRange record = clock.record(at, length);
        if (record.isEmpty()) {
            return;
        }
        List<Track> tracks = new AafTracks(assembler, clock.inner(), kind, place).of(input,
                AafScope.into(scopes, null, at), 0, null);
        long end = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().out()).max().orElse(0);
        Cut cut = new Cut("", clock.cutRate(), false, FrameRange.of(0, end), tracks, List.of());
        // the nested cut counts record frames, whatever the slot counts
        Rational perUnit = clock.rate().framesOf(clock.cutRate());
        addNested("", record, clock.map(record, speed, Rational.ZERO, Rational.of(end).dividedBy(perUnit), perUnit), cut);
    }

    /** A clip that is switched off is the alternative of a selector that selects black or the track below. */
    private void addSelector(AafObject selector, Rational at) {
        AafObject selected = selector.object(AafPid.SELECTED);
        List<AafObject> others = selector.objects(AafPid.ALTERNATES);
        boolean off = !others.isEmpty() && AafSegments.isSeeThrough(selected);
        int unread = off ? others.size() - 1 : others.size();
        if (unread > 0) {
            remarks.add(Remark.note(placeOf(at), unread + (unread == 1 ? " alternative" : " alternatives")
                    + " to what is selected " + (unread == 1 ? "is" : "are") + " not carried"));
        }
        if (off) {
            boolean before = enabled;
            enabled = false;
            add(others.get(0), at);
            enabled = before;
        } else if (selected != null) {
            add(selected, at);
        }
    }

    private void addFirst(List<AafObject> choices, Rational at, String what) {
        if (choices.size() > 1) {
            remarks.add(Remark.note(placeOf(at), "Of " + choices.size() + " " + what + " the first is taken"));
        }
        if (!choices.isEmpty()) {
            add(choices.get(0), at);
        }
    }

    /** The slot just before is seen through this one anyway; one further down hides what lies between. */
    private void addReference(AafObject reference, Rational at, Rational length) {
        long back = reference.number(AafPid.RELATIVE_SLOT, 0);
        long out = reference.number(AafPid.RELATIVE_SCOPE, 0);
        if (back == 1) {
            return;
        }
        AafScope scope = out < 0 || out >= scopes.size() ? null : scopes.get((int) out);
        AafScope there = scope == null || back < 1 ? null : scope.before(back);
        if (there == null) {
            remarks.add(Remark.loss(placeOf(at), "A reference to a slot that is not there; what is below is seen"));
            return;
        }
        addWithin(clock.record(at, length), there.slot(), there.at(),
                AafScope.into(scopes.subList((int) out + 1, scopes.size()), there, Rational.ZERO));
    }

    /** @param holder the clip, or the group that changes its speed: what carries its length and comments */
    private void addClip(AafObject clip, AafObject holder, Rational at, Rational length, AafSpeed speed) {
        FrameRange record = clock.record(at, length);
        if (record.isEmpty()) {
            if (!length.isZero() || clip == holder) {
                remarks.add(Remark.note(placeOf(at), "A clip without a frame is left out"));
            }
            return;
        }
        assembler.count();
        if (clip.number(AafPid.FADE_IN, 0) > 0 || clip.number(AafPid.FADE_OUT, 0) > 0) {
            remarks.add(Remark.note(placeOf(at), "A fade of the sound is not carried"));
        }
        events.add(clipOf(clip, holder, record, speed, placeOf(at)));
    }

    private Event clipOf(AafObject clip, AafObject holder, FrameRange record, AafSpeed speed, String where) {
        try {
            Event shown = new AafClip(assembler, clock, clip, record, speed, where).event(holder);
            return enabled ? shown : shown.switchedOff();
        } catch (ArithmeticException e) {
            return Countable.slate("", enabled, record, remarks, where);
        }
    }
}
