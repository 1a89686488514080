package freshsplice.server.shots;

import freshsplice.core.stage.Shape;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.NewThings;
import freshsplice.server.stages.edit.SetEdit;
import java.util.List;
import org.springframework.stereotype.Component;

/** The scene that a project's masters are filmed in. Runs inside a step. */
@Component
public class SceneMaker {
    private final Store store;
    private final NewThings things;

    SceneMaker(Store store, NewThings things) {
        this.store = store;
        this.things = things;
    }

    /** The project's scene; a new one with nothing but ground where there is none. */
    public SceneRow of(ProjectRow project, String name) {
        List<SceneRow> scenes = store.where(SceneRow.class, "projectId", project.id);
        if (!scenes.isEmpty()) {
            return scenes.get(0);
        }
        return make(project.id, "1", name);
    }

    /** The scene of a code, whatever its case; a new one where there is none. */
    public SceneRow coded(ProjectRow project, String code) {
        return store.where(SceneRow.class, "projectId", project.id).stream().filter(s -> s.code.equalsIgnoreCase(code)).findFirst()
                .orElseGet(() -> make(project.id, code, "Scene " + code));
    }

    /** A new scene with nothing but ground. */
    public SceneRow make(long projectId, String code, String name) {
        SceneRow scene = new SceneRow();
        scene.projectId = projectId;
        scene.code = code;
        scene.name = name.length() > 200 ? name.substring(0, 200) : name;
        store.add(scene);
        things.add(scene.id, new SetEdit.Add(Shape.BLOCK, "ground", "#7f8076", new double[] {60, 0.2, 60}, 0, -0.2, 0, 0, null));
        return scene;
    }
}
