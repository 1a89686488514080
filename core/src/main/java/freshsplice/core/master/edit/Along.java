package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** Which tracks move along with what comes after an edit. */
public enum Along {
    /** The track of the edit alone. */
    OWN_TRACK,
    /** Every track that is not locked and has room. */
    ALL_TRACKS;

    /** What is meant where nobody says: tracks above follow the main one, the main one follows none. */
    public static Along usual(Set<Integer> tracks) {
        return tracks.contains(0) ? ALL_TRACKS : OWN_TRACK;
    }

    /** Does an edit of some tracks with the others held in place. */
    public Master during(Master master, Set<Integer> tracks, UnaryOperator<Master> edit) {
        if (this == ALL_TRACKS) {
            return edit.apply(master);
        }
        Master held = master;
        for (int i = 0; i < master.tracks().size(); i++) {
            held = tracks.contains(i) ? held : held.withTrack(i, held.tracks().get(i).locked(true));
        }
        Master edited = edit.apply(held);
        for (int i = 0; i < master.tracks().size(); i++) {
            edited = edited.withTrack(i, edited.tracks().get(i).locked(master.tracks().get(i).locked()));
        }
        return edited;
    }

    /**
     * Names of the tracks that did not move along though they had clips after the edit, and were not locked: they had no
     * room. Empty where nothing moved along at all.
     *
     * @param tracks those that were edited
     */
    public static List<String> stayed(Master before, Master after, Set<Integer> tracks) {
        List<String> stayed = new ArrayList<>();
        for (int own : tracks) {
            Map<Long, Clip> now = after.tracks().get(own).clips().stream()
                    .collect(Collectors.toMap(Clip::id, Function.identity(), (a, b) -> a));
            long from = firstMoved(before.tracks().get(own), now);
            long shift = lastShift(before.tracks().get(own), now);
            for (int i = 0; shift != 0 && i < before.tracks().size(); i++) {
                Track track = before.tracks().get(i);
                int first = track.firstFrom(from);
                if (!tracks.contains(i) && !track.locked() && first < track.clips().size()
                        && after.tracks().get(i).equals(track)) {
                    stayed.add(track.name());
                }
            }
        }
        return stayed;
    }

    /** From where on things moved: the end of the clip that was changed or went, or the first that moved whole. */
    private static long firstMoved(Track track, Map<Long, Clip> now) {
        return track.clips().stream().filter(s -> !s.equals(now.get(s.id()))).mapToLong(s -> {
            Clip is = now.get(s.id());
            boolean whole = is != null && is.record().length() == s.record().length();
            return whole ? s.record().in() : s.record().out();
        }).findFirst().orElse(Long.MAX_VALUE);
    }

    private static long lastShift(Track track, Map<Long, Clip> now) {
        List<Clip> there = track.clips().stream().filter(s -> now.containsKey(s.id())).toList();
        Clip last = there.isEmpty() ? null : there.get(there.size() - 1);
        return last == null ? 0 : now.get(last.id()).record().out() - last.record().out();
    }
}
