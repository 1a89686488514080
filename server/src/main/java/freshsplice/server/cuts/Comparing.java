package freshsplice.server.cuts;

import freshsplice.core.changes.ChangeFinder;
import freshsplice.core.changes.CutSound;
import freshsplice.core.changes.Origins;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Cut;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.master.Master;
import freshsplice.server.refusals.Refused;
import freshsplice.server.renders.FinishedRenders;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.LaidSound;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** A master against a cut, with all of our own names known. */
@Component
public class Comparing {
    private final Store store;
    private final CutStore cuts;
    private final LaidSound laidSound;
    private final MasterStore masters;
    private final KnownSources knownSources;
    private final CameraStore cameras;

    Comparing(Store store, CutStore cuts, LaidSound laidSound, MasterStore masters, KnownSources knownSources,
              CameraStore cameras) {
        this.cameras = cameras;
        this.knownSources = knownSources;
        this.masters = masters;
        this.laidSound = laidSound;
        this.store = store;
        this.cuts = cuts;
    }

    /**
     * A master against a newer cut.
     *
     * @param masterId null for the project's first
     * @throws Refused if there is no master yet
     */
    public ComparedMaster compare(long cutId, Long masterId) {
        CutRow cutRow = store.get(CutRow.class, cutId);
        MasterRow row = masters.asked(cutRow.projectId, masterId)
                .orElseThrow(() -> new Refused("There is no master yet: receive a first cut in Intake"));
        Cut cut = cuts.picked(cutRow);
        Master master = masters.read(row);
        Map<Long, ShotRow> shots = masters.shotRows(cutRow.projectId);
        List<CutClip> clips = cuts.clips(cutRow);
        return new ComparedMaster(row, master, shots, cameras.ofProject(row.projectId), cutRow, cut,
                turnover(row, master, shots, clips, cut));
    }

    public Turnover turnover(MasterRow row, Master master, Map<Long, ShotRow> shots, List<CutClip> clips, Cut cut) {
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Turnover.Sources known = knownSources.of(project.id);
        return Turnover.of(master, masters.nested(), MasterStore.shots(shots), clips, origins(project.id, shots), known,
                project.handles, sound(row, cut, known));
    }

    private Origins origins(long projectId, Map<Long, ShotRow> shots) {
        Origins origins = new Origins();
        masters.aliases(projectId).forEach(origins::shot);
        shots.values().forEach(s -> origins.shot(s.code, s.id));
        for (RenderRow render : store.where(RenderRow.class, "projectId", projectId)) {
            if (render.shotId != null && shots.containsKey(render.shotId)) {
                RenderName.parse(render.name).ifPresent(name -> origins.render(name, render.shotId,
                        FinishedRenders.range(render)));
                if (render.delivered != null) {
                    origins.file(render.delivered, render.shotId, FinishedRenders.range(render));
                }
            }
        }
        return origins;
    }

    /**
     * The master sounds like the cut that it is held against, with what else was laid under it. A cut without any
     * sound says nothing about it.
     */
    private ChangeFinder.SoundDiffers sound(MasterRow row, Cut cut, Turnover.Sources known) {
        if (row.cutId == null) {
            return (older, newer) -> false;
        }
        Cut heldAgainst = cuts.picked(store.get(CutRow.class, row.cutId));
        CutSound.Pair now = CutSound.pair(heldAgainst, cut, known::areSame);
        CutSound.Pair laid = CutSound.pair(new Cut("", heldAgainst.rate(), false, heldAgainst.record(),
                laidSound.tracks(row, heldAgainst.rate(), heldAgainst.dropFrame(), known::named).tracks(), List.of()), cut, known::areSame);
        return (older, newer) -> now.differs(older, newer) && laid.differs(older, newer);
    }
}
