package freshsplice.core.sound;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * Which channel of its source a clip of sound plays. A track of an edit carries one channel: where a list lays the same
 * stretch of one source on several tracks, as {@code AA} does, the first of them plays its first channel and the next its
 * second (common practice), unless the list names a track of the source itself, as an XML's {@code sourcetrack} does. One
 * that lies alone plays all of its source.
 */
public final class SourceChannels {
    /** Plays all channels. */
    public static final int ALL = 0;

    private record Stretch(FrameRange record, String source, TimeMap time) {
        static Stretch of(Event event) {
            return new Stretch(event.record(), event.source() == null ? event.name() : event.source().identity(), event.time());
        }
    }

    private SourceChannels() {
    }

    /**
     * For each track and event the channel, counted from 1, or {@link #ALL}. Odd ones are heard at the left, even ones at the
     * right.
     *
     * @param tracks sound tracks, the first first
     */
    public static List<List<Integer>> of(List<Track> tracks) {
        Map<Stretch, Integer> uses = new HashMap<>();
        tracks.forEach(track -> track.events().forEach(e -> uses.merge(Stretch.of(e), 1, Integer::sum)));
        Map<Stretch, Integer> given = new HashMap<>();
        List<List<Integer>> channels = new ArrayList<>();
        for (Track track : tracks) {
            channels.add(track.events().stream().map(e -> channel(e, uses.get(Stretch.of(e)), given)).toList());
        }
        return channels;
    }

    /** The track that its file names, where the file says so of one among several; else the next one. */
    private static int channel(Event event, int uses, Map<Stretch, Integer> given) {
        int next = Objects.requireNonNull(given.merge(Stretch.of(event), 1, Integer::sum));
        return uses == 1 ? ALL : event.sourceTrack() > 0 ? event.sourceTrack() : next;
    }

    /** Whether a channel is heard at the left; all others but {@link #ALL} at the right. */
    public static boolean isLeft(int channel) {
        return channel % 2 == 1;
    }
}
