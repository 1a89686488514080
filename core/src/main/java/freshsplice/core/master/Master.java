package freshsplice.core.master;

import freshsplice.core.time.FrameRate;
import java.util.ArrayList;
import java.util.Comparator;
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
    /**
     * @param sections in record order, never overlapping
     */
    public record Lane(String name, boolean enabled, List<Section> sections) {
        public Lane {
            sections = sections.stream().sorted(Comparator.comparingLong((Section s) -> s.record().in())).toList();
            for (int i = 1; i < sections.size(); i++) {
                if (sections.get(i).record().in() < sections.get(i - 1).record().out()) {
                    throw new IllegalArgumentException("Two pieces lie over each other on lane " + name + " at frame "
                            + sections.get(i).record().in());
                }
            }
        }

        public Lane with(List<Section> changed) {
            return new Lane(name, enabled, changed);
        }
    }

    public Master {
        lanes = List.copyOf(lanes);
        if (lanes.isEmpty()) {
            throw new IllegalArgumentException("A master has at least one lane");
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
        List<Lane> changed = new ArrayList<>(lanes);
        changed.set(lane, lanes.get(lane).with(sections));
        return new Master(id, name, rate, dropFrame, start, changed);
    }

    /** @throws IllegalArgumentException if a piece begins before record frame 0 */
    public static Master checked(Master master) {
        for (Lane lane : master.lanes) {
            if (!lane.sections().isEmpty() && lane.sections().get(0).record().in() < 0) {
                throw new IllegalArgumentException("The master cannot begin before record frame 0");
            }
        }
        return master;
    }

    /** The frame after the last of all its lanes; its start where it is empty. */
    public long end() {
        return lanes.stream().flatMap(l -> l.sections().stream()).mapToLong(s -> s.record().out()).max().orElse(start);
    }
}
