package freshsplice.core.sound;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import java.util.HashMap;
import java.util.Map;

/**
 * Sound goes along with the picture that it belongs to: the piece of the main lane that lies over more than half of it.
 * So a sound that begins before its picture still does after an edit, and a long one under many pieces stays.
 */
public final class FollowsPicture {
    private final Lane before;
    private final Map<Long, Section> after = new HashMap<>();

    public FollowsPicture(Master before, Master after) {
        this.before = before.main();
        after.main().sections().forEach(s -> this.after.put(s.id(), s));
    }

    /** By how many frames a piece of sound is moved; 0 where its picture stays, is trimmed at its head, or is gone. */
    public long shift(FrameRange sound) {
        for (Section picture : before.within(sound)) {
            if (picture.record().overlapWith(sound) * 2 > sound.length()) {
                Section now = after.get(picture.id());
                boolean moved = now != null && now.from().equals(picture.from());
                return moved ? now.record().in() - picture.record().in() : 0;
            }
        }
        return 0;
    }
}
