package freshsplice.server.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.edit.Reach;
import freshsplice.core.camera.edit.SetValues;
import freshsplice.core.motion.Easing;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.edit.SetEdit;
import freshsplice.server.stores.stages.CameraStore;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Cameras of a scene that need no shot: made from a view, copied, taken away. Runs inside a step. */
@Component
class SceneCameras {
    private final Store store;
    private final CameraStore cameras;

    SceneCameras(Store store, CameraStore cameras) {
        this.store = store;
        this.cameras = cameras;
    }

    static boolean isOne(SetEdit edit) {
        return edit instanceof SetEdit.AddCamera || edit instanceof SetEdit.CopyCamera || edit instanceof SetEdit.RemoveCamera
                || edit instanceof SetEdit.SetCameras;
    }

    /** What an edit is called. */
    String name(SetEdit edit) {
        if (edit instanceof SetEdit.AddCamera) {
            return "Make a camera";
        }
        if (edit instanceof SetEdit.SetCameras set) {
            return (set.locked() == null ? "Change " : set.locked() ? "Lock " : "Unlock ") + set.cameras().size() + " cameras";
        }
        long id = edit instanceof SetEdit.CopyCamera copy ? copy.camera() : ((SetEdit.RemoveCamera) edit).camera();
        String name = store.whereIn(CameraRow.class, "id", List.of(id)).stream().findFirst().map(c -> c.name).orElse("");
        return (edit instanceof SetEdit.CopyCamera ? "Copy " : "Take away ") + name;
    }

    List<Long> done(long sceneId, SetEdit edit) {
        if (edit instanceof SetEdit.AddCamera add) {
            return List.of(add(sceneId, add));
        }
        if (edit instanceof SetEdit.CopyCamera copy) {
            CameraRow from = in(sceneId, copy.camera());
            // a copy is there to be worked on, whatever it is a copy of
            return List.of(cameras.add(sceneId, cameras.camera(from.id).named(free(sceneId, from.name)).locked(false)).id);
        }
        if (edit instanceof SetEdit.SetCameras set) {
            set.cameras().stream().distinct().forEach(id -> set(in(sceneId, id), set));
            return List.of();
        }
        remove(in(sceneId, ((SetEdit.RemoveCamera) edit).camera()));
        return List.of();
    }

    private long add(long sceneId, SetEdit.AddCamera add) {
        ProjectRow project = store.get(ProjectRow.class, store.get(SceneRow.class, sceneId).projectId);
        Map<CameraChannel, Double> values = CameraPose.place(CameraPose.checked(add.placed())).values();
        values.put(CameraChannel.LENS, add.lens());
        String wanted = add.name() == null || add.name().isBlank() ? "camera" : add.name().strip();
        Camera camera = Camera.named(free(sceneId, wanted), new FilmBack(project.backWidth, project.backHeight));
        return cameras.add(sceneId, SetValues.at(camera, 0, values, Reach.WHOLE, Easing.EASED)).id;
    }

    /** All or none: one that is locked refuses for all, so that nobody has to look for which were changed. */
    private void set(CameraRow row, SetEdit.SetCameras edit) {
        Camera camera = cameras.camera(row.id);
        if (camera.locked() && edit.locked() == null) {
            throw CameraEdits.locked(camera);
        }
        Map<CameraChannel, Double> values = CameraChannel.byWord(edit.values() == null ? Map.of() : edit.values());
        Camera after = values.isEmpty() ? camera : SetValues.at(camera, 0, values, Reach.WHOLE, Easing.EASED);
        if (edit.backWidth() != null && edit.backHeight() != null) {
            after = after.on(new FilmBack(edit.backWidth(), edit.backHeight()));
        }
        cameras.write(row, edit.locked() == null ? after : after.locked(edit.locked()));
    }

    private void remove(CameraRow row) {
        List<ShotRow> filmed = store.where(ShotRow.class, "cameraId", row.id);
        if (!filmed.isEmpty()) {
            throw new Refused("\"" + row.name + "\" films " + filmed.get(0).code + ": film that with another camera first");
        }
        if (row.locked) {
            throw CameraEdits.locked(cameras.camera(row.id));
        }
        store.remove(row);
    }

    private CameraRow in(long sceneId, long cameraId) {
        CameraRow row = store.get(CameraRow.class, cameraId);
        if (row.sceneId != sceneId) {
            throw new Refused("\"" + row.name + "\" is a camera of another scene");
        }
        return row;
    }

    /** "camera", then "camera 2". */
    private String free(long sceneId, String wanted) {
        Set<String> taken = store.where(CameraRow.class, "sceneId", sceneId).stream().map(c -> c.name).collect(Collectors.toSet());
        return NewThings.free(wanted, taken);
    }
}
