package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;

/**
 * A piece of a master.
 *
 * @param id      its id in the project; 0 while it is new
 * @param content what it shows
 * @param record  its frames on the master's clock, from cut to cut
 * @param from    position in the content at {@code record.in}: an exact shot frame, or a frame of a nested master
 * @param speed   content frames per record frame; negative backwards, zero holds; where the speed changes, the mean
 * @param bends   where its speed changes; empty for a constant one. With them {@code from} and {@code speed} follow
 * @param enabled switched off sections are kept and not seen
 * @param head    the transition into it from the section before, or from black; null for a plain cut
 * @param tail    the transition from it to black; null for a plain cut
 */
public record Section(long id, Content content, FrameRange record, Rational from, Rational speed, List<Bend> bends,
                      boolean enabled, Transition head, Transition tail) {
    /** What a section shows. */
    public sealed interface Content {
        /** @param shotId the shot */
        record OfShot(long shotId) implements Content {
        }

        /** @param masterId another master, nested; nesting has no loops */
        record OfMaster(long masterId) implements Content {
        }

        /** A finished movie of ours, counted from its first frame. @param renderId the render */
        record OfRender(long renderId) implements Content {
        }

        /** Black that is put there: it hides what lies on the lanes below, a gap does not. */
        record Black() implements Content {
        }

        /**
         * A board with words on it: for what is still to come, or a title, colour or bars of a cut.
         *
         * @param text the words
         * @param made the generator of a cut that it is; null for one that was made here
         */
        record Slate(String text, Generator made) implements Content {
            public Slate(String text) {
                this(text, null);
            }
        }
    }

    public Section {
        if (record.isEmpty()) {
            throw new Refusal("A piece of a master has at least one frame");
        }
        bends = List.copyOf(bends);
        if (!bends.isEmpty()) {
            from = Bend.at(bends, Rational.ZERO);
            speed = Bend.at(bends, Rational.of(record.length())).minus(from).dividedBy(Rational.of(record.length()));
        }
    }

    /** A section of one speed throughout. */
    public Section(long id, Content content, FrameRange record, Rational from, Rational speed, boolean enabled,
                   Transition head, Transition tail) {
        this(id, content, record, from, speed, List.of(), enabled, head, tail);
    }

    public static Section ofShot(long id, long shotId, FrameRange record, Rational from) {
        return new Section(id, new Content.OfShot(shotId), record, from, Rational.ONE, true, null, null);
    }

    /** The exact position in its content at a record frame; beyond its ends the line goes on. */
    public Rational at(long recordFrame) {
        return bends.isEmpty() ? from.plus(speed.times(recordFrame - record.in()))
                : Bend.at(bends, Rational.of(recordFrame - record.in()));
    }

    /** The exact position in its content at an exact position of the record clock. */
    public Rational at(Rational position) {
        Rational gone = position.plus(-record.in());
        return bends.isEmpty() ? from.plus(speed.times(gone)) : Bend.at(bends, gone);
    }

    /** The position after its last frame. */
    public Rational to() {
        return at(record.out());
    }

    /** Whether it goes at one speed throughout. */
    public boolean isEven() {
        return bends.isEmpty();
    }

    /** The shot that it shows; 0 where it shows something else. */
    public long shotId() {
        return content instanceof Content.OfShot shot ? shot.shotId() : 0;
    }

    /** Every record frame on which any of it is seen, transitions included; a tail transition lies inside its own end. */
    public FrameRange seen(Section next) {
        long in = head == null ? record.in() : record.in() - head.before();
        return FrameRange.of(in, passesInto(next) ? record.out() + next.head().after() : record.out());
    }

    /** Whether the piece after it passes in over its end; one that is switched off does not. */
    public boolean passesInto(Section next) {
        return next != null && next.head() != null && next.enabled() && next.record().in() == record.out();
    }

    /** Whether all of it goes at one speed: keys that bend nothing count for nothing. */
    public boolean runsEvenly() {
        return isEven() || Bend.areStraight(bends);
    }

    /** The frames of its content that it shows over record frames, the first and the last with all between. */
    public FrameRange shownOver(FrameRange frames) {
        long a = at(frames.in()).floor();
        long b = at(frames.last()).floor();
        return FrameRange.of(Math.min(a, b), Math.max(a, b) + 1);
    }

    /** Whether another piece goes on where this one ends as if both were one: it was only split there. */
    public boolean runsOnIn(Section next) {
        boolean sameCourse = isEven() && next.isEven() ? next.speed.equals(speed) && to().equals(next.from)
                : !isEven() && over(next.record).bends.equals(next.bends);
        return next.content.equals(content) && next.record.in() == record.out() && next.head == null && tail == null
                && enabled && next.enabled && sameCourse;
    }

    /** The same content seen over another stretch: what remains shows what it showed at each frame. */
    public Section over(FrameRange newRecord) {
        return new Section(id, content, newRecord, at(newRecord.in()), speed,
                Bend.shifted(bends, record.in() - newRecord.in()), enabled, head, tail);
    }

    /** The same piece over other frames of its content, at one other speed or in another place. */
    public Section timed(FrameRange newRecord, Rational newFrom, Rational newSpeed) {
        return new Section(id, content, newRecord, newFrom, newSpeed, List.of(), enabled, head, tail);
    }

    /** The same piece with a speed that changes. @param newBends counted from its first frame; empty for its mean speed */
    public Section bent(FrameRange newRecord, List<Bend> newBends) {
        return new Section(id, content, newRecord, from, speed, newBends, enabled, head, tail);
    }

    /** The same piece with later frames of its content at every record frame. */
    public Section slipped(Rational frames) {
        return new Section(id, content, record, from.plus(frames), speed, Bend.slipped(bends, frames), enabled, head,
                tail);
    }

    /** The same piece showing something else. */
    public Section showing(Content other, Rational newFrom) {
        return new Section(id, other, record, newFrom, speed, Bend.slipped(bends, newFrom.minus(from)), enabled, head,
                tail);
    }

    /** The same piece with other transitions; null for plain cuts. */
    public Section withTransitions(Transition newHead, Transition newTail) {
        return new Section(id, content, record, from, speed, bends, enabled, newHead, newTail);
    }

    /** The same piece switched on or off. */
    public Section switched(boolean on) {
        return new Section(id, content, record, from, speed, bends, on, head, tail);
    }

    /** The same as a piece that is new. */
    public Section fresh() {
        return named(0);
    }

    /** The same under another id. */
    public Section named(long newId) {
        return new Section(newId, content, record, from, speed, bends, enabled, head, tail);
    }

    public Section shiftedBy(long frames) {
        return frames == 0 ? this
                : new Section(id, content, record.shiftedBy(frames), from, speed, bends, enabled, head, tail);
    }
}
