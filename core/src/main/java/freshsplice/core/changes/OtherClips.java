package freshsplice.core.changes;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * Clips of the main track that no cut knows of (black, renders, slates that were made here) when its shots are laid out anew: they stay
 * where they lie; where a shot comes to lie there they go onto the track above, so that none is lost.
 */
final class OtherClips {
    private static final String NAME = "Kept";

    private OtherClips() {
    }

    /** @param compared clips that the newer cut was compared with */
    static Master keep(Master before, Master after, Predicate<Clip> compared) {
        Master kept = after;
        for (Clip clip : before.main().clips()) {
            boolean known = compared.test(clip) || clip.content() instanceof Clip.Content.OfMaster;
            if (!known) {
                kept = laid(kept, clip);
            }
        }
        return kept;
    }

    private static Master laid(Master master, Clip clip) {
        for (int track = 0; track < master.tracks().size(); track++) {
            Track there = master.tracks().get(track);
            if (!there.locked() && there.within(clip.record()).isEmpty()) {
                List<Clip> clips = new ArrayList<>(there.clips());
                clips.add(clip);
                return master.withTrack(track, clips);
            }
        }
        List<Track> tracks = new ArrayList<>(master.tracks());
        tracks.add(Track.of(NAME, List.of(clip)));
        return master.withTracks(tracks);
    }
}
