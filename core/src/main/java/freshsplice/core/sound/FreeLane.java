package freshsplice.core.sound;

import freshsplice.core.time.FrameRange;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;

/** Which lane a piece of sound is laid on, so that none lies over another. */
public final class FreeLane {
    private FreeLane() {
    }

    /**
     * The preferred lane where it is free, else the first that is, else a new one after the last, called A and a number.
     *
     * @param lanes     what lies on each lane, by its name
     * @param preferred may be null
     */
    public static String of(SortedMap<String, List<FrameRange>> lanes, FrameRange wanted, String preferred) {
        if (preferred != null && isFree(lanes.getOrDefault(preferred, List.of()), wanted)) {
            return preferred;
        }
        return lanes.entrySet().stream().filter(l -> isFree(l.getValue(), wanted)).map(Map.Entry::getKey).findFirst()
                .orElseGet(() -> fresh(lanes));
    }

    private static boolean isFree(List<FrameRange> laid, FrameRange wanted) {
        return laid.stream().noneMatch(r -> r.overlaps(wanted));
    }

    private static String fresh(SortedMap<String, List<FrameRange>> lanes) {
        int number = lanes.size() + 1;
        while (lanes.containsKey("A" + number)) {
            number++;
        }
        return "A" + number;
    }
}
