package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.masters.SequenceService;
import freshsplice.server.stages.StageStore;
import freshsplice.server.store.RenderPartRow;
import freshsplice.server.store.RenderRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Whether renders still are what would be drawn now: the same movement, frame by frame, of the same things. */
@Component
public class Staleness {
    private static final int KEPT = 6000;

    private record Asked(long actionOffset, Camera camera, String stage, RenderRange range) {
    }

    private final Store store;
    private final StageStore stages;
    private final Map<Asked, Fingerprint> kept = Collections.synchronizedMap(new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, Fingerprint> eldest) {
            return size() > KEPT;
        }
    });

    Staleness(Store store, StageStore stages) {
        this.store = store;
        this.stages = stages;
    }

    /** What changed since each render of a shot was made, in words, by render id; empty lists for current ones. */
    public Map<Long, List<String>> of(List<RenderRow> renders, long sceneId, Map<Long, ShotRow> shots) {
        return of(renders, sceneId, shots, stages.cameras(sceneId));
    }

    /** The same where the scene's cameras are known. */
    public Map<Long, List<String>> of(List<RenderRow> renders, long sceneId, Map<Long, ShotRow> shots,
                                      Map<Long, Camera> cameras) {
        if (renders.isEmpty()) {
            return Map.of();
        }
        Stage stage = stages.stage(sceneId);
        Map<Long, List<RenderPartRow>> parts = store.whereIn(RenderPartRow.class, "renderId",
                renders.stream().map(r -> r.id).toList()).stream().collect(Collectors.groupingBy(p -> p.renderId));
        String stageDigest = digest(stage);
        Map<Long, List<String>> stale = new HashMap<>();
        for (RenderRow render : renders) {
            ShotRow shot = shots.get(render.shotId);
            if (shot != null) {
                Fingerprint made = new Fingerprint(parts.getOrDefault(render.id, List.of()).stream()
                        .collect(Collectors.toMap(p -> p.part, p -> p.digest)));
                Fingerprint now = now(MasterStore.shot(shot), cameras.get(shot.cameraId), stage, stageDigest,
                        SequenceService.range(render));
                stale.put(render.id, made.differences(now));
            }
        }
        return stale;
    }

    /** The fingerprint of a render of a shot, if it were made now. */
    Fingerprint now(Shot shot, Camera camera, Stage stage, RenderRange range) {
        return now(shot, camera, stage, digest(stage), range);
    }

    private Fingerprint now(Shot shot, Camera camera, Stage stage, String stageDigest, RenderRange range) {
        return kept.computeIfAbsent(new Asked(shot.actionOffset(), camera, stageDigest, range), asked -> {
            Bake bake = Bake.of(shot, camera, stage, range, 1);
            StringBuilder set = new StringBuilder(Fingerprint.digest(bake.places()));
            for (Item item : stage.items()) {
                set.append(item.shape()).append(item.colour());
            }
            return new Fingerprint(Map.of("camera", Fingerprint.digest(bake.views())
                            + Fingerprint.digest(bake.projections()), "set", Fingerprint.digest(set.toString())));
        });
    }

    private static String digest(Stage stage) {
        return Fingerprint.digest(stage.toString());
    }
}
