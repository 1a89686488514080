package freshsplice.server.masters;

import freshsplice.core.words.Amounts;
import freshsplice.server.masters.edit.MasterEdit;
import freshsplice.server.masters.edit.OrderEdit;
import freshsplice.server.masters.edit.TrackEdit;
import freshsplice.server.rows.ClipRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MasterTrackRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What an edit is called in the history and on the undo button. */
@Component
class EditNames {
    private final Store store;

    EditNames(Store store) {
        this.store = store;
    }

    String of(MasterEdit edit) {
        String what = edit instanceof TrackEdit track ? trackName(track) : clips(edit.clips());
        Long frames = edit.movedBy();
        return verb(edit) + what + (frames == null ? "" : " by " + (frames > 0 ? "+" : "−") + Amounts.frames(Math.abs(frames)));
    }

    /** What is switched off is switched on again by the same edit: the name says which of both it was. */
    private String verb(MasterEdit edit) {
        if (edit instanceof OrderEdit.Switch) {
            return store.whereIn(ClipRow.class, "id", List.copyOf(Set.copyOf(edit.clips()))).stream()
                    .anyMatch(s -> s.enabled) ? "Switch off" : "Switch on";
        }
        if (edit instanceof TrackEdit.Switch track) {
            return track(track).filter(l -> !l.enabled).isPresent() ? "Switch on" : "Switch off";
        }
        if (edit instanceof TrackEdit.Lock track) {
            return track(track).filter(l -> l.locked).isPresent() ? "Unlock" : "Lock";
        }
        return edit.words();
    }

    private Optional<MasterTrackRow> track(TrackEdit edit) {
        return edit.track() == null ? Optional.empty()
                : store.whereIn(MasterTrackRow.class, "id", List.of(edit.track())).stream().findFirst();
    }

    /** A track that is called Track 2 is not called track Track 2. */
    private String trackName(TrackEdit edit) {
        String name = track(edit).map(l -> l.name).orElse("");
        return edit.track() == null ? "" : name.toLowerCase(Locale.ROOT).startsWith("track") ? " " + name : " track " + name;
    }

    /** Only what is named is read here: the edit itself reads the rest, in its transaction. */
    private String clips(List<Long> clips) {
        Set<Long> ids = Set.copyOf(clips);
        List<ClipRow> named = store.whereIn(ClipRow.class, "id", List.copyOf(ids)).stream()
                .sorted(Comparator.comparingLong(r -> r.recIn)).toList();
        Map<Long, String> codeOf = store.whereIn(ShotRow.class, "id", named.stream().filter(r -> r.shotId != null)
                .map(r -> r.shotId).distinct().toList()).stream().collect(Collectors.toMap(r -> r.id, r -> r.code));
        List<String> codes = named.stream().map(r -> name(r, codeOf)).distinct().toList();
        return codes.isEmpty() ? "" : codes.size() > 3 ? " " + codes.size() + " clips" : " " + String.join(", ", codes);
    }

    private String name(ClipRow row, Map<Long, String> codeOf) {
        return switch (row.content) {
            case SHOT -> codeOf.getOrDefault(row.shotId, "a clip");
            case MASTER -> store.get(MasterRow.class, row.nestedId).name;
            case SLATE -> "slate";
            case BLACK -> "black";
            case RENDER -> "a render";
        };
    }
}
