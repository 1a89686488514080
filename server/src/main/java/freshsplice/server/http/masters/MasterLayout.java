package freshsplice.server.http.masters;

import freshsplice.core.changes.PlacesInCut;
import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
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
 * @param main    what is live of its main track, in order
 * @param upper   the same of the tracks above it, from the bottom up
 * @param seen    what is live of all
 * @param inCut   where its clips are in the cut, and what differs
 * @param slips   clips whose action slips against the one before, in words, by their first record frame
 * @param shots   of the project, by id
 * @param boards  the first of each shot, by the shot's id
 * @param aliases old numbers of shots, by the shot's id
 * @param moving  pictures that move
 * @param fits    where boards lie that somebody laid, by the shot's id
 * @param nested  finds masters that it nests
 */
record MasterLayout(Master master, FrameRange whole, MasterView.Cut cut, List<LiveClips.Live> main, List<List<LiveClips.Live>> upper,
               List<LiveClips.Live> seen, PlacesInCut inCut, Map<Long, String> slips, Map<Long, ShotRow> shots,
               Map<Long, BoardRow> boards, Map<Long, String> aliases, Set<Long> moving, Map<Long, MasterView.Fit> fits, LongFunction<Master> nested,
               List<MasterView.Sound> sounds, List<MasterView.SoundTrack> soundTracks, List<MasterView.Marker> markers) {
    /** Clips of the main track. */
    List<Clip> clips() {
        return main.stream().map(LiveClips.Live::clip).toList();
    }

    /** All tracks from the main one up. */
    List<List<LiveClips.Live>> tracks() {
        List<List<LiveClips.Live>> tracks = new ArrayList<>(List.of(main));
        tracks.addAll(upper);
        return tracks;
    }

    /** How many different sources of boards have no picture. */
    int missingBoards() {
        return (int) tracks().stream().flatMap(List::stream).map(l -> boards.get(l.clip().shotId()))
                .filter(b -> b != null && b.mediaId == null && !b.sourceName.isEmpty()).map(b -> b.sourceKey).distinct().count();
    }

    /** Frames at which nothing is seen, or black that was put there. */
    long black() {
        long shown = seen.stream().filter(l -> !(l.clip().content() instanceof Clip.Content.Black))
                .mapToLong(l -> l.clip().record().length()).sum();
        return Math.max(0, master.end() - master.start() - shown);
    }

    /** Where a track above the main one is live, and with which of its clips. */
    List<MasterView.Live> liveAbove() {
        List<MasterView.Live> views = new ArrayList<>();
        int[] next = new int[upper.size()];
        for (LiveClips.Live clip : seen) {
            if (clip.track() == 0) {
                continue;
            }
            List<LiveClips.Live> track = upper.get(clip.track() - 1);
            int index = next[clip.track() - 1];
            while (index + 1 < track.size() && track.get(index).clip().record().out() <= clip.clip().record().in()) {
                index++;
            }
            next[clip.track() - 1] = index;
            views.add(new MasterView.Live(clip.clip().record().in(), clip.clip().record().out(), clip.track() - 1, index));
        }
        return views;
    }
}
