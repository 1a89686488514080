package freshsplice.core.delivery;

import freshsplice.core.master.SeenClip;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;

/**
 * How the renders of a shot stand under what a master shows of the shot. The one answer that tracks, lists, counts
 * and the hand-back give.
 *
 * @param covered frames that renders have of those shown, 0 where all play at another speed
 * @param frames  frames that are shown, those under transitions included
 * @param changed what changed since they were made, as {@link Fingerprint} names it; empty where nothing did
 */
public record RenderStand(long covered, long frames, List<String> changed) {
    /** Named among what changed where the clip plays at another speed than the render. */
    public static final String SPEED = "speed";

    public RenderStand {
        changed = List.copyOf(changed);
    }

    /** @return null where the shot was never rendered */
    public static RenderStand of(SeenClip clip, ShotRenders renders) {
        List<FinishedRender> ofShot = renders.ofShot(clip.clip().shotId());
        if (ofShot.isEmpty()) {
            return null;
        }
        Cover cover = renders.cover(clip);
        List<FinishedRender> standing = cover.parts().isEmpty() ? ofShot.subList(0, 1)
                : cover.parts().stream().map(Cover.Part::render).toList();
        List<String> all = new ArrayList<>(standing.stream().flatMap(r -> renders.changedSince(r).stream()).distinct().toList());
        if (ofShot.stream().allMatch(r -> r.range().on(clip.clip()) == null)) {
            all.add(SPEED);
        }
        return new RenderStand(cover.covered(), clip.seen().length(), all);
    }

    /** Several clips of one shot together. */
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
            why.add("covers " + covered + " of " + Amounts.frames(frames));
        }
        return String.join("; ", why);
    }
}
