package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import java.util.List;
import java.util.stream.IntStream;

/**
 * One received version of an edit. Record frames count from the frame whose timecode is 00:00:00:00 at its rate.
 *
 * @param name      the edit's title
 * @param rate      the rate of its record clock
 * @param dropFrame whether its record timecode drops
 * @param record    from its first frame to the frame after its last
 * @param tracks     picture tracks from the bottom up, then sound tracks
 * @param markers   in order of time
 * @param kept      what else its file says about it; may be null
 */
public record Cut(String name, FrameRate rate, boolean dropFrame, FrameRange record, List<Track> tracks,
                  List<Marker> markers, FormatNote kept) {
    public Cut {
        tracks = List.copyOf(tracks);
        markers = List.copyOf(markers);
    }

    public Cut(String name, FrameRate rate, boolean dropFrame, FrameRange record, List<Track> tracks,
               List<Marker> markers) {
        this(name, rate, dropFrame, record, tracks, markers, null);
    }

    /** Indexes into {@link #tracks} of the tracks of one kind. */
    public List<Integer> tracksOf(Track.Kind kind) {
        return IntStream.range(0, tracks.size()).filter(i -> tracks.get(i).kind() == kind).boxed().toList();
    }

    /** The same cut with one picture track instead of all, and with its sound; the track is seen though it was off. */
    public Cut withPicture(int track) {
        List<Track> picked = IntStream.range(0, tracks.size())
                .filter(i -> i == track || tracks.get(i).kind() == Track.Kind.SOUND)
                .mapToObj(i -> i == track ? tracks.get(i).switchedOn() : tracks.get(i)).toList();
        return new Cut(name, rate, dropFrame, record, picked, markers, kept);
    }

    public Timecode timecodeAt(long recordFrame) {
        return Timecode.of(recordFrame, rate, dropFrame);
    }
}
