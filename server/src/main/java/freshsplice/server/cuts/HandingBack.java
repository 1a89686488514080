package freshsplice.server.cuts;

import freshsplice.core.changes.Turnover;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.sound.HandedSound;
import freshsplice.server.masters.Markers;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.refusals.Refused;
import freshsplice.server.renders.FinishedRenders;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.LaidSound;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The list of a master that goes back to the edit room. */
@Service
public class HandingBack {
    private final Store store;
    private final MasterStore masters;
    private final FinishedRenders finished;
    private final CameraStore cameras;
    private final KnownSources knownSources;
    private final LaidSound laidSound;
    private final Markers markers;
    private final Steps steps;

    HandingBack(Store store, MasterStore masters, FinishedRenders finished, CameraStore cameras, KnownSources knownSources,
                LaidSound laidSound, Markers markers, Steps steps) {
        this.markers = markers;
        this.cameras = cameras;
        this.knownSources = knownSources;
        this.store = store;
        this.masters = masters;
        this.finished = finished;
        this.laidSound = laidSound;
        this.steps = steps;
    }

    /** Those that are good enough where one is asked for. @param least null for any that counts */
    private static Predicate<Grade> grades(Grade least) {
        return g -> least == null || g.compareTo(least) >= 0;
    }

    /**
     * The list as it would be now.
     *
     * @param masterId null for the project's first master
     * @param grade    that renders are at least to have; null for any that counts
     * @param rest     what stands where no render is
     * @throws NotThere if the project has no such master
     */
    @Transactional(readOnly = true)
    public HandBack.HandedBack list(long projectId, Long masterId, Grade grade, HandBack.Rest rest) {
        MasterRow row = row(projectId, masterId);
        Master master = masters.read(row);
        Map<Long, ShotRow> shots = masters.shotRows(projectId);
        List<SeenClip> clips = new ArrayList<>(SeenClip.ofLive(new LiveClips(masters.nested()).of(master)));
        clips.addAll(SeenClip.of(master.main().clips()));
        ShotRenders renders = finished.of(projectId, grades(grade), master, clips, shots, cameras.ofProject(row.projectId));
        Turnover.Sources sources = knownSources.of(projectId);
        Map<Long, HandBack.KnownShot> known = new HashMap<>();
        MasterStore.shots(shots).forEach((id, shot) -> known.put(id, new HandBack.KnownShot(shot.code(), shot.anchor(),
                sources.named(shot.anchor().key()))));
        HandedSound.Tracks sound = laidSound.tracks(row, master.rate(), master.dropFrame(), sources::named);
        return HandBack.of(master, masters.nested(), renders, known, rest, sound.tracks(), markers.of(row, master)).saying(sound.remarks());
    }

    /** The list, which is given out: from the first one on shots keep their numbers. */
    public HandBack.HandedBack back(long projectId, Long masterId, Grade grade, HandBack.Rest rest) {
        return steps.alongside(projectId, () -> {
            ProjectRow project = store.get(ProjectRow.class, projectId);
            project.handedBackAt = project.handedBackAt == null ? Instant.now() : project.handedBackAt;
            return list(projectId, masterId, grade, rest);
        });
    }

    private MasterRow row(long projectId, Long masterId) {
        return masters.asked(projectId, masterId)
                .orElseThrow(() -> new Refused("There is nothing to hand back yet: receive a cut in Intake first"));
    }
}
