package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/** Which of several sequences in one file is the edit. */
public final class Sequences {
    private Sequences() {
    }

    /**
     * The sequence that most likely is meant: of those that no other one shows, the one with most picture events, then
     * the first (common practice: a project holds its parts beside the assembled edit).
     *
     * @return its index; 0 for an empty list
     */
    public static int likeliest(List<Cut> cuts) {
        Set<Cut> shown = Collections.newSetFromMap(new IdentityHashMap<>());
        cuts.forEach(cut -> collectNested(cut, shown));
        int best = 0;
        long most = -1;
        for (int i = 0; i < cuts.size(); i++) {
            long events = shown.contains(cuts.get(i)) ? -1 : pictureEvents(cuts.get(i));
            if (events > most) {
                most = events;
                best = i;
            }
        }
        return best;
    }

    private static void collectNested(Cut cut, Set<Cut> shown) {
        for (Track track : cut.tracks()) {
            for (Event event : track.events()) {
                if (event.nested() != null && shown.add(event.nested())) {
                    collectNested(event.nested(), shown);
                }
            }
        }
    }

    private static long pictureEvents(Cut cut) {
        return cut.tracksOf(Track.Kind.PICTURE).stream().mapToLong(i -> cut.tracks().get(i).events().size()).sum();
    }
}
