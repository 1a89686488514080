package freshsplice.core.sound;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * Which channel of its source a piece of sound plays. A lane of an edit carries one channel: where a list lays the same
 * stretch of one source on several lanes, as {@code AA} does, the first of them plays its first channel and the next its
 * second. One that lies alone plays all of its source (common practice).
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
     * For each lane and event the channel, counted from 1, or {@link #ALL}. Odd ones are heard at the left, even ones at the
     * right.
     *
     * @param lanes sound lanes, the first first
     */
    public static List<List<Integer>> of(List<Lane> lanes) {
        Map<Stretch, Integer> uses = new HashMap<>();
        lanes.forEach(lane -> lane.events().forEach(e -> uses.merge(Stretch.of(e), 1, Integer::sum)));
        Map<Stretch, Integer> given = new HashMap<>();
        List<List<Integer>> channels = new ArrayList<>();
        for (Lane lane : lanes) {
            channels.add(lane.events().stream().map(Stretch::of)
                    .map(s -> uses.get(s) == 1 ? ALL : Objects.requireNonNull(given.merge(s, 1, Integer::sum))).toList());
        }
        return channels;
    }

    /** Whether a channel is heard at the left; all others but {@link #ALL} at the right. */
    public static boolean isLeft(int channel) {
        return channel % 2 == 1;
    }
}
