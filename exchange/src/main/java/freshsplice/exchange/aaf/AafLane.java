package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;

/** Lays out the segment of one slot as events on the record clock. */
final class AafLane {
    private static final int MAX_DEPTH = 100;

    private final AafAssembler assembler;
    private final AafFile file;
    private final FrameRate cutRate;
    private final FrameRate rate;
    private final long zero;
    private final boolean picture;
    private final String place;
    private final List<Remark> remarks;
    private final List<Event> events = new ArrayList<>();
    private final List<Transition> transitions = new ArrayList<>();
    /** Scopes that are open, the innermost first: their slots, and the index of the one that is being read. */
    private final Deque<Scope> scopes = new ArrayDeque<>();
    private boolean enabled = true;
    private int depth;

    /** @param at where the scope begins, in units of the slot */
    private record Scope(List<AafObject> slots, int index, Rational at) {
    }

    /**
     * @param rate  the slot's own rate
     * @param zero  record frame of the segment's first unit
     * @param place where the slot is, for remarks
     */
    AafLane(AafAssembler assembler, FrameRate cutRate, FrameRate rate, long zero, boolean picture, String place) {
        this.assembler = assembler;
        this.file = assembler.file;
        this.cutRate = cutRate;
        this.rate = rate;
        this.zero = zero;
        this.picture = picture;
        this.place = place;
        this.remarks = assembler.remarks;
    }

    Lane lane(AafObject segment, String name) {
        add(segment, Rational.ZERO);
        return new Lane(picture ? Lane.Kind.PICTURE : Lane.Kind.SOUND, name, true, events, transitions);
    }

    /** Record frame of a unit of the slot. */
    private long frame(Rational unit) {
        return zero + (rate.equals(cutRate) ? unit : unit.times(rate.framesOf(cutRate))).round();
    }

    private String placeOf(Rational at) {
        return place + ", record frame " + frame(at);
    }

    /** Adds a segment that begins at a unit of the slot. @return its length in units */
    private Rational add(AafObject segment, Rational at) {
        if (++depth > MAX_DEPTH) {
            throw new AafDamage("segments inside segments, more than " + MAX_DEPTH + " levels deep, at " + placeOf(at));
        }
        Rational length = Rational.of(Math.max(0, segment.number(AafPid.LENGTH, 0)));
        switch (segment.type) {
            case SEQUENCE -> length = addSequence(segment, at);
            case SOURCE_CLIP -> addClip(segment, segment, at, length, null);
            case OPERATION_GROUP -> addOperation(segment, at, length);
            case SELECTOR -> addSelector(segment, at, length);
            case ESSENCE_GROUP -> addFirst(segment.objects(AafPid.CHOICES), at, "choices of media");
            case NESTED_SCOPE -> addScope(segment, at);
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
        depth--;
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
        FrameRange record = FrameRange.of(frame(at), frame(at.plus(length)));
        if (record.isEmpty()) {
            return;
        }
        AafObject group = transition.object(AafPid.TRANSITION_GROUP);
        String id = group == null ? null : group.definition(AafPid.OPERATION);
        String name = group == null ? "" : file.operationName(group).toLowerCase(Locale.ROOT);
        boolean wipe = AafIds.WIPE.equals(id) || name.contains("wipe");
        boolean known = wipe || AafIds.DISSOLVE.equals(id) || name.contains("dissolve") || name.contains("fade")
                || !picture || group == null;
        if (!known) {
            remarks.add(Remark.doubt(placeOf(at), "The transition \"" + file.operationName(group)
                    + "\" is read as a dissolve"));
        }
        Rational point = transition.has(AafPid.CUT_POINT) ? Rational.of(transition.number(AafPid.CUT_POINT, 0))
                : Rational.of(length.num() / 2);
        long cut = Math.max(record.in(), Math.min(record.out(), frame(at.plus(point))));
        transitions.add(new Transition(wipe ? Transition.Kind.WIPE : Transition.Kind.DISSOLVE, record, cut,
                wipe ? "001" : null));
    }

    private void addOperation(AafObject group, Rational at, Rational length) {
        AafSpeed speed = AafSpeed.of(group, file, remarks, placeOf(at));
        if (speed != null) {
            addSpeed(group, speed, at, length);
            return;
        }
        List<AafObject> inputs = group.objects(AafPid.INPUT_SEGMENTS);
        String name = file.operationName(group);
        if (inputs.isEmpty()) {
            FrameRange record = FrameRange.of(frame(at), frame(at.plus(length)));
            if (!record.isEmpty()) {
                events.add(new Event(null, Event.Kind.GENERATOR, name, enabled, record, null,
                        TimeMap.constant(record, Rational.ZERO, Rational.ONE), null, List.of()));
            }
            return;
        }
        remarks.add(picture ? Remark.loss(placeOf(at), "The effect \"" + name + "\" is looked through to its first input")
                : Remark.note(placeOf(at), "The effect \"" + name + "\" is not heard"));
        add(inputs.get(0), at);
    }

    private void addSpeed(AafObject group, AafSpeed speed, Rational at, Rational length) {
        AafObject input = speed.input();
        while (input.type == AafClass.SEQUENCE && input.objects(AafPid.COMPONENTS).size() == 1) {
            input = input.objects(AafPid.COMPONENTS).get(0);
        }
        if (input.type == AafClass.SOURCE_CLIP) {
            addClip(input, group, at, length, speed);
            return;
        }
        // several pieces under one change of speed: a cut of their own, played through at that speed
        FrameRange record = FrameRange.of(frame(at), frame(at.plus(length)));
        if (record.isEmpty()) {
            return;
        }
        AafLane inner = new AafLane(assembler, cutRate, rate, 0, picture, place);
        Lane lane = inner.lane(input, picture ? "V1" : "A1");
        long end = lane.events().stream().mapToLong(e -> e.record().out()).max().orElse(0);
        Cut cut = new Cut("", cutRate, false, FrameRange.of(0, end), List.of(lane), List.of());
        TimeMap time = map(record, speed, Rational.ZERO, Rational.of(end), Rational.ONE);
        events.add(new Event(null, Event.Kind.NESTED, "", enabled, record, Source.named("", null, cutRate), time, cut,
                List.of()));
    }

    /** Muted pieces are the alternates of a selector that selects black. */
    private void addSelector(AafObject selector, Rational at, Rational length) {
        AafObject selected = selector.object(AafPid.SELECTED);
        List<AafObject> others = selector.objects(AafPid.ALTERNATES);
        boolean muted = selected != null && selected.type == AafClass.FILLER && !others.isEmpty();
        if (muted) {
            boolean before = enabled;
            enabled = false;
            add(others.get(0), at);
            enabled = before;
            return;
        }
        if (!others.isEmpty()) {
            remarks.add(Remark.note(placeOf(at), others.size() + " alternatives to what is selected are not carried"));
        }
        if (selected != null) {
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

    /** What a scope shows is its last slot. */
    private void addScope(AafObject scope, Rational at) {
        List<AafObject> slots = scope.objects(AafPid.SCOPE_SLOTS);
        if (!slots.isEmpty()) {
            scopes.push(new Scope(slots, slots.size() - 1, at));
            add(slots.get(slots.size() - 1), at);
            scopes.pop();
        }
    }

    /** The same frames of an earlier slot of a scope. Outside all scopes it means the lane below, which is seen anyway. */
    private void addReference(AafObject reference, Rational at, Rational length) {
        long out = reference.number(AafPid.RELATIVE_SCOPE, 0);
        long back = reference.number(AafPid.RELATIVE_SLOT, 0);
        if (out < 0 || out >= scopes.size()) {
            return;
        }
        Deque<Scope> closed = new ArrayDeque<>();
        for (long i = 0; i < out; i++) {
            closed.push(scopes.pop());
        }
        Scope scope = scopes.pop();
        long index = scope.index - back;
        if (back > 0 && index >= 0) {
            scopes.push(new Scope(scope.slots, (int) index, scope.at));
            AafLane inner = new AafLane(assembler, cutRate, rate, zero, picture, place);
            inner.depth = depth;
            inner.enabled = enabled;
            inner.scopes.addAll(scopes);
            inner.add(scope.slots.get((int) index), scope.at);
            crop(inner, FrameRange.of(frame(at), frame(at.plus(length))));
            scopes.pop();
        } else {
            remarks.add(Remark.loss(placeOf(at), "A reference to a slot that is not there; left black"));
        }
        scopes.push(scope);
        closed.forEach(scopes::push);
    }

    private void crop(AafLane inner, FrameRange window) {
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

    /** @param holder the clip, or the group that changes its speed: what carries its length and comments */
    private void addClip(AafObject clip, AafObject holder, Rational at, Rational length, AafSpeed speed)
            {
        FrameRange record = FrameRange.of(frame(at), frame(at.plus(length)));
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
        String mobId = clip.mobId(AafPid.SOURCE_ID);
        if (mobId == null || AafChains.isNone(mobId)) {
            return;
        }
        AafObject mob = file.mobs.get(mobId);
        Rational start = Rational.of(clip.number(AafPid.START_TIME, 0));
        Rational inputLength = Rational.of(clip.number(AafPid.LENGTH, 0));
        if (mob != null && mob.type == AafClass.COMPOSITION_MOB) {
            addComposition(clip, mob, record, start, inputLength, speed, at);
            return;
        }
        AafChain chain = mob == null ? null : assembler.chains.of(mobId, clip.number(AafPid.SOURCE_SLOT, 0));
        if (chain == null) {
            String name = mob == null ? "" : AafChains.nameOf(mob);
            TimeMap time = map(record, speed, start, inputLength, Rational.ONE);
            Source source = name.isEmpty() ? null : Source.named(name, null, rate);
            events.add(new Event(null, name.isEmpty() ? Event.Kind.MISSING : Event.Kind.CLIP, name, enabled, record,
                    source, time, null, List.of()));
            if (mob == null) {
                remarks.add(Remark.doubt(placeOf(at), "The mob that a clip shows is not in the file; a slate stands in"));
            }
            return;
        }
        FrameRate slotRate = assembler.chains.slotRate(mobId, mob, clip.number(AafPid.SOURCE_SLOT, 0));
        Rational perUnit = rate.framesOf(slotRate).times(chain.perUnit());
        TimeMap time = map(record, speed, chain.base().plus(start.times(perUnit)), inputLength, perUnit);
        Source source = new Source(chain.name(), chain.reel(), chain.file(), chain.rate(), chain.start(),
                chain.length());
        List<String> comments = new ArrayList<>(AafComments.of(holder));
        comments.addAll(assembler.commentsOf(mob));
        events.add(new Event(null, Event.Kind.CLIP, chain.name(), enabled, record, source, time, null, comments));
    }

    private void addComposition(AafObject clip, AafObject mob, FrameRange record, Rational start, Rational inputLength,
                                AafSpeed speed, Rational at) {
        Cut cut = assembler.nested(mob, clip.number(AafPid.SOURCE_SLOT, 0), cutRate, placeOf(at));
        String name = AafChains.nameOf(mob);
        if (cut == null) {
            events.add(new Event(null, Event.Kind.MISSING, name, enabled, record, null,
                    TimeMap.constant(record, Rational.ZERO, Rational.ONE), null, List.of()));
            return;
        }
        Rational perUnit = rate.framesOf(cut.rate());
        TimeMap time = map(record, speed, Rational.of(cut.record().in()).plus(start.times(perUnit)), inputLength, perUnit);
        events.add(new Event(null, Event.Kind.NESTED, name, enabled, record, Source.named(name, null, cut.rate()), time,
                cut, List.of()));
    }

    /**
     * @param from    source position of the input's first unit
     * @param perUnit source frames for each unit of the slot
     */
    private TimeMap map(FrameRange record, AafSpeed speed, Rational from, Rational inputLength, Rational perUnit) {
        Rational perFrame = cutRate.framesOf(rate).times(perUnit);
        if (speed == null) {
            return TimeMap.constant(record, from, perFrame);
        }
        if (speed.speed() == null) {
            return keyed(record, speed, from, perUnit);
        }
        if (speed.speed().signum() < 0) {
            Rational last = from.plus(inputLength.times(perUnit)).minus(Rational.ONE);
            return TimeMap.constant(record, last, perFrame.times(speed.speed()));
        }
        return TimeMap.constant(record, from, perFrame.times(speed.speed()));
    }

    private TimeMap keyed(FrameRange record, AafSpeed speed, Rational from, Rational perUnit) {
        List<TimeMap.Key> keys = new ArrayList<>();
        for (Rational[] point : speed.keys()) {
            long at = record.in() + point[0].times(rate.framesOf(cutRate)).round();
            if (keys.isEmpty() || at > keys.get(keys.size() - 1).record()) {
                keys.add(new TimeMap.Key(at, from.plus(point[1].times(perUnit))));
            }
        }
        return keys.size() < 2 ? TimeMap.constant(record, from, cutRate.framesOf(rate).times(perUnit))
                : new TimeMap(keys, false).over(record);
    }
}
