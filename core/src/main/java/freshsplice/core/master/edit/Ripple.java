package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import java.util.ArrayList;
import java.util.List;

/** Pushes along what comes after an edit, on every track that is not locked and has room: no track is pushed into an overlap. */
final class Ripple {
    private Ripple() {
    }

    /**
     * @param from   record frame from which on clips are pushed: those that begin there or later
     * @param frames later (+) or earlier (−)
     */
    static Master after(Master master, long from, long frames) {
        return frames == 0 ? master : pushed(master, null, null, from, frames);
    }

    /** The same, and one clip before that is changed as well: a shorter clip makes the room for what moves up. */
    static Master after(Master master, Place place, Clip changed, long from, long frames) {
        return pushed(master, place, changed, from, frames);
    }

    private static Master pushed(Master master, Place place, Clip changed, long from, long frames) {
        List<Track> tracks = new ArrayList<>();
        for (int i = 0; i < master.tracks().size(); i++) {
            Track track = master.tracks().get(i);
            boolean here = place != null && place.track() == i;
            if (track.locked()) {
                tracks.add(track);
            } else if (here && frames > 0) {
                // what comes after goes first: the clip grows into the room that it leaves
                tracks.add(track.pushed(track.firstFrom(from), frames).spliced(place.index(), place.index() + 1,
                        List.of(changed)));
            } else if (here) {
                Track shorter = track.spliced(place.index(), place.index() + 1, List.of(changed));
                tracks.add(shorter.pushed(shorter.firstFrom(from), frames));
            } else {
                int first = track.firstFrom(from);
                tracks.add(track.hasRoomFor(first, frames) ? track.pushed(first, frames) : track);
            }
        }
        return master.withTracks(tracks);
    }
}
