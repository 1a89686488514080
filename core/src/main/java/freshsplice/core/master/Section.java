package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;

/**
 * A piece of a master.
 *
 * @param id      its id in the project; 0 while it is new
 * @param content what it shows
 * @param record  its frames on the master's clock, from cut to cut
 * @param from    position in the content at {@code record.in}: an exact shot frame, or a frame of a nested master
 * @param speed   content frames per record frame; negative backwards, zero holds
 * @param enabled switched off sections are kept and not seen
 * @param head    the passage into it from the section before, or from black; null for a plain cut
 * @param tail    the passage from it to black; null for a plain cut
 */
public record Section(long id, Content content, FrameRange record, Rational from, Rational speed, boolean enabled,
                      Passage head, Passage tail) {
    /** What a section shows. */
    public sealed interface Content {
        /** @param shotId the shot */
        record OfShot(long shotId) implements Content {
        }

        /** @param masterId another master, nested; nesting has no loops */
        record OfMaster(long masterId) implements Content {
        }
    }

    /**
     * A dissolve or wipe around a cut.
     *
     * @param kind   dissolve or wipe
     * @param before frames before the cut
     * @param after  frames after it
     */
    public record Passage(Kind kind, long before, long after) {
        public enum Kind { DISSOLVE, WIPE }

        public Passage {
            if (before < 0 || after < 0 || before + after == 0) {
                throw new IllegalArgumentException("A passage lasts at least one frame");
            }
        }

        public long length() {
            return before + after;
        }
    }

    public Section {
        if (record.isEmpty()) {
            throw new IllegalArgumentException("A piece of a master has at least one frame");
        }
    }

    public static Section ofShot(long id, long shotId, FrameRange record, Rational from) {
        return new Section(id, new Content.OfShot(shotId), record, from, Rational.ONE, true, null, null);
    }

    /** The exact position in its content at a record frame; beyond its ends the line goes on. */
    public Rational at(long recordFrame) {
        return from.plus(speed.times(recordFrame - record.in()));
    }

    /** The position after its last frame. */
    public Rational to() {
        return at(record.out());
    }

    public long shotId() {
        return content instanceof Content.OfShot shot ? shot.shotId() : 0;
    }

    /** Every record frame on which any of it is seen, passages included; a tail passage lies inside its own end. */
    public FrameRange seen(Section next) {
        long in = head == null ? record.in() : record.in() - head.before();
        boolean goesOn = next != null && next.head() != null && next.record().in() == record.out();
        return FrameRange.of(in, goesOn ? record.out() + next.head().after() : record.out());
    }

    /** The same content seen over another stretch: what remains shows what it showed at each frame. */
    public Section over(FrameRange newRecord) {
        return new Section(id, content, newRecord, at(newRecord.in()), speed, enabled, head, tail);
    }

    /** The same piece over other frames of its content, at another speed or place. */
    public Section timed(FrameRange newRecord, Rational newFrom, Rational newSpeed) {
        return new Section(id, content, newRecord, newFrom, newSpeed, enabled, head, tail);
    }

    /** The same piece with other passages; null for plain cuts. */
    public Section withPassages(Passage newHead, Passage newTail) {
        return new Section(id, content, record, from, speed, enabled, newHead, newTail);
    }

    /** The same piece switched on or off. */
    public Section switched(boolean on) {
        return new Section(id, content, record, from, speed, on, head, tail);
    }

    /** The same as a piece that is new. */
    public Section fresh() {
        return new Section(0, content, record, from, speed, enabled, head, tail);
    }

    public Section shiftedBy(long frames) {
        return frames == 0 ? this
                : new Section(id, content, record.shiftedBy(frames), from, speed, enabled, head, tail);
    }
}
