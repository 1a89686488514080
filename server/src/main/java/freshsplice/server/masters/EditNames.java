package freshsplice.server.masters;

import freshsplice.core.words.Amounts;
import freshsplice.server.masters.edit.LaneEdit;
import freshsplice.server.masters.edit.MasterEdit;
import freshsplice.server.masters.edit.OrderEdit;
import freshsplice.server.rows.MasterLaneRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.SectionRow;
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
        String what = edit instanceof LaneEdit lane ? laneName(lane) : pieces(edit.sections());
        Long frames = edit.movedBy();
        return verb(edit) + what + (frames == null ? "" : " by " + (frames > 0 ? "+" : "−") + Amounts.frames(Math.abs(frames)));
    }

    /** What is switched off is switched on again by the same edit: the name says which of both it was. */
    private String verb(MasterEdit edit) {
        if (edit instanceof OrderEdit.Switch) {
            return store.whereIn(SectionRow.class, "id", List.copyOf(Set.copyOf(edit.sections()))).stream()
                    .anyMatch(s -> s.enabled) ? "Switch off" : "Switch on";
        }
        if (edit instanceof LaneEdit.Switch lane) {
            return lane(lane).filter(l -> !l.enabled).isPresent() ? "Switch on" : "Switch off";
        }
        if (edit instanceof LaneEdit.Lock lane) {
            return lane(lane).filter(l -> l.locked).isPresent() ? "Unlock" : "Lock";
        }
        return edit.words();
    }

    private Optional<MasterLaneRow> lane(LaneEdit edit) {
        return edit.lane() == null ? Optional.empty()
                : store.whereIn(MasterLaneRow.class, "id", List.of(edit.lane())).stream().findFirst();
    }

    /** A lane that is called Lane 2 is not called lane Lane 2. */
    private String laneName(LaneEdit edit) {
        String name = lane(edit).map(l -> l.name).orElse("");
        return edit.lane() == null ? "" : name.toLowerCase(Locale.ROOT).startsWith("lane") ? " " + name : " lane " + name;
    }

    /** Only what is named is read here: the edit itself reads the rest, in its transaction. */
    private String pieces(List<Long> sections) {
        Set<Long> ids = Set.copyOf(sections);
        List<SectionRow> named = store.whereIn(SectionRow.class, "id", List.copyOf(ids)).stream()
                .sorted(Comparator.comparingLong(r -> r.recIn)).toList();
        Map<Long, String> codeOf = store.whereIn(ShotRow.class, "id", named.stream().filter(r -> r.shotId != null)
                .map(r -> r.shotId).distinct().toList()).stream().collect(Collectors.toMap(r -> r.id, r -> r.code));
        List<String> codes = named.stream().map(r -> name(r, codeOf)).distinct().toList();
        return codes.isEmpty() ? "" : codes.size() > 3 ? " " + codes.size() + " pieces" : " " + String.join(", ", codes);
    }

    private String name(SectionRow row, Map<Long, String> codeOf) {
        return switch (row.content) {
            case SHOT -> codeOf.getOrDefault(row.shotId, "a piece");
            case MASTER -> store.get(MasterRow.class, row.nestedId).name;
            case SLATE -> "slate";
            case BLACK -> "black";
            case RENDER -> "a render";
        };
    }
}
