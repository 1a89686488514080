package freshsplice.server.stages;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.Viewpoint;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.Store;
import freshsplice.server.rows.ViewpointRow;
import freshsplice.server.stages.edit.SetEdit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;

/** Saved positions of the scout view, in the order of their strip. */
@Component
public class Viewpoints {
    private final Store store;

    Viewpoints(Store store) {
        this.store = store;
    }

    public List<ViewpointRow> of(long sceneId) {
        return store.where(ViewpointRow.class, "sceneId", sceneId).stream()
                .sorted(Comparator.comparingInt((ViewpointRow v) -> v.place).thenComparingLong(v -> v.id)).toList();
    }

    /** What a row says. */
    public static Viewpoint viewpoint(ViewpointRow row) {
        return new Viewpoint(row.name, new CameraPose.Place(row.x, row.y, row.z, row.pan, row.tilt, row.roll), row.lens, row.focus);
    }

    /** What an edit is called. */
    String name(SetEdit edit) {
        if (edit instanceof SetEdit.KeepViewpoint keep && keep.viewpoint() == null) {
            return "Keep a viewpoint";
        }
        String name = store.whereIn(ViewpointRow.class, "id", List.of(idOf(edit))).stream().findFirst().map(v -> v.name).orElse("");
        return (edit instanceof SetEdit.KeepViewpoint ? "Overwrite viewpoint " : edit instanceof SetEdit.RenameViewpoint
                ? "Rename viewpoint " : edit instanceof SetEdit.OrderViewpoint ? "Move viewpoint " : "Remove viewpoint ") + name;
    }

    private static Long idOf(SetEdit edit) {
        return edit instanceof SetEdit.KeepViewpoint k ? k.viewpoint() : edit instanceof SetEdit.RenameViewpoint r ? r.viewpoint()
                : edit instanceof SetEdit.OrderViewpoint o ? o.viewpoint() : ((SetEdit.RemoveViewpoint) edit).viewpoint();
    }

    List<Long> done(long sceneId, SetEdit edit) {
        if (edit instanceof SetEdit.KeepViewpoint keep && keep.viewpoint() == null) {
            return List.of(keep(sceneId, keep));
        }
        ViewpointRow row = store.get(ViewpointRow.class, idOf(edit));
        if (row.sceneId != sceneId) {
            throw new Refused("\"" + row.name + "\" is a viewpoint of another scene");
        }
        if (edit instanceof SetEdit.KeepViewpoint keep) {
            fill(row, keep);
        } else if (edit instanceof SetEdit.RenameViewpoint rename) {
            row.name = rename.name().strip();
        } else if (edit instanceof SetEdit.OrderViewpoint order) {
            move(sceneId, row, order.by());
        } else {
            store.remove(row);
        }
        return List.of();
    }

    private long keep(long sceneId, SetEdit.KeepViewpoint keep) {
        List<ViewpointRow> there = of(sceneId);
        ViewpointRow row = new ViewpointRow();
        row.sceneId = sceneId;
        row.place = there.stream().mapToInt(v -> v.place + 1).max().orElse(0);
        row.name = "view " + (there.size() + 1);
        fill(row, keep);
        return store.add(row).id;
    }

    private static void fill(ViewpointRow row, SetEdit.KeepViewpoint keep) {
        CameraPose.Place place = CameraPose.place(CameraPose.checked(keep.placed()));
        row.name = keep.name() == null || keep.name().isBlank() ? row.name : keep.name().strip();
        row.x = place.x();
        row.y = place.y();
        row.z = place.z();
        row.pan = place.pan();
        row.tilt = place.tilt();
        row.roll = place.roll();
        row.lens = CameraChannel.LENS.check(keep.lens());
        row.focus = CameraChannel.FOCUS.check(keep.focus());
    }

    private void move(long sceneId, ViewpointRow row, int by) {
        List<ViewpointRow> order = new ArrayList<>(of(sceneId));
        int at = order.indexOf(row);
        order.remove(row);
        order.add(Math.max(0, Math.min(order.size(), at + by)), row);
        for (int i = 0; i < order.size(); i++) {
            order.get(i).place = i;
        }
    }
}
