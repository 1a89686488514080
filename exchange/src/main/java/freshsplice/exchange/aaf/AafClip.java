package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;

/** What one source clip shows: a file or a tape behind a chain of mobs, another composition, or nothing that is known. */
final class AafClip {
    private final AafAssembler assembler;
    private final AafClock clock;
    private final AafObject clip;
    private final FrameRange record;
    private final AafSpeed speed;
    private final String where;
    private final Rational start;
    private final Rational inputLength;

    /**
     * @param record where the cut shows it
     * @param speed  null where it runs as it is
     * @param where  it is, for remarks
     */
    AafClip(AafAssembler assembler, AafClock clock, AafObject clip, FrameRange record, AafSpeed speed, String where) {
        this.assembler = assembler;
        this.clock = clock;
        this.clip = clip;
        this.record = record;
        this.speed = speed;
        this.where = where;
        this.start = Rational.of(clip.number(AafPid.START_TIME, 0));
        this.inputLength = Rational.of(clip.number(AafPid.LENGTH, 0));
    }

    /** A cut that is shown as a clip. */
    static Event nested(String name, FrameRange record, TimeMap time, Cut cut) {
        return new Event(null, Event.Kind.NESTED, name, true, record, Source.named(name, null, cut.rate()), time, cut, List.of());
    }

    /** The file or tape at the end of a chain of mobs. */
    static Event ofChain(AafChain chain, FrameRange record, TimeMap time, List<String> comments) {
        Source source = new Source(chain.name(), chain.reel(), chain.file(), chain.rate(), chain.start(), chain.length());
        return new Event(null, Event.Kind.CLIP, chain.name(), true, record, source, time, null, comments);
    }

    /**
     * @param holder what carries its comments: the clip, or the group that changes its speed
     * @throws ArithmeticException where a position in it cannot be counted
     */
    Event event(AafObject holder) {
        String mobId = clip.mobId(AafPid.SOURCE_ID);
        AafObject mob = mobId == null ? null : assembler.file.mobs.get(mobId);
        if (mob != null && mob.type == AafClass.COMPOSITION_MOB) {
            return ofComposition(mob);
        }
        long slot = clip.number(AafPid.SOURCE_SLOT, 0);
        AafChain chain = mob == null ? null : assembler.chains.of(mobId, slot);
        if (chain == null) {
            return ofNothingKnown(mob, mobId);
        }
        FrameRate slotRate = assembler.chains.slotRate(mobId, mob, slot);
        Rational perUnit = clock.rate().framesOf(slotRate).times(chain.perUnit());
        TimeMap time = clock.map(record, speed, chain.base().plus(start.times(perUnit)), inputLength, perUnit);
        List<String> comments = new ArrayList<>(AafComments.of(holder));
        comments.addAll(assembler.commentsOf(mob));
        return ofChain(chain, record, time, comments);
    }

    /** A clip of which the file says no source, or one that is not in it. */
    private Event ofNothingKnown(AafObject mob, String mobId) {
        TimeMap time = clock.map(record, speed, start, inputLength, Rational.ONE);
        String name = mob == null ? "" : AafChains.nameOf(mob);
        if (mobId == null || AafChains.isNone(mobId)) {
            assembler.remarks.add(Remark.doubt(where, "A clip does not say what it shows; a slate stands in"));
        } else if (mob == null) {
            assembler.remarks.add(Remark.doubt(where, "The mob that a clip shows is not in the file; a slate stands in"));
        }
        Source source = name.isEmpty() ? null : Source.named(name, null, clock.rate());
        return new Event(null, name.isEmpty() ? Event.Kind.MISSING : Event.Kind.CLIP, name, true, record, source,
                time, null, List.of());
    }

    private Event ofComposition(AafObject mob) {
        Cut cut = assembler.nested(mob, clip.number(AafPid.SOURCE_SLOT, 0), clock.cutRate(), where);
        String name = AafChains.nameOf(mob);
        if (cut == null) {
            return new Event(null, Event.Kind.MISSING, name, true, record, null,
                    TimeMap.constant(record, Rational.ZERO, Rational.ONE), null, List.of());
        }
        Rational perUnit = clock.rate().framesOf(cut.rate());
        return nested(name, record, clock.map(record, speed, Rational.of(cut.record().in()).plus(start.times(perUnit)), inputLength,
                perUnit), cut);
    }
}
