package freshsplice.server.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.edit.Mounting;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import freshsplice.server.refusals.ToBeConfirmed;
import freshsplice.server.rows.CameraMountRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;

/** Cameras that are tied to things: mounted on them, aimed at them, focused on them. */
@Component
public class HangingCameras {
    private final Store store;
    private final CameraStore cameras;
    private final StageStore stages;

    HangingCameras(Store store, CameraStore cameras, StageStore stages) {
        this.store = store;
        this.cameras = cameras;
        this.stages = stages;
    }

    private Set<Long> on(long itemId) {
        Set<Long> ids = new HashSet<>();
        store.where(CameraMountRow.class, "itemId", itemId).forEach(m -> ids.add(m.cameraId));
        store.where(CameraRow.class, "aimItem", itemId).forEach(c -> ids.add(c.id));
        store.where(CameraRow.class, "focusItem", itemId).forEach(c -> ids.add(c.id));
        return ids;
    }

    /** Names of the cameras that hang on a thing. */
    public List<String> namesOn(long itemId) {
        return store.whereIn(CameraRow.class, "id", List.copyOf(on(itemId))).stream().map(c -> c.name).sorted().toList();
    }

    /** @throws ToBeConfirmed if a locked camera hangs on one of some things: it goes along where that goes */
    void askAboutLocked(List<ItemRow> rows) {
        for (ItemRow row : rows) {
            List<String> locked = store.whereIn(CameraRow.class, "id", List.copyOf(on(row.id))).stream().filter(c -> c.locked).map(c -> c.name).sorted()
                    .toList();
            if (!locked.isEmpty()) {
                throw new ToBeConfirmed("\"" + locked.get(0) + "\" is locked because it is finished, and follows " + row.name
                        + (locked.size() == 1 ? "" : ", as " + Amounts.of(locked.size() - 1, "other locked camera does", "other locked cameras do"))
                        + ": its picture would change");
            }
        }
    }

    /** What hangs on some things, to be said with what is done to them; empty for nothing. */
    String words(List<ItemRow> rows) {
        Set<String> names = new TreeSet<>();
        rows.forEach(row -> names.addAll(namesOn(row.id)));
        return names.isEmpty() ? "" : names.size() > 3 ? ", letting go of " + names.size() + " cameras"
                : ", letting go of " + String.join(", ", names);
    }

    /**
     * Frees what hangs on a thing before that is taken out: each camera stays as it is at its shot's first frame, where it has a shot.
     *
     * @throws freshsplice.core.refusal.Refusal if one of the cameras is locked
     */
    void letGo(ItemRow item, long actionFrame) {
        for (long id : on(item.id)) {
            CameraRow row = store.get(CameraRow.class, id);
            Camera camera = cameras.camera(id);
            if (camera.locked()) {
                throw CameraEdits.locked(camera);
            }
            Stage stage = stages.stage(row.sceneId);
            cameras.write(row, Mounting.without(camera, stage, moment(id, actionFrame), item.id));
        }
    }

    private Moment moment(long cameraId, long actionFrame) {
        return store.where(ShotRow.class, "cameraId", cameraId).stream().findFirst()
                .map(shot -> new Moment(Rational.of(shot.cutIn), Rational.of(shot.cutIn + shot.actionOffset)))
                .orElseGet(() -> new Moment(Rational.of(actionFrame), Rational.of(actionFrame)));
    }
}
