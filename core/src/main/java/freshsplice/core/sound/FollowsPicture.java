package freshsplice.core.sound;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.time.FrameRange;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Sound and markers go along with the picture. A sound belongs to the clip of the main track that lies over more than half of
 * it, so one that begins before its picture still does after an edit. One that belongs to none, and a marker on the record
 * clock, moves with all that lies from its beginning on, where all of that was moved by the same frames: frames that are
 * taken out or put in before it. A long sound that begins before such an edit stays.
 */
public final class FollowsPicture {
    private final Track before;
    private final Map<Long, Clip> after = new HashMap<>();
    private final Clip last;
    private final long endShift;

    public FollowsPicture(Master before, Master after) {
        this.before = before.main();
        after.main().clips().forEach(s -> this.after.put(s.id(), s));
        List<Clip> there = this.before.clips().stream().filter(s -> this.after.containsKey(s.id())).toList();
        this.last = there.isEmpty() ? null : there.get(there.size() - 1);
        this.endShift = last == null ? 0 : this.after.get(last.id()).record().out() - last.record().out();
    }

    /** By how many frames a clip of sound is moved; 0 where its picture stays, is slipped, or is gone. */
    public long shift(FrameRange sound) {
        for (Clip picture : before.within(sound)) {
            if (picture.record().overlapWith(sound) * 2 > sound.length()) {
                return after.containsKey(picture.id()) ? moved(picture) : shiftAt(sound.in());
            }
        }
        return shiftAt(sound.in());
    }

    /** By how many frames a marker on the record clock is moved. */
    public long shiftAt(long record) {
        List<Clip> clips = before.clips();
        for (Clip clip : clips.subList(Math.max(0, before.firstFrom(record) - 1), clips.size())) {
            if (clip.record().out() > record && after.containsKey(clip.id())) {
                long shift = moved(clip);
                return shift == endShift ? shift : 0;
            }
        }
        return last != null && record >= last.record().out() ? endShift : 0;
    }

    /** By how many frames later its content is seen. A slip shows other frames in the same place and moves nothing. */
    private long moved(Clip picture) {
        Clip now = after.get(picture.id());
        long shift = now.record().in() - picture.record().in();
        boolean trimmed = now.record().length() != picture.record().length();
        boolean sameCourse = now.isEven() && picture.isEven() && now.speed().equals(picture.speed()) && !now.speed().isZero();
        if (now.from().equals(picture.from()) || !trimmed) {
            return now.from().equals(picture.from()) ? shift : 0;
        }
        return sameCourse ? shift + picture.from().minus(now.from()).dividedBy(now.speed()).round() : 0;
    }
}
