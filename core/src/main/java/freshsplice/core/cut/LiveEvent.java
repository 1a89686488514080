package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;

/**
 * A stretch of record frames on which one event is seen.
 *
 * @param record the frames
 * @param path   track and event index; inside a nested cut, track and event of each level in turn
 * @param event  the event at the end of the path, as it stands in its own cut
 * @param time   record frame of the outer cut to source position of that event's source
 */
public record LiveEvent(FrameRange record, List<Integer> path, Event event, TimeMap time) {
    public int track() {
        return path.get(0);
    }

    public Rational from() {
        return time.at(record.in());
    }

    public Rational to() {
        return time.at(record.out());
    }
}
