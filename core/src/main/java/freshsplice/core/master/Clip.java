package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;

/**
 * A clip of a master.
 *
 * @param id      its id in the project; 0 while it is new
 * @param content what it shows
 * @param record  its frames on the master's clock, from cut to cut
 * @param from    position in the content at {@code record.in}: an exact shot frame, or a frame of a nested master
 * @param speed   content frames per record frame; negative backwards, zero holds; where the speed changes, the mean
 * @param retimeKeys   where its speed changes; empty for a constant one. With them {@code from} and {@code speed} follow
 * @param enabled switched off clips are kept and not seen
 * @param head    the transition into it from the clip before, or from black; null for a plain cut
 * @param tail    the transition from it to black; null for a plain cut
 */
public record Clip(long id, Content content, FrameRange record, Rational from, Rational speed, List<RetimeKey> retimeKeys,
                      boolean enabled, Transition head, Transition tail) {
    /** What a clip shows. */
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

        /** Black that is put there: it hides what lies on the tracks below, a gap does not. */
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

    public Clip {
        if (record.isEmpty()) {
            throw new Refusal("A clip of a master has at least one frame");
        }
        retimeKeys = List.copyOf(retimeKeys);
        if (!retimeKeys.isEmpty()) {
            from = RetimeKey.at(retimeKeys, Rational.ZERO);
            speed = RetimeKey.at(retimeKeys, Rational.of(record.length())).minus(from).dividedBy(Rational.of(record.length()));
        }
    }

    /** A clip of one speed throughout. */
    public Clip(long id, Content content, FrameRange record, Rational from, Rational speed, boolean enabled,
                   Transition head, Transition tail) {
        this(id, content, record, from, speed, List.of(), enabled, head, tail);
    }

    public static Clip ofShot(long id, long shotId, FrameRange record, Rational from) {
        return new Clip(id, new Content.OfShot(shotId), record, from, Rational.ONE, true, null, null);
    }

    /** The exact position in its content at a record frame; beyond its ends the line goes on. */
    public Rational at(long recordFrame) {
        return retimeKeys.isEmpty() ? from.plus(speed.times(recordFrame - record.in()))
                : RetimeKey.at(retimeKeys, Rational.of(recordFrame - record.in()));
    }

    /** The exact position in its content at an exact position of the record clock. */
    public Rational at(Rational position) {
        Rational gone = position.plus(-record.in());
        return retimeKeys.isEmpty() ? from.plus(speed.times(gone)) : RetimeKey.at(retimeKeys, gone);
    }

    /** The position after its last frame. */
    public Rational to() {
        return at(record.out());
    }

    /** Whether it goes at one speed throughout. */
    public boolean isEven() {
        return retimeKeys.isEmpty();
    }

    /** The shot that it shows; 0 where it shows something else. */
    public long shotId() {
        return content instanceof Content.OfShot shot ? shot.shotId() : 0;
    }

    /** Every record frame on which any of it is seen, transitions included; a tail transition lies inside its own end. */
    public FrameRange seen(Clip next) {
        long in = head == null ? record.in() : record.in() - head.before();
        return FrameRange.of(in, passesInto(next) ? record.out() + next.head().after() : record.out());
    }

    /** Whether the clip after it passes in over its end; one that is switched off does not. */
    public boolean passesInto(Clip next) {
        return next != null && next.head() != null && next.enabled() && next.record().in() == record.out();
    }

    /** Whether all of it goes at one speed: keys that change nothing count for nothing. */
    public boolean runsEvenly() {
        return isEven() || RetimeKey.areStraight(retimeKeys);
    }

    /** The frames of its content that it shows over record frames, the first and the last with all between. */
    public FrameRange shownOver(FrameRange frames) {
        long a = at(frames.in()).floor();
        long b = at(frames.last()).floor();
        return FrameRange.of(Math.min(a, b), Math.max(a, b) + 1);
    }

    /** Whether another clip goes on where this one ends as if both were one: it was only split there. */
    public boolean runsOnIn(Clip next) {
        boolean sameCourse = isEven() && next.isEven() ? next.speed.equals(speed) && to().equals(next.from)
                : !isEven() && over(next.record).retimeKeys.equals(next.retimeKeys);
        return next.content.equals(content) && next.record.in() == record.out() && next.head == null && tail == null
                && enabled && next.enabled && sameCourse;
    }

    /** The same content seen over another stretch: what remains shows what it showed at each frame. */
    public Clip over(FrameRange newRecord) {
        return new Clip(id, content, newRecord, at(newRecord.in()), speed,
                RetimeKey.shifted(retimeKeys, record.in() - newRecord.in()), enabled, head, tail);
    }

    /** The same clip over other frames of its content, at one other speed or in another place. */
    public Clip timed(FrameRange newRecord, Rational newFrom, Rational newSpeed) {
        return new Clip(id, content, newRecord, newFrom, newSpeed, List.of(), enabled, head, tail);
    }

    /** The same clip with a speed that changes. @param newKeys counted from its first frame; empty for its mean speed */
    public Clip withRetimeKeys(FrameRange newRecord, List<RetimeKey> newKeys) {
        return new Clip(id, content, newRecord, from, speed, newKeys, enabled, head, tail);
    }

    /** The same clip with later frames of its content at every record frame. */
    public Clip slipped(Rational frames) {
        return new Clip(id, content, record, from.plus(frames), speed, RetimeKey.slipped(retimeKeys, frames), enabled, head,
                tail);
    }

    /** The same clip showing something else. */
    public Clip showing(Content other, Rational newFrom) {
        return new Clip(id, other, record, newFrom, speed, RetimeKey.slipped(retimeKeys, newFrom.minus(from)), enabled, head,
                tail);
    }

    /** The same clip with other transitions; null for plain cuts. */
    public Clip withTransitions(Transition newHead, Transition newTail) {
        return new Clip(id, content, record, from, speed, retimeKeys, enabled, newHead, newTail);
    }

    /** The same clip switched on or off. */
    public Clip switched(boolean on) {
        return new Clip(id, content, record, from, speed, retimeKeys, on, head, tail);
    }

    /** The same as a clip that is new. */
    public Clip fresh() {
        return named(0);
    }

    /** The same under another id. */
    public Clip named(long newId) {
        return new Clip(newId, content, record, from, speed, retimeKeys, enabled, head, tail);
    }

    public Clip shiftedBy(long frames) {
        return frames == 0 ? this
                : new Clip(id, content, record.shiftedBy(frames), from, speed, retimeKeys, enabled, head, tail);
    }
}
