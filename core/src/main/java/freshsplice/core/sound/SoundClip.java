package freshsplice.core.sound;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import java.util.List;
import java.util.function.Predicate;

/**
 * A stretch of a sound file laid on the record clock.
 *
 * @param record      frames in which it is heard, 1 at least
 * @param fromSeconds seconds into the file at its first frame
 * @param fadeIn      frames over which it comes up
 * @param fadeOut     frames over which it goes down
 */
public record SoundClip(FrameRange record, Rational fromSeconds, long fadeIn, long fadeOut) {
    public SoundClip {
        if (record.isEmpty()) {
            throw new Refusal("A clip of sound has at least one frame");
        }
        if (record.in() < 0) {
            throw new Refusal("Sound cannot begin before record frame 0");
        }
        if (fadeIn < 0 || fadeOut < 0 || fadeIn + fadeOut > record.length()) {
            throw new Refusal("Fades of " + fadeIn + " and " + fadeOut + " frames do not fit into the " + Amounts.frames(record.length())
                    + " of this sound");
        }
    }

    /** All of a file from a record frame on; what is left of a frame at its end is not heard. */
    public static SoundClip whole(long at, Rational seconds, FrameRate rate) {
        return new SoundClip(FrameRange.ofLength(at, Math.max(1, seconds.times(rate.fps()).floor())), Rational.ZERO, 0, 0);
    }

    /** An event of a list: what passes into it, from silence or from another, is a fade of it, and what passes out of it. */
    public static SoundClip of(Track track, Event event, Rational fromSeconds) {
        long length = event.record().length();
        long in = fade(track, t -> t.record().in() == event.record().in(), length);
        return new SoundClip(event.record(), fromSeconds, in, fade(track, t -> t.record().out() == event.record().out(), length - in));
    }

    private static long fade(Track track, Predicate<Transition> at, long most) {
        return track.transitions().stream().filter(at).mapToLong(t -> t.record().length()).filter(n -> n <= most).max().orElse(0);
    }

    /** The same sound against the picture elsewhere. */
    public SoundClip moved(long frames) {
        return new SoundClip(record.shiftedBy(frames), fromSeconds, fadeIn, fadeOut);
    }

    /**
     * Begins and ends elsewhere; what stays is heard where it was.
     *
     * @param head frames later (+) or earlier (−) that it begins
     * @param tail frames later or earlier that it ends
     */
    public SoundClip trimmed(long head, long tail, FrameRate rate) {
        Rational from = fromSeconds.plus(rate.seconds(head));
        if (from.signum() < 0) {
            throw new Refusal("The sound begins " + Amounts.frames(fromSeconds.times(rate.fps()).floor())
                    + " before this; it cannot begin " + Amounts.frames(-head) + " earlier");
        }
        long in = Math.addExact(record.in(), head);
        return new SoundClip(FrameRange.of(in, Math.max(in, Math.addExact(record.out(), tail))), from, fadeIn, fadeOut);
    }

    /** Elsewhere and from another second of its file on, with its fades as far as they fit. */
    public SoundClip placed(FrameRange record, Rational fromSeconds) {
        long in = Math.min(fadeIn, record.length());
        return new SoundClip(record, fromSeconds, in, Math.min(fadeOut, record.length() - in));
    }

    public SoundClip faded(long in, long out) {
        return new SoundClip(record, fromSeconds, in, out);
    }

    /** Two that are heard as the one was; a fade stays with the end that it belongs to, as long as it fits. */
    public List<SoundClip> splitAt(long frame, FrameRate rate) {
        if (frame <= record.in() || frame >= record.out()) {
            throw new Refusal("The sound lies from record frame " + record.in() + " to " + record.last()
                    + ": it is split inside that, not at " + frame);
        }
        long first = frame - record.in();
        long second = record.out() - frame;
        return List.of(new SoundClip(record.withOut(frame), fromSeconds, Math.min(fadeIn, first), 0),
                new SoundClip(record.withIn(frame), fromSeconds.plus(rate.seconds(first)), 0, Math.min(fadeOut, second)));
    }
}
