package freshsplice.core.sound;

import freshsplice.core.time.FrameRange;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;

/** Which track a clip of sound is laid on, so that none lies over another. */
public final class FreeTrack {
    private FreeTrack() {
    }

    /**
     * The preferred track where it is free, else the first that is, else a new one after the last, called A and a number.
     *
     * @param tracks     what lies on each track, by its name
     * @param preferred may be null
     */
    public static String of(SortedMap<String, List<FrameRange>> tracks, FrameRange wanted, String preferred) {
        if (preferred != null && isFree(tracks.getOrDefault(preferred, List.of()), wanted)) {
            return preferred;
        }
        return tracks.entrySet().stream().filter(l -> isFree(l.getValue(), wanted)).map(Map.Entry::getKey).findFirst()
                .orElseGet(() -> fresh(tracks));
    }

    private static boolean isFree(List<FrameRange> laid, FrameRange wanted) {
        return laid.stream().noneMatch(r -> r.overlaps(wanted));
    }

    private static String fresh(SortedMap<String, List<FrameRange>> tracks) {
        int number = tracks.size() + 1;
        while (tracks.containsKey("A" + number)) {
            number++;
        }
        return "A" + number;
    }
}
