package freshsplice.core.cut;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import java.util.Optional;

/**
 * One clip of a track.
 *
 * @param number  the file's own number for it, as written; null where it has none
 * @param kind    what is there
 * @param name    the clip's name as written; may be empty
 * @param enabled switched off events are kept and not seen
 * @param record  every record frame on which any of it is seen, transitions included
 * @param source  what it shows
 * @param time    record frame to source position
 * @param nested  the cut inside, for {@link Kind#NESTED}; else null
 * @param comments lines of text about it that no other field carries, as written, to be written back
 * @param kept     what else its file says about it; may be null
 * @param sourceTrack which sound track of its source it plays, from 1; 0 where its file does not say
 * @param words    what a generator writes into the picture, where its file tells that beside its name; else null
 */
public record Event(String number, Kind kind, String name, boolean enabled, FrameRange record, Source source,
                    TimeMap time, Cut nested, List<String> comments, FormatNote kept, int sourceTrack, String words) {
    public enum Kind {
        CLIP, NESTED, GENERATOR, MISSING;

        /** As files and the command line write it. */
        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public Event {
        comments = List.copyOf(comments);
        if (record.isEmpty()) {
            throw new Refusal("An event has at least one frame: " + name + " at " + record.in());
        }
    }

    public Event(String number, Kind kind, String name, boolean enabled, FrameRange record, Source source,
                 TimeMap time, Cut nested, List<String> comments) {
        this(number, kind, name, enabled, record, source, time, nested, comments, null);
    }

    public Event(String number, Kind kind, String name, boolean enabled, FrameRange record, Source source,
                 TimeMap time, Cut nested, List<String> comments, FormatNote kept) {
        this(number, kind, name, enabled, record, source, time, nested, comments, kept, 0, null);
    }

    /** The same event playing one sound track of its source. @param track from 1 */
    public Event playing(int track) {
        return new Event(number, kind, name, enabled, record, source, time, nested, comments, kept, track, words);
    }

    /** The same event writing words into the picture. @param text null for none beside its name */
    public Event saying(String text) {
        return new Event(number, kind, name, enabled, record, source, time, nested, comments, kept, sourceTrack, text);
    }

    /** What to call it where there is one text: what it writes into the picture, else its name. */
    public String wordsOrName() {
        return words == null || words.isBlank() ? name : words;
    }

    public static Event clip(String number, String name, FrameRange record, Source source, TimeMap time) {
        return new Event(number, Kind.CLIP, name, true, record, source, time, null, List.of());
    }

    /** Source position at the first record frame. */
    public Rational from() {
        return time.at(record.in());
    }

    /** Source position at the record frame after the last. */
    public Rational to() {
        return time.at(record.out());
    }

    /** Source frames per record frame at normal speed: the ratio of the rates. */
    public static Rational normalSlope(Source source, FrameRate cutRate) {
        return source == null || source.rate() == null ? Rational.ONE : cutRate.framesOf(source.rate());
    }

    /** Speed against real time, 1 being normal; empty where it is keyed. */
    public Optional<Rational> speed(FrameRate cutRate) {
        return time.slope().map(slope -> slope.dividedBy(normalSlope(source, cutRate)));
    }

    /** The same event seen over another record range, each remaining frame showing what it showed. */
    public Event over(FrameRange newRecord) {
        return new Event(number, kind, name, enabled, newRecord, source, time.over(newRecord), nested,
                comments, kept, sourceTrack, words);
    }

    public Event switchedOff() {
        return new Event(number, kind, name, false, record, source, time, nested, comments, kept, sourceTrack, words);
    }

    /** The same event elsewhere on the record clock. */
    public Event shiftedBy(long frames) {
        return frames == 0 ? this : new Event(number, kind, name, enabled, record.shiftedBy(frames), source, time.shiftedBy(frames),
                nested, comments, kept, sourceTrack, words);
    }

    /** A still, or one frame held: nothing in it moves. */
    public boolean isStill() {
        return time.isHeld() || source != null && source.isStill();
    }
}
