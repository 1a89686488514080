package freshsplice.core.delivery;

import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.core.words.Counted;
import java.util.ArrayList;
import java.util.List;

/**
 * How the newest render of a shot stands under what a master shows of the shot. The one answer that lanes, lists, counts
 * and the hand-back give.
 *
 * @param covered frames that the render has of those shown, 0 where it plays at another speed
 * @param frames  frames that are shown, those under transitions included
 * @param changed what changed since it was made, as {@link Fingerprint} names it; empty where nothing did
 */
public record RenderStand(long covered, long frames, List<String> changed) {
    /** Named among what changed where the piece plays at another speed than the render. */
    public static final String SPEED = "speed";

    public RenderStand {
        changed = List.copyOf(changed);
    }

    /**
     * @param seen    record frames on which any of the piece is seen
     * @param changed what changed of the shot itself since the render was made
     */
    public static RenderStand of(Section section, FrameRange seen, RenderRange range, List<String> changed) {
        FrameRange place = range.on(section);
        if (place != null) {
            return new RenderStand(seen.length() - RenderRange.missing(place, seen), seen.length(), changed);
        }
        List<String> all = new ArrayList<>(changed);
        all.add(SPEED);
        return new RenderStand(0, seen.length(), all);
    }

    /** Several pieces of one shot together. */
    public RenderStand with(RenderStand other) {
        List<String> all = new ArrayList<>(changed);
        other.changed.stream().filter(c -> !all.contains(c)).forEach(all::add);
        return new RenderStand(covered + other.covered, frames + other.frames, all);
    }

    public boolean isStale() {
        return !changed.isEmpty();
    }

    /** Whether it can stand in the master as it is: all frames, and nothing changed. */
    public boolean isCurrent() {
        return changed.isEmpty() && covered == frames;
    }

    /** Why it cannot stand as it is; empty where it can. */
    public String words() {
        List<String> why = new ArrayList<>();
        if (isStale()) {
            why.add("stale: " + String.join(" and ", changed) + " changed");
        }
        if (covered < frames && !changed.contains(SPEED)) {
            why.add("covers " + covered + " of " + Counted.frames(frames));
        }
        return String.join("; ", why);
    }
}
