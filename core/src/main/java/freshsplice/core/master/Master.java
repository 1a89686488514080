package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;

/**
 * An assembled sequence.
 *
 * @param id        its id in the project
 * @param name      for people
 * @param rate      its rate
 * @param dropFrame whether its timecode drops
 * @param start     record frame of its first frame
 * @param tracks     from the bottom up; the topmost enabled clip is the live one
 */
public record Master(long id, String name, FrameRate rate, boolean dropFrame, long start, List<Track> tracks) {
    public Master {
        tracks = List.copyOf(tracks);
        if (tracks.isEmpty()) {
            throw new Refusal("A master has at least one track");
        }
    }

    /** The track that the shots are conformed on. */
    public Track main() {
        return tracks.get(0);
    }

    public Master withMain(List<Clip> clips) {
        return withTrack(0, clips);
    }

    public Master withTrack(int track, List<Clip> clips) {
        return withTrack(track, tracks.get(track).with(clips));
    }

    public Master withTrack(int index, Track track) {
        List<Track> changed = new ArrayList<>(tracks);
        changed.set(index, track);
        return withTracks(changed);
    }

    public Master withTracks(List<Track> changed) {
        return new Master(id, name, rate, dropFrame, start, changed);
    }

    public Master startingAt(long frame) {
        return new Master(id, name, rate, dropFrame, frame, tracks);
    }

    /** The same, beginning with its first clip where that lies before: nothing of it is ever outside. */
    public Master fromItsFirst() {
        long first = tracks.stream().filter(l -> !l.clips().isEmpty()).mapToLong(l -> l.clips().get(0).seen(null).in())
                .min().orElse(start);
        return first < start ? startingAt(first) : this;
    }

    /** @throws IllegalArgumentException if a clip begins before record frame 0 */
    public static Master checked(Master master) {
        for (Track track : master.tracks) {
            if (!track.clips().isEmpty() && track.clips().get(0).record().in() < 0) {
                throw new Refusal("The master cannot begin before record frame 0");
            }
        }
        return master;
    }

    /** The frame after the last of all its tracks; its start where it is empty. */
    public long end() {
        return tracks.stream().filter(l -> !l.clips().isEmpty())
                .mapToLong(l -> l.clips().get(l.clips().size() - 1).record().out()).max().orElse(start);
    }

    /** Every clip of every track, from the bottom up. */
    public List<Clip> clips() {
        return tracks.stream().flatMap(l -> l.clips().stream()).toList();
    }
}
