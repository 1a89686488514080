package freshsplice.core.delivery;

import freshsplice.core.master.LivePieces;
import freshsplice.core.master.SeenPiece;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** The shots of a master, each with how its renders stand under all that the master shows of it. */
public final class ShotStands {
    /**
     * @param first  the first of its pieces, in order of lanes and record frames
     * @param frames that its pieces show, those under transitions included
     * @param stand  null where the shot was never rendered
     */
    public record OfShot(SeenPiece first, long frames, RenderStand stand) {
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
     * @param stand  how its renders stand; null where it has none
     */
    public static boolean asksForARender(boolean staged, RenderStand stand) {
        return stand == null ? staged : !stand.isCurrent();
    }

    /**
     * Every shot that a master shows on any lane, nested masters opened, by its id.
     *
     * @param lanes   the pieces of each lane in record order
     * @param seen    what is live over all of them: of a shot that is seen, what lies under other lanes counts for nothing
     * @param renders finished ones
     */
    public static Map<Long, OfShot> of(List<List<LivePieces.Live>> lanes, List<LivePieces.Live> seen, ShotRenders renders) {
        Map<Long, OfShot> shots = new LinkedHashMap<>();
        pieces(lanes, seen).forEach((shot, pieces) -> pieces.forEach(piece -> shots.merge(shot,
                new OfShot(piece, piece.seen().length(), RenderStand.of(piece, renders)), OfShot::and)));
        return shots;
    }

    /** The pieces that count for each shot, by its id; parameters as above. */
    public static Map<Long, List<SeenPiece>> pieces(List<List<LivePieces.Live>> lanes, List<LivePieces.Live> seen) {
        Map<Long, List<SeenPiece>> all = onLanes(lanes);
        all.putAll(onLanes(List.of(seen)));
        return all;
    }

    private static Map<Long, List<SeenPiece>> onLanes(List<List<LivePieces.Live>> lanes) {
        return lanes.stream().flatMap(lane -> SeenPiece.ofLive(lane).stream()).filter(p -> p.section().shotId() != 0)
                .collect(Collectors.groupingBy(p -> p.section().shotId(), LinkedHashMap::new, Collectors.toList()));
    }
}
