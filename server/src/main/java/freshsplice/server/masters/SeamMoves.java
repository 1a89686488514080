package freshsplice.server.masters;

import freshsplice.core.master.CutRanges;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeamEdits;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import java.util.Map;
import org.springframework.stereotype.Service;

/** Moves seams of a master, each as one step. */
@Service
public class SeamMoves {
    private final Store store;
    private final MasterStore masters;
    private final Steps steps;

    SeamMoves(Store store, MasterStore masters, Steps steps) {
        this.store = store;
        this.masters = masters;
        this.steps = steps;
    }

    /** @param at record frame of the seam; @param frames later (+) or earlier (−) */
    public void move(long projectId, long masterId, long at, long frames, String who) {
        String name = "Move seam by " + (frames > 0 ? "+" : "−") + Math.abs(frames)
                + (Math.abs(frames) == 1 ? " frame" : " frames");
        steps.make(projectId, name, who, () -> {
            MasterRow row = store.get(MasterRow.class, masterId);
            Master before = masters.read(row);
            Master after = SeamEdits.move(before, at, frames);
            masters.write(row, before, after);
            Map<Long, ShotRow> rows = masters.shotRows(projectId);
            CutRanges.of(after.main().sections()).forEach((id, range) -> {
                rows.get(id).cutIn = range.in();
                rows.get(id).cutOut = range.out();
            });
            return null;
        });
    }
}
