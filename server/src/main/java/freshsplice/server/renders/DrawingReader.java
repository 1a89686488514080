package freshsplice.server.renders;

import freshsplice.core.master.Master;
import freshsplice.core.render.Recipe;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads all that a render is drawn from, in one transaction. */
@Component
class DrawingReader {
    private final Store store;
    private final MasterStore masters;
    private final FilmedShots shots;
    private final RenderSound sounds;
    private final Recipes recipes;
    private final ShotDrawings ofShots;
    private final MasterDrawings ofMasters;
    private final GivenDrawings given;

    DrawingReader(Store store, MasterStore masters, FilmedShots shots, RenderSound sounds, Recipes recipes, ShotDrawings ofShots, MasterDrawings ofMasters,
                  GivenDrawings given) {
        this.store = store;
        this.masters = masters;
        this.shots = shots;
        this.sounds = sounds;
        this.recipes = recipes;
        this.ofShots = ofShots;
        this.ofMasters = ofMasters;
        this.given = given;
    }

    @Transactional(readOnly = true)
    public Drawing read(long renderId) {
        RenderRow render = store.get(RenderRow.class, renderId);
        ProjectRow project = store.get(ProjectRow.class, render.projectId);
        Recipe recipe = recipes.of(render);
        if (render.mediaId != null) {
            return given.of(render, recipe, project);
        }
        Master master = masters.read(render.masterId == null ? masters.of(project.id).orElseThrow() : store.get(MasterRow.class, render.masterId));
        RenderSound.Under under = sounds.under(master, project.rate);
        FilmedShots.Of all = shots.of(project.id);
        return render.shotId == null ? ofMasters.of(render, recipe, project, master, all, under) : ofShots.of(render, recipe, project, all, under);
    }
}
