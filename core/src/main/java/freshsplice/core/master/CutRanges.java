package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The cut range of each shot: the smallest range with every frame that its clips show. */
public final class CutRanges {
    private CutRanges() {
    }

    /** Over all tracks, those that are switched off too: what is kept there must not lose its frames. */
    public static Map<Long, FrameRange> of(Master master) {
        Map<Long, FrameRange> ranges = new HashMap<>();
        master.tracks().forEach(track -> of(track.clips()).forEach((id, range) -> ranges.merge(id, range,
                FrameRange::spanWith)));
        return ranges;
    }

    /** @param clips of one track, in record order; @return by shot id */
    public static Map<Long, FrameRange> of(List<Clip> clips) {
        Map<Long, FrameRange> ranges = new HashMap<>();
        SeenClip.of(clips).stream().filter(p -> p.clip().shotId() != 0).forEach(p ->
                ranges.merge(p.clip().shotId(), frames(p.clip(), p.seen()), FrameRange::spanWith));
        return ranges;
    }

    private static FrameRange frames(Clip clip, FrameRange seen) {
        long a = clip.at(seen.in()).floor();
        long b = clip.at(seen.last()).floor();
        FrameRange frames = FrameRange.of(Math.min(a, b), Math.max(a, b) + 1);
        for (RetimeKey key : clip.retimeKeys()) {
            // between its keys time never goes beyond them
            long at = clip.record().in() + key.at().floor();
            long frame = key.position().floor();
            frames = seen.contains(at) ? frames.spanWith(FrameRange.ofLength(frame, 1)) : frames;
        }
        return frames;
    }
}
