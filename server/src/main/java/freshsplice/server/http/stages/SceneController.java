package freshsplice.server.http.stages;

import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.SceneEdit;
import freshsplice.server.shots.SceneEdits;
import freshsplice.server.steps.Asker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The scenes of a project: each a set with an action clock of its own. */
@RestController
@RequestMapping("/api/projects")
class SceneController {
    /** @param shots how many shots are filmed in it */
    record SceneView(long id, String code, String name, long shots) {
    }

    /** @param scene the scene that the edit made or is about; absent where it was removed */
    record SceneMade(@Schema(nullable = true) Long scene) {
    }

    private final Store store;
    private final SceneEdits scenes;

    SceneController(Store store, SceneEdits scenes) {
        this.store = store;
        this.scenes = scenes;
    }

    @GetMapping("/{id}/scenes")
    @Transactional(readOnly = true)
    public List<SceneView> all(@PathVariable long id) {
        Map<Long, Long> shots = store.where(ShotRow.class, "projectId", id).stream()
                .collect(Collectors.groupingBy(s -> s.sceneId, Collectors.counting()));
        return scenes.of(store.get(ProjectRow.class, id)).stream()
                .map(s -> new SceneView(s.id, s.code, s.name, shots.getOrDefault(s.id, 0L))).toList();
    }

    @PostMapping("/{id}/scenes/edits")
    SceneMade editScenes(@PathVariable long id, @Valid @RequestBody SceneEdit edit, Asker who) {
        return new SceneMade(scenes.make(id, edit, who));
    }
}
