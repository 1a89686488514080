package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotStands;
import freshsplice.core.master.Master;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The newest finished render of each shot of a project, with what changed since it was made. */
@Component
public class NewestRenders {
    /** @param changed what changed since, as fingerprints name it */
    public record Newest(RenderRow row, List<String> changed) {
        public RenderRange range() {
            return NewestRenders.range(row);
        }

        public ShotStands.Newest stands() {
            return new ShotStands.Newest(range(), changed);
        }
    }

    private final Store store;
    private final Staleness staleness;

    NewestRenders(Store store, Staleness staleness) {
        this.store = store;
        this.staleness = staleness;
    }

    /** By shot id. @param row the master whose sound they are held against */
    public Map<Long, Newest> of(MasterRow row, Master master, Map<Long, ShotRow> shots, Map<Long, Camera> cameras) {
        Map<Long, RenderRow> newest = new HashMap<>();
        for (RenderRow render : store.where(RenderRow.class, "projectId", row.projectId)) {
            if (render.shotId != null && render.state == RenderRow.State.DONE) {
                newest.merge(render.shotId, render, (a, b) -> a.version > b.version ? a : b);
            }
        }
        Map<Long, List<String>> changed = staleness.of(List.copyOf(newest.values()), shots, cameras, master,
                master.rate());
        Map<Long, Newest> known = new HashMap<>();
        newest.forEach((shot, render) -> known.put(shot, new Newest(render, changed.getOrDefault(render.id, List.of()))));
        return known;
    }

    /** What of its shot a render shows. */
    public static RenderRange range(RenderRow render) {
        return new RenderRange(render.fromPosition, render.speed, render.frames, render.bends.keys());
    }
}
