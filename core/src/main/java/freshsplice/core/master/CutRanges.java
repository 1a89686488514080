package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The cut range of each shot: the smallest range with every frame that its sections show. */
public final class CutRanges {
    private CutRanges() {
    }

    /** Over all lanes, those that are switched off too: what is kept there must not lose its frames. */
    public static Map<Long, FrameRange> of(Master master) {
        Map<Long, FrameRange> ranges = new HashMap<>();
        master.lanes().forEach(lane -> of(lane.sections()).forEach((id, range) -> ranges.merge(id, range,
                FrameRange::spanWith)));
        return ranges;
    }

    /** @param sections of one lane, in record order; @return by shot id */
    public static Map<Long, FrameRange> of(List<Section> sections) {
        Map<Long, FrameRange> ranges = new HashMap<>();
        SeenPiece.of(sections).stream().filter(p -> p.section().shotId() != 0).forEach(p ->
                ranges.merge(p.section().shotId(), frames(p.section(), p.seen()), FrameRange::spanWith));
        return ranges;
    }

    private static FrameRange frames(Section section, FrameRange seen) {
        long a = section.at(seen.in()).floor();
        long b = section.at(seen.last()).floor();
        FrameRange frames = FrameRange.of(Math.min(a, b), Math.max(a, b) + 1);
        for (Bend bend : section.bends()) {
            // between its keys time never goes beyond them
            long at = section.record().in() + bend.at().floor();
            long frame = bend.position().floor();
            frames = seen.contains(at) ? frames.spanWith(FrameRange.ofLength(frame, 1)) : frames;
        }
        return frames;
    }
}
