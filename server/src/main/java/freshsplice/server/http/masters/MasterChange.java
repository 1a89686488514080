package freshsplice.server.http.masters;

import freshsplice.server.http.changes.ListChange;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The tracks since a window last asked: either whole, or the same without its long lists and how each of those came out of the
 * one that the window has.
 *
 * @param whole the view, with empty lists where {@code lists} says how they changed
 * @param lists changes by the list's name; those of tracks above the main one as {@code upper.0} from the bottom up. Empty where
 *              {@code whole} is all
 * @param since stamp of the view that they begin at; null where {@code whole} is all
 */
public record MasterChange(MasterView whole, Map<String, ListChange> lists, @Schema(nullable = true) String since) {
    static MasterChange all(MasterView view) {
        return new MasterChange(view, Map.of(), null);
    }

    /** @param older what the window has; of the same master, with as many tracks */
    static MasterChange between(MasterView older, MasterView newer) {
        if (older.upper().size() != newer.upper().size()) {
            return all(newer);
        }
        Map<String, ListChange> lists = new LinkedHashMap<>();
        lists.put("clips", ListChange.between(older.clips(), newer.clips()));
        lists.put("live", ListChange.between(older.live(), newer.live()));
        lists.put("seams", ListChange.between(older.seams(), newer.seams()));
        lists.put("renders", ListChange.between(older.renders(), newer.renders()));
        lists.put("gaps", ListChange.between(older.gaps(), newer.gaps()));
        lists.put("shots", ListChange.between(older.shots(), newer.shots()));
        lists.put("differences", ListChange.between(older.differences(), newer.differences()));
        lists.put("sound", ListChange.between(older.sound(), newer.sound()));
        lists.put("markers", ListChange.between(older.markers(), newer.markers()));
        for (int i = 0; i < newer.upper().size(); i++) {
            lists.put("upper." + i, ListChange.between(older.upper().get(i).clips(), newer.upper().get(i).clips()));
        }
        return new MasterChange(newer.withoutLists(), lists, older.stamp());
    }

}
