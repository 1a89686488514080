package freshsplice.exchange.format;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** How large cuts become when the cuts nested in them are opened: a short file may say ten to the power of ten events. */
public final class NestedSize {
    private final Map<Cut, Long> known = new IdentityHashMap<>();

    private NestedSize() {
    }

    /** @throws UnreadableFile if the cuts hold more events than a cut may, all that is nested in them counted */
    public static void check(InputFile file, List<Cut> cuts, Limits limits) {
        NestedSize opened = new NestedSize();
        long all = 0;
        for (Cut cut : cuts) {
            all = Math.min(Long.MAX_VALUE / 2, all + opened.events(cut));
        }
        if (all > limits.maxEvents()) {
            throw new UnreadableFile(file.name() + " holds " + all + " events when its nested cuts are opened; at most "
                    + limits.maxEvents() + " can be read");
        }
    }

    private long events(Cut cut) {
        Long there = known.get(cut);
        if (there != null) {
            return there;
        }
        long sum = 0;
        for (Track track : cut.tracks()) {
            sum += track.events().size();
            for (Event event : track.events()) {
                if (event.nested() != null) {
                    sum = Math.min(Long.MAX_VALUE / 4, sum + events(event.nested()));
                }
            }
        }
        known.put(cut, sum);
        return sum;
    }
}
