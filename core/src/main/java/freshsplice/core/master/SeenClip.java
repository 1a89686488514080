package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/**
 * A clip of a track as far as any of it is seen.
 *
 * @param clip the clip
 * @param seen    record frames on which any of it is seen, those under its transitions included
 */
public record SeenClip(Clip clip, FrameRange seen) {
    /** All clips of a track. @param clips in record order */
    public static List<SeenClip> of(List<Clip> clips) {
        List<SeenClip> all = new ArrayList<>();
        for (int i = 0; i < clips.size(); i++) {
            Clip next = i + 1 < clips.size() ? clips.get(i + 1) : null;
            all.add(new SeenClip(clips.get(i), clips.get(i).seen(next)));
        }
        return all;
    }

    /** All clips that are live. @param live in record order */
    public static List<SeenClip> ofLive(List<LiveClips.Live> live) {
        return of(live.stream().map(LiveClips.Live::clip).toList());
    }
}
