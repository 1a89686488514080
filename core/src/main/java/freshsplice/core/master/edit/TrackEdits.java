package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/** Edits of the tracks themselves, and of what lies on which. The main track is the lowest and stays there. */
public final class TrackEdits {
    private static final int MOST_TRACKS = 24;
    private static final int LONGEST_NAME = 100;

    private TrackEdits() {
    }

    /** A new track on top. @param name empty for the next number */
    public static Master add(Master master, String name) {
        if (master.tracks().size() >= MOST_TRACKS) {
            throw new Refusal("A master has at most " + MOST_TRACKS + " tracks");
        }
        List<Track> tracks = new ArrayList<>(master.tracks());
        tracks.add(Track.of(name == null || name.isBlank() ? "Track " + (tracks.size() + 1) : checkedName(name), List.of()));
        return master.withTracks(tracks);
    }

    /** Takes a track away with all that lies on it. */
    public static Master remove(Master master, int track) {
        checkNotMain(track, "taken away");
        List<Track> tracks = new ArrayList<>(master.tracks());
        tracks.remove(track);
        return master.withTracks(tracks);
    }

    public static Master rename(Master master, int track, String name) {
        return master.withTrack(track, master.tracks().get(track).renamed(checkedName(name)));
    }

    /** Switches a track on or off: off it is kept, seen dimmed, and never live. */
    public static Master enable(Master master, int track, boolean on) {
        return master.withTrack(track, master.tracks().get(track).enabled(on));
    }

    public static Master lock(Master master, int track, boolean on) {
        return master.withTrack(track, master.tracks().get(track).locked(on));
    }

    /** Puts a track higher (+) or lower (−) among the others above the main track. */
    public static Master reorder(Master master, int track, int by) {
        checkNotMain(track, "moved");
        int to = Math.max(1, Math.min(master.tracks().size() - 1, track + by));
        List<Track> tracks = new ArrayList<>(master.tracks());
        tracks.add(to, tracks.remove(track));
        return master.withTracks(tracks);
    }

    /** Puts a copy of a clip onto the next track above that is free there, to be tried out; a new track where none is. */
    public static Master copyUp(Master master, Place place) {
        Clip clip = place.in(master);
        Master roomy = master;
        int track = place.track() + 1;
        while (track < roomy.tracks().size() && (roomy.tracks().get(track).locked()
                || !roomy.tracks().get(track).within(clip.record()).isEmpty())) {
            track++;
        }
        if (track == roomy.tracks().size()) {
            roomy = add(roomy, null);
        }
        return Arranging.overwrite(roomy, track, clip.withTransitions(null, null).fresh());
    }

    /** Lays clips of tracks above onto the main track over what is there, in one stroke. */
    public static Master layDown(Master master, List<Place> places) {
        List<Clip> clips = places.stream().map(p -> p.in(master)).toList();
        if (places.stream().anyMatch(p -> p.track() == 0)) {
            throw new Refusal("The clip at record frame " + places.stream().filter(p -> p.track() == 0)
                    .findFirst().orElseThrow().in(master).record().in() + " lies on the main track already");
        }
        Master laid = Arranging.lift(master, places);
        for (Clip clip : clips) {
            laid = Arranging.overwrite(laid, 0, clip);
        }
        return laid;
    }

    /**
     * @throws IllegalArgumentException if an edit changed a track that was locked; names the track
     */
    public static void checkLocks(Master before, Master after) {
        for (Track track : before.tracks()) {
            boolean same = after.tracks().stream().anyMatch(l -> l.id() == track.id()
                    && Objects.equals(l.clips(), track.clips()));
            if (track.locked() && !same) {
                throw new Refusal("Track \"" + track.name() + "\" is locked: unlock it first");
            }
        }
    }

    private static void checkNotMain(int track, String done) {
        if (track == 0) {
            throw new Refusal("The main track is the lowest one; it is not " + done);
        }
    }

    private static String checkedName(String name) {
        String plain = name == null ? "" : name.replaceAll("\\p{Cntrl}", " ").strip();
        if (plain.isEmpty() || plain.length() > LONGEST_NAME) {
            throw new Refusal("A track needs a name of 1 to " + LONGEST_NAME + " letters");
        }
        return plain;
    }
}
