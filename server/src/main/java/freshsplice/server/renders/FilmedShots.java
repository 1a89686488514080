package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.JoinedRenders;
import freshsplice.core.render.FrameOrders;
import freshsplice.core.stage.Stage;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** A project's shots with their cameras and sets, and what is written into pictures of them. Within the caller's transaction. */
@Component
class FilmedShots {
    /** By the shots' ids. */
    record Of(Map<Long, ShotRow> rows, Map<Long, FilmedShot> filmed) {
    }

    private final Store store;
    private final MasterStore masters;
    private final StageStore stages;
    private final CameraStore cameras;

    FilmedShots(Store store, MasterStore masters, StageStore stages, CameraStore cameras) {
        this.store = store;
        this.masters = masters;
        this.stages = stages;
        this.cameras = cameras;
    }

    /** Every shot with its own scene's set. */
    Of of(long projectId) {
        Map<Long, ShotRow> rows = masters.shotRows(projectId);
        Map<Long, Stage> sets = stages.ofProject(projectId);
        Map<Long, Camera> byId = cameras.ofProject(projectId);
        Map<Long, FilmedShot> filmed = new HashMap<>();
        rows.forEach((id, row) -> filmed.put(id, new FilmedShot(MasterStore.shot(row), byId.get(row.cameraId), sets.get(row.sceneId))));
        return new Of(rows, filmed);
    }

    /** @param movies keys of rendered movies, by the render's id; @param joined renders that shots are shown by; null where all is drawn */
    FrameOrders.Names named(RenderRow render, RenderBoards.Boards boards, Map<Long, String> movies, Collection<ShotRow> shots,
                            JoinedRenders joined) {
        Map<Long, String> names = store.where(SceneRow.class, "projectId", render.projectId).stream()
                .collect(Collectors.toMap(s -> s.id, s -> s.name));
        Map<Long, String> scenes = shots.stream().collect(Collectors.toMap(s -> s.id, s -> names.getOrDefault(s.sceneId, "")));
        return new FrameOrders.Names(boards.boards(), movies, scenes, render.who, render.requestedAt.toString().substring(0, 10), joined);
    }
}
