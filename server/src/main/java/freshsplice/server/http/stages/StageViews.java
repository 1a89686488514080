package freshsplice.server.http.stages;

import freshsplice.core.camera.Aim;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.Kit;
import freshsplice.core.camera.LayerUse;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.server.rows.CameraLayerRow;
import freshsplice.server.rows.CameraMountRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.MotionLayerRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.rows.ViewpointRow;
import freshsplice.server.stages.Viewpoints;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What a window shows of a shot on its set. */
@Component
class StageViews {
    private final Store store;
    private final StageStore stages;
    private final CameraStore cameras;
    private final ShotCameras choices;
    private final Viewpoints viewpoints;

    StageViews(Store store, StageStore stages, CameraStore cameras, ShotCameras choices, Viewpoints viewpoints) {
        this.store = store;
        this.stages = stages;
        this.cameras = cameras;
        this.choices = choices;
        this.viewpoints = viewpoints;
    }

    StageView of(long shotId) {
        ShotRow row = store.get(ShotRow.class, shotId);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Shot shot = MasterStore.shot(row);
        Camera camera = cameras.camera(row.cameraId);
        List<ItemRow> things = stages.items(row.sceneId);
        Stage stage = stages.stage(row.sceneId, things);
        Map<Long, String> names = stage.items().stream().collect(Collectors.toMap(Item::id, Item::name));
        Map<String, Double> plain = new TreeMap<>();
        for (CameraChannel channel : CameraChannel.values()) {
            plain.put(channel.word(), camera.channel(channel).plain());
        }
        List<CameraRow> ofScene = store.where(CameraRow.class, "sceneId", row.sceneId);
        return new StageView(shotId, row.code, row.sceneId, camera.name(), row.cutIn, row.cutOut - 1, shot.frames().in(),
                shot.frames().last(), row.actionOffset, camera.back().widthMm(), camera.back().heightMm(),
                project.pictureWidth, project.pictureHeight, Kit.parse(project.lensKit).values(), Kit.parse(project.stopKit).values(),
                KeyViews.of(camera), KeyViews.curves(camera, shot.frames()), plain,
                camera.channels().keySet().stream().sorted().map(CameraChannel::word).toList(), KeyViews.reach(camera), camera.locked(),
                tie(camera.aim(), names), tie(camera.focusOn(), names), camera.mounts().stream().map(m -> new StageView.MountView(
                        m.from(), m.itemId(), m.itemId() == null ? "" : names.getOrDefault(m.itemId(), ""))).toList(),
                layers(camera, row, ofScene), sceneLayers(row.sceneId), items(things, stage, ofScene, FrameRange.of(shot.frames().in() + row.actionOffset, shot.frames().out() + row.actionOffset)),
                viewpoints.of(row.sceneId).stream().map(StageViews::view).toList(), row.cameraId, choices.choices(row.sceneId, ofScene));
    }

    private static StageView.TieView tie(Aim aim, Map<Long, String> names) {
        return aim == null ? null : new StageView.TieView(aim.itemId(), names.getOrDefault(aim.itemId(), ""), aim.x(), aim.y(), aim.z(),
                aim.lag());
    }

    private static StageView.ViewpointView view(ViewpointRow v) {
        return new StageView.ViewpointView(v.id, v.name, new CameraPose.Place(v.x, v.y, v.z, v.pan, v.tilt, v.roll).matrix().toDoubles(),
                v.lens, v.focus);
    }

    private List<StageView.LayerView> layers(Camera camera, ShotRow row, List<CameraRow> ofScene) {
        Map<Long, String> names = ofScene.stream().collect(Collectors.toMap(c -> c.id, c -> c.name));
        List<StageView.LayerView> views = new ArrayList<>();
        for (LayerUse use : camera.layers()) {
            Map<String, Double> amounts = new TreeMap<>();
            use.layer().amounts().forEach((channel, amount) -> amounts.put(channel.word(), amount));
            List<String> shared = store.where(CameraLayerRow.class, "layerId", use.layer().id()).stream()
                    .filter(u -> u.cameraId != row.cameraId).map(u -> names.getOrDefault(u.cameraId, "")).distinct().sorted().toList();
            views.add(new StageView.LayerView(use.id(), use.layer().id(), use.layer().name(), use.layer().sway().word(), amounts,
                    use.from(), use.frames(), use.strength(), use.on(), shared, use.curve()));
        }
        return views;
    }

    private List<StageView.SceneLayer> sceneLayers(long sceneId) {
        List<MotionLayerRow> rows = store.where(MotionLayerRow.class, "sceneId", sceneId);
        Map<Long, Long> longest = new HashMap<>();
        store.whereIn(CameraLayerRow.class, "layerId", rows.stream().map(l -> l.id).toList())
                .forEach(u -> longest.merge(u.layerId, u.frames, Math::max));
        return rows.stream().filter(l -> longest.containsKey(l.id))
                .map(l -> new StageView.SceneLayer(l.id, l.name, longest.get(l.id))).toList();
    }

    private List<StageView.ItemView> items(List<ItemRow> things, Stage stage, List<CameraRow> ofScene, FrameRange shown) {
        Map<Long, ItemRow> rows = things.stream().collect(Collectors.toMap(r -> r.id, Function.identity()));
        Map<Long, List<String>> hanging = hanging(ofScene);
        return stage.items().stream().map(item -> {
            ItemRow row = rows.get(item.id());
            return new StageView.ItemView(item.id(), item.name(), row.shape, row.colour, item.width(), item.height(), item.depth(), item.middle(),
                    row.grouped, row.locked, row.hidden, hanging.getOrDefault(item.id(), List.of()), KeyViews.of(item), KeyViews.curves(item, shown));
        }).toList();
    }

    /** Names of the cameras that are tied to things, by the thing's id. */
    private Map<Long, List<String>> hanging(List<CameraRow> ofScene) {
        Map<Long, List<String>> hanging = new HashMap<>();
        Map<Long, List<CameraMountRow>> mounts = store.whereIn(CameraMountRow.class, "cameraId", ofScene.stream().map(c -> c.id).toList())
                .stream().collect(Collectors.groupingBy(m -> m.cameraId));
        for (CameraRow camera : ofScene) {
            List<Long> tied = new ArrayList<>(mounts.getOrDefault(camera.id, List.of()).stream().map(m -> m.itemId).toList());
            tied.addAll(Arrays.asList(camera.aimItem, camera.focusItem));
            tied.stream().filter(id -> id != null).distinct()
                    .forEach(id -> hanging.computeIfAbsent(id, k -> new ArrayList<>()).add(camera.name));
        }
        return hanging;
    }
}
