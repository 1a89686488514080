package freshsplice.server.cuts;

import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.master.Master;
import freshsplice.server.masters.LaidSound;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.masters.SequenceService;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.RenderRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.NotThere;
import freshsplice.server.web.Refused;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The list of a master that goes back to the edit room. */
@Service
public class HandingBack {
    private final Store store;
    private final MasterStore masters;
    private final SequenceService sequences;
    private final LaidSound laidSound;
    private final Steps steps;

    HandingBack(Store store, MasterStore masters, SequenceService sequences, LaidSound laidSound, Steps steps) {
        this.store = store;
        this.masters = masters;
        this.sequences = sequences;
        this.laidSound = laidSound;
        this.steps = steps;
    }

    /**
     * The list as it would be now.
     *
     * @param masterId null for the project's first master
     * @throws NotThere if the project has no such master
     */
    @Transactional(readOnly = true)
    public HandBack.HandedBack list(long projectId, Long masterId) {
        MasterRow row = row(projectId, masterId);
        Master master = masters.read(row);
        Map<Long, HandBack.Rendered> renders = new HashMap<>();
        for (RenderRow render : sequences.newestRenders(projectId).values()) {
            RenderName.parse(render.name).ifPresent(name -> renders.put(render.shotId, new HandBack.Rendered(name,
                    render.name + ".mp4", SequenceService.range(render))));
        }
        Map<Long, String> codes = new HashMap<>();
        for (ShotRow shot : masters.shotRows(projectId).values()) {
            codes.put(shot.id, shot.code);
        }
        return HandBack.of(master, masters.nested(), renders, codes, laidSound.lanes(row, master.rate()));
    }

    /** The list, which is given out: from the first one on shots keep their numbers. */
    public HandBack.HandedBack back(long projectId, Long masterId) {
        return steps.alongside(projectId, () -> {
            ProjectRow project = store.get(ProjectRow.class, projectId);
            project.handedBackAt = project.handedBackAt == null ? Instant.now() : project.handedBackAt;
            return list(projectId, masterId);
        });
    }

    private MasterRow row(long projectId, Long masterId) {
        if (masterId == null) {
            return masters.of(projectId)
                    .orElseThrow(() -> new Refused("There is nothing to hand back yet: receive a cut in Intake first"));
        }
        MasterRow row = store.get(MasterRow.class, masterId);
        if (row.projectId != projectId) {
            throw new NotThere("That master belongs to another project");
        }
        return row;
    }
}
