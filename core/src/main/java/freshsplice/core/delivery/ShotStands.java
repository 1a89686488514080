package freshsplice.core.delivery;

import freshsplice.core.master.LiveClips;
import freshsplice.core.master.SeenClip;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** The shots of a master, each with how its renders stand under all that the master shows of it. */
public final class ShotStands {
    /**
     * @param first  the first of its clips, in order of tracks and record frames
     * @param frames that its clips show, those under transitions included
     * @param stand  null where the shot was never rendered
     */
    public record OfShot(SeenClip first, long frames, RenderStand stand) {
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
     * Every shot that a master shows on any track, nested masters opened, by its id.
     *
     * @param tracks   the clips of each track in record order
     * @param seen    what is live over all of them: of a shot that is seen, what lies under other tracks counts for nothing
     * @param renders finished ones
     */
    public static Map<Long, OfShot> of(List<List<LiveClips.Live>> tracks, List<LiveClips.Live> seen, ShotRenders renders) {
        Map<Long, OfShot> shots = new LinkedHashMap<>();
        clips(tracks, seen).forEach((shot, clips) -> clips.forEach(clip -> shots.merge(shot,
                new OfShot(clip, clip.seen().length(), RenderStand.of(clip, renders)), OfShot::and)));
        return shots;
    }

    /** The clips that count for each shot, by its id; parameters as above. */
    public static Map<Long, List<SeenClip>> clips(List<List<LiveClips.Live>> tracks, List<LiveClips.Live> seen) {
        Map<Long, List<SeenClip>> all = onTracks(tracks);
        all.putAll(onTracks(List.of(seen)));
        return all;
    }

    private static Map<Long, List<SeenClip>> onTracks(List<List<LiveClips.Live>> tracks) {
        return tracks.stream().flatMap(track -> SeenClip.ofLive(track).stream()).filter(p -> p.clip().shotId() != 0)
                .collect(Collectors.groupingBy(p -> p.clip().shotId(), LinkedHashMap::new, Collectors.toList()));
    }
}
