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
 * @param lanes     picture lanes from the bottom up, then sound lanes
 * @param markers   in order of time
 * @param kept      what else its file says about it; may be null
 */
public record Cut(String name, FrameRate rate, boolean dropFrame, FrameRange record, List<Lane> lanes,
                  List<Marker> markers, FormatNote kept) {
    public Cut {
        lanes = List.copyOf(lanes);
        markers = List.copyOf(markers);
    }

    public Cut(String name, FrameRate rate, boolean dropFrame, FrameRange record, List<Lane> lanes,
               List<Marker> markers) {
        this(name, rate, dropFrame, record, lanes, markers, null);
    }

    /** Indexes into {@link #lanes} of the lanes of one kind. */
    public List<Integer> lanesOf(Lane.Kind kind) {
        return IntStream.range(0, lanes.size()).filter(i -> lanes.get(i).kind() == kind).boxed().toList();
    }

    /** The same cut with one picture lane instead of all, and with its sound; the lane is seen though it was off. */
    public Cut withPicture(int lane) {
        List<Lane> picked = IntStream.range(0, lanes.size())
                .filter(i -> i == lane || lanes.get(i).kind() == Lane.Kind.SOUND)
                .mapToObj(i -> i == lane ? lanes.get(i).switchedOn() : lanes.get(i)).toList();
        return new Cut(name, rate, dropFrame, record, picked, markers, kept);
    }

    public Timecode timecodeAt(long recordFrame) {
        return Timecode.of(recordFrame, rate, dropFrame);
    }
}
