package freshsplice.server.http.masters;

import freshsplice.core.changes.PlacesInCut;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.ShotRow;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongFunction;

/**
 * A master with its cut, as far as cameras and things of the set have no part in it.
 *
 * @param whole   record frames of master and cut together
 * @param cut     what it is held against
 * @param pieces  what is live of its main lane, in order
 * @param upper   the same of the lanes above it, from the bottom up
 * @param seen    what is live of all
 * @param inCut   where its pieces are in the cut, and what differs
 * @param slips   pieces whose action slips against the one before, in words, by their first record frame
 * @param shots   of the project, by id
 * @param boards  the first of each shot, by the shot's id
 * @param aliases old numbers of shots, by the shot's id
 * @param moving  pictures that move
 * @param fits    where boards lie that somebody laid, by the shot's id
 * @param nested  finds masters that it nests
 */
record MasterLayout(Master master, FrameRange whole, SequenceView.Cut cut, List<LivePieces.Live> pieces, List<List<LivePieces.Live>> upper,
               List<LivePieces.Live> seen, PlacesInCut inCut, Map<Long, String> slips, Map<Long, ShotRow> shots,
               Map<Long, BoardRow> boards, Map<Long, String> aliases, Set<Long> moving, Map<Long, SequenceView.Fit> fits, LongFunction<Master> nested,
               List<SequenceView.Sound> sounds, List<SequenceView.SoundLane> soundLanes, List<SequenceView.Mark> marks) {
    /** Sections of the main lane. */
    List<Section> sections() {
        return pieces.stream().map(LivePieces.Live::section).toList();
    }

    /** All lanes from the main one up. */
    List<List<LivePieces.Live>> lanes() {
        List<List<LivePieces.Live>> lanes = new ArrayList<>(List.of(pieces));
        lanes.addAll(upper);
        return lanes;
    }

    /** How many different sources of boards have no picture. */
    int missingBoards() {
        return (int) lanes().stream().flatMap(List::stream).map(l -> boards.get(l.section().shotId()))
                .filter(b -> b != null && b.mediaId == null && !b.sourceName.isEmpty()).map(b -> b.sourceKey).distinct().count();
    }

    /** Frames at which nothing is seen, or black that was put there. */
    long black() {
        long shown = seen.stream().filter(l -> !(l.section().content() instanceof Section.Content.Black))
                .mapToLong(l -> l.section().record().length()).sum();
        return Math.max(0, master.end() - master.start() - shown);
    }

    /** Where a lane above the main one is live, and with which of its pieces. */
    List<SequenceView.Live> liveAbove() {
        List<SequenceView.Live> views = new ArrayList<>();
        int[] next = new int[upper.size()];
        for (LivePieces.Live piece : seen) {
            if (piece.lane() == 0) {
                continue;
            }
            List<LivePieces.Live> lane = upper.get(piece.lane() - 1);
            int index = next[piece.lane() - 1];
            while (index + 1 < lane.size() && lane.get(index).section().record().out() <= piece.section().record().in()) {
                index++;
            }
            next[piece.lane() - 1] = index;
            views.add(new SequenceView.Live(piece.section().record().in(), piece.section().record().out(), piece.lane() - 1, index));
        }
        return views;
    }
}
