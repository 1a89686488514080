package freshsplice.server.http.stages;

import freshsplice.core.conform.Conform;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.stages.CameraStore;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Which camera films which shot. Several shots may share one: its keys stand at the same frames in each. */
@Component
class ShotCameras {
    private final Store store;
    private final CameraStore cameras;
    private final Steps steps;

    ShotCameras(Store store, CameraStore cameras, Steps steps) {
        this.cameras = cameras;
        this.store = store;
        this.steps = steps;
    }

    /** @param ofScene all cameras of the scene */
    List<StageView.CameraChoice> choices(long sceneId, List<CameraRow> ofScene) {
        Map<Long, List<String>> films = store.where(ShotRow.class, "sceneId", sceneId).stream()
                .collect(Collectors.groupingBy(s -> s.cameraId, Collectors.mapping(s -> s.code, Collectors.toList())));
        return ofScene.stream().map(c -> new StageView.CameraChoice(c.id, c.name, films.getOrDefault(c.id, List.of()), c.locked)).toList();
    }

    /** @param cameraId a camera of the shot's scene; null for a new one with the keys of the one it has */
    void filmWith(long shotId, Long cameraId, Asker who) {
        ShotRow asked = store.get(ShotRow.class, shotId);
        String name = cameraId == null ? "Give " + asked.code + " a camera of its own"
                : "Film " + asked.code + " with " + store.get(CameraRow.class, cameraId).name;
        steps.make(asked.projectId, name, who, () -> {
            ShotRow shot = store.get(ShotRow.class, shotId);
            if (cameraId == null) {
                shot.cameraId = copy(shot);
            } else if (store.get(CameraRow.class, cameraId).sceneId == shot.sceneId) {
                shot.cameraId = cameraId;
            } else {
                throw new Refused("That camera stands in another scene: choose one of this scene");
            }
            return null;
        });
    }

    private long copy(ShotRow shot) {
        // a copy is there to be worked on, whatever it is a copy of
        return cameras.add(shot.sceneId, cameras.camera(shot.cameraId).named(free(shot)).locked(false)).id;
    }

    private String free(ShotRow shot) {
        List<String> taken = store.where(CameraRow.class, "sceneId", shot.sceneId).stream().map(c -> c.name).toList();
        String name = Conform.cameraOf(shot.code);
        for (int n = 2; taken.contains(name); n++) {
            name = Conform.cameraOf(shot.code) + n;
        }
        return name;
    }
}
