package freshsplice.server.shots;

import freshsplice.core.stage.Shape;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.StageEdits;
import java.util.List;
import org.springframework.stereotype.Component;

/** The scene that a project's masters are filmed in. Runs inside a step. */
@Component
public class SceneMaker {
    private final Store store;
    private final StageEdits stage;

    SceneMaker(Store store, StageEdits stage) {
        this.store = store;
        this.stage = stage;
    }

    /** The project's scene; a new one with a few things in it where there is none. */
    public SceneRow of(ProjectRow project, String name) {
        List<SceneRow> scenes = store.where(SceneRow.class, "projectId", project.id);
        if (!scenes.isEmpty()) {
            return scenes.get(0);
        }
        SceneRow scene = new SceneRow();
        scene.projectId = project.id;
        scene.code = "1";
        scene.name = name.length() > 200 ? name.substring(0, 200) : name;
        store.add(scene);
        addThing(scene.id, "ground", Shape.BLOCK, "#7f8076", 60, 0.2, 60, 0, -0.2, 0);
        addThing(scene.id, "person", Shape.PERSON, "#7a4b45", 1, 1, 1, 0, 0, 0);
        addThing(scene.id, "block", Shape.BLOCK, "#8f8678", 2, 1, 2, 3, 0, -4);
        return scene;
    }

    /** A set to begin with, so that a new scene is not empty before its own is built. */
    private void addThing(long sceneId, String name, Shape shape, String colour, double w, double h, double d,
                          double x, double y, double z) {
        ItemRow row = new ItemRow();
        row.sceneId = sceneId;
        row.name = name;
        row.shape = shape;
        row.colour = colour;
        row.width = w;
        row.height = h;
        row.depth = d;
        stage.addItem(row, x, y, z, 0);
    }
}
