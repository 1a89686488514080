package freshsplice.server.masters;

import freshsplice.server.store.MasterLaneRow;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.SectionRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
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
        return edit.kind().words() + what + (!moves ? "" : " by " + (frames > 0 ? "+" : "−") + Math.abs(frames)
                + (Math.abs(frames) == 1 ? " frame" : " frames"));
    }

    private String laneName(long laneId) {
        return store.whereIn(MasterLaneRow.class, "id", List.of(laneId)).stream().map(l -> l.name).findFirst().orElse("");
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
