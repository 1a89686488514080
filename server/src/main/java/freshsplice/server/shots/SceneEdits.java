package freshsplice.server.shots;

import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.MovingCameras;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Edits of a project's scenes, each as one step. A shot takes its camera along into another scene. */
@Service
public class SceneEdits {
    private final Store store;
    private final Steps steps;
    private final SceneMaker scenes;
    private final MovingCameras cameras;

    SceneEdits(Store store, Steps steps, SceneMaker scenes, MovingCameras cameras) {
        this.store = store;
        this.steps = steps;
        this.scenes = scenes;
        this.cameras = cameras;
    }

    /** @return the scene that it made or is about; null where it was removed */
    public Long make(long projectId, SceneEdit edit, Asker who) {
        return steps.make(projectId, name(edit), who, () -> {
            if (edit instanceof SceneEdit.Add add) {
                checkFree(projectId, add.code(), null);
                return scenes.make(projectId, add.code().strip(), add.name().strip()).id;
            }
            if (edit instanceof SceneEdit.Rename rename) {
                SceneRow scene = scene(projectId, rename.scene());
                checkFree(projectId, rename.code(), scene.id);
                scene.code = rename.code().strip();
                scene.name = rename.name().strip();
                return scene.id;
            }
            if (edit instanceof SceneEdit.Remove remove) {
                remove(scene(projectId, remove.scene()));
                return null;
            }
            return move(projectId, (SceneEdit.MoveShots) edit);
        });
    }

    private long move(long projectId, SceneEdit.MoveShots move) {
        List<ShotRow> shots = move.shots().stream().distinct().map(id -> store.get(ShotRow.class, id)).toList();
        if (shots.stream().anyMatch(s -> s.projectId != projectId)) {
            throw new Refused("These shots are of another project");
        }
        SceneRow to = move.scene() == null ? scenes.make(projectId, freeCode(projectId), "Scene of " + shots.get(0).code)
                : scene(projectId, move.scene());
        Set<Long> ids = shots.stream().map(s -> s.id).collect(Collectors.toSet());
        for (ShotRow shot : shots) {
            if (shot.sceneId != to.id) {
                shot.cameraId = cameras.into(shot, to.id, ids);
                shot.sceneId = to.id;
            }
        }
        return to.id;
    }

    private void remove(SceneRow scene) {
        List<ShotRow> filmed = store.where(ShotRow.class, "sceneId", scene.id);
        if (!filmed.isEmpty()) {
            throw new Refused("\"" + scene.name + "\" is filmed by " + filmed.get(0).code + (filmed.size() > 1 ? " and "
                    + (filmed.size() - 1) + " more" : "") + ": move the shots to another scene first");
        }
        List<SceneRow> others = store.where(SceneRow.class, "projectId", scene.projectId).stream().filter(s -> !s.id.equals(scene.id))
                .toList();
        if (others.isEmpty()) {
            throw new Refused("A project has one scene at least");
        }
        // new shots of a master that was filmed here are filmed in the first scene that is left
        store.where(MasterRow.class, "sceneId", scene.id).forEach(m -> m.sceneId = others.get(0).id);
        store.remove(scene);
    }

    private SceneRow scene(long projectId, long id) {
        SceneRow scene = store.get(SceneRow.class, id);
        if (scene.projectId != projectId) {
            throw new Refused("That scene is of another project");
        }
        return scene;
    }

    private void checkFree(long projectId, String code, Long but) {
        store.where(SceneRow.class, "projectId", projectId).stream()
                .filter(s -> s.code.equalsIgnoreCase(code.strip()) && !s.id.equals(but)).findFirst().ifPresent(s -> {
                    throw new Refused("Scene " + s.code + " is there already: \"" + s.name + "\"");
                });
    }

    private String freeCode(long projectId) {
        Set<String> taken = store.where(SceneRow.class, "projectId", projectId).stream().map(s -> s.code).collect(Collectors.toSet());
        int n = 1;
        while (taken.contains(String.valueOf(n))) {
            n++;
        }
        return String.valueOf(n);
    }

    private String name(SceneEdit edit) {
        if (edit instanceof SceneEdit.Add add) {
            return "Make scene " + add.code();
        }
        if (edit instanceof SceneEdit.Rename rename) {
            return "Rename scene " + rename.code();
        }
        if (edit instanceof SceneEdit.MoveShots move) {
            List<ShotRow> some = store.whereIn(ShotRow.class, "id", move.shots().stream().distinct().limit(3).toList());
            String what = move.shots().size() > 3 ? move.shots().size() + " shots" : String.join(", ", some.stream().map(s -> s.code).toList());
            return "Move " + what + " to another scene";
        }
        return "Remove a scene";
    }

    /** The scenes of a project, the oldest first. */
    public List<SceneRow> of(ProjectRow project) {
        return store.where(SceneRow.class, "projectId", project.id);
    }
}
