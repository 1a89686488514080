package freshsplice.server.masters;

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
    private static final Set<MasterEdit.Kind> MOVES = Set.of(MasterEdit.Kind.ROLL, MasterEdit.Kind.HEAD,
            MasterEdit.Kind.TAIL, MasterEdit.Kind.SLIP, MasterEdit.Kind.SLIDE, MasterEdit.Kind.MOVE_KEY);

    private final Store store;

    EditNames(Store store) {
        this.store = store;
    }

    String of(MasterEdit edit) {
        String what = edit.lane() != null && edit.kind().name().startsWith("LANE_") ? " " + laneName(edit.lane())
                : pieces(edit);
        Long frames = edit.frames();
        boolean moves = frames != null && MOVES.contains(edit.kind());
        return verb(edit) + what + (!moves ? "" : " by " + (frames > 0 ? "+" : "−") + Math.abs(frames)
                + (Math.abs(frames) == 1 ? " frame" : " frames"));
    }

    /** What is switched off is switched on again by the same edit: the name says which of both it was. */
    private String verb(MasterEdit edit) {
        return switch (edit.kind()) {
            case SWITCH -> store.whereIn(SectionRow.class, "id", List.copyOf(Set.copyOf(edit.sections()))).stream()
                    .anyMatch(s -> s.enabled) ? "Switch off" : "Switch on";
            case LANE_SWITCH -> lane(edit).filter(l -> !l.enabled).isPresent() ? "Switch on" : "Switch off";
            case LANE_LOCK -> lane(edit).filter(l -> l.locked).isPresent() ? "Unlock" : "Lock";
            default -> edit.kind().words();
        };
    }

    private Optional<MasterLaneRow> lane(MasterEdit edit) {
        return edit.lane() == null ? Optional.empty()
                : store.whereIn(MasterLaneRow.class, "id", List.of(edit.lane())).stream().findFirst();
    }

    /** A lane that is called Lane 2 is not called lane Lane 2. */
    private String laneName(long laneId) {
        String name = store.whereIn(MasterLaneRow.class, "id", List.of(laneId)).stream().map(l -> l.name).findFirst().orElse("");
        return name.toLowerCase(Locale.ROOT).startsWith("lane") ? name : "lane " + name;
    }

    /** Only what is named is read here: the edit itself reads the rest, in its transaction. */
    private String pieces(MasterEdit edit) {
        boolean none = edit.sections() == null || edit.kind() == MasterEdit.Kind.NEW_SHOT
                || edit.kind() == MasterEdit.Kind.ROLL;
        Set<Long> ids = none ? Set.of() : Set.copyOf(edit.sections());
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
