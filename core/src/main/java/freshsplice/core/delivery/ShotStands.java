package freshsplice.core.delivery;

import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** The shots of a master, each with how its newest render stands under all that the master shows of it. */
public final class ShotStands {
    /**
     * The newest finished render of a shot.
     *
     * @param range   what of the shot it shows
     * @param changed what changed since it was made
     */
    public record Newest(RenderRange range, List<String> changed) {
    }

    /**
     * @param first  the first of its pieces, in order of lanes and record frames
     * @param frames that its pieces show, those under transitions included
     * @param stand  null where the shot was never rendered
     */
    public record OfShot(Section first, long frames, RenderStand stand) {
        private OfShot and(OfShot next) {
            return new OfShot(first, frames + next.frames, stand == null ? next.stand : stand.with(next.stand));
        }
    }

    private ShotStands() {
    }

    /**
     * Whether a new render is wanted of a shot.
     *
     * @param staged whether somebody placed its camera
     * @param stand  how its newest render stands; null where it has none
     */
    public static boolean asksForARender(boolean staged, RenderStand stand) {
        return stand == null ? staged : !stand.isCurrent();
    }

    /**
     * Every shot that a master shows on any lane, nested masters opened, by its id.
     *
     * @param lanes  the pieces of each lane in record order
     * @param seen   what is live over all of them: of a shot that is seen, what lies under other lanes counts for nothing
     * @param newest the newest render by shot id; gives null for a shot without
     */
    public static Map<Long, OfShot> of(List<List<LivePieces.Live>> lanes, List<LivePieces.Live> seen, Function<Long, Newest> newest) {
        Map<Long, OfShot> shots = onLanes(lanes, newest);
        shots.putAll(onLanes(List.of(seen), newest));
        return shots;
    }

    private static Map<Long, OfShot> onLanes(List<List<LivePieces.Live>> lanes, Function<Long, Newest> newest) {
        Map<Long, OfShot> shots = new LinkedHashMap<>();
        for (List<LivePieces.Live> lane : lanes) {
            for (int i = 0; i < lane.size(); i++) {
                Section section = lane.get(i).section();
                if (section.shotId() == 0) {
                    continue;
                }
                Section next = i + 1 < lane.size() ? lane.get(i + 1).section() : null;
                Newest render = newest.apply(section.shotId());
                FrameRange seen = section.seen(next);
                RenderStand stand = render == null ? null
                        : RenderStand.of(section, seen, render.range(), render.changed());
                shots.merge(section.shotId(), new OfShot(section, seen.length(), stand), OfShot::and);
            }
        }
        return shots;
    }
}
