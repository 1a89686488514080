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
 * @param lanes     from the bottom up; the topmost enabled section is the live one
 */
public record Master(long id, String name, FrameRate rate, boolean dropFrame, long start, List<Lane> lanes) {
    public Master {
        lanes = List.copyOf(lanes);
        if (lanes.isEmpty()) {
            throw new Refusal("A master has at least one lane");
        }
    }

    /** The lane that the shots are conformed on. */
    public Lane main() {
        return lanes.get(0);
    }

    public Master withMain(List<Section> sections) {
        return withLane(0, sections);
    }

    public Master withLane(int lane, List<Section> sections) {
        return withLane(lane, lanes.get(lane).with(sections));
    }

    public Master withLane(int index, Lane lane) {
        List<Lane> changed = new ArrayList<>(lanes);
        changed.set(index, lane);
        return withLanes(changed);
    }

    public Master withLanes(List<Lane> changed) {
        return new Master(id, name, rate, dropFrame, start, changed);
    }

    public Master startingAt(long frame) {
        return new Master(id, name, rate, dropFrame, frame, lanes);
    }

    /** The same, beginning with its first piece where that lies before: nothing of it is ever outside. */
    public Master fromItsFirst() {
        long first = lanes.stream().filter(l -> !l.sections().isEmpty()).mapToLong(l -> l.sections().get(0).seen(null).in())
                .min().orElse(start);
        return first < start ? startingAt(first) : this;
    }

    /** @throws IllegalArgumentException if a piece begins before record frame 0 */
    public static Master checked(Master master) {
        for (Lane lane : master.lanes) {
            if (!lane.sections().isEmpty() && lane.sections().get(0).record().in() < 0) {
                throw new Refusal("The master cannot begin before record frame 0");
            }
        }
        return master;
    }

    /** The frame after the last of all its lanes; its start where it is empty. */
    public long end() {
        return lanes.stream().filter(l -> !l.sections().isEmpty())
                .mapToLong(l -> l.sections().get(l.sections().size() - 1).record().out()).max().orElse(start);
    }

    /** Every piece of every lane, from the bottom up. */
    public List<Section> sections() {
        return lanes.stream().flatMap(l -> l.sections().stream()).toList();
    }
}
