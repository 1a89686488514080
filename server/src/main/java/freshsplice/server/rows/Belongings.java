package freshsplice.server.rows;

import java.util.List;
import java.util.Map;

/** Rows that are nothing without another: they are taken away with it, and come back with it. */
final class Belongings {
    /** @param by field that names its owner's id */
    record Belonging(Class<? extends AliveRow> type, String by) {
    }

    private static final Map<Class<? extends AliveRow>, List<Belonging>> OF = Map.of(
            ItemRow.class, List.of(new Belonging(ItemKeyRow.class, "itemId")),
            CameraRow.class, List.of(new Belonging(CameraKeyRow.class, "cameraId"), new Belonging(CameraLayerRow.class, "cameraId"),
                    new Belonging(CameraMountRow.class, "cameraId")),
            SceneRow.class, List.of(new Belonging(CameraRow.class, "sceneId"), new Belonging(ItemRow.class, "sceneId"), new Belonging(MotionLayerRow.class, "sceneId"),
                    new Belonging(ViewpointRow.class, "sceneId")),
            MasterRow.class, List.of(new Belonging(ClipRow.class, "masterId"), new Belonging(MasterMarkerRow.class, "masterId"), new Belonging(SoundRow.class, "masterId"),
                    new Belonging(SoundTrackRow.class, "masterId"), new Belonging(MasterTrackRow.class, "masterId")));

    private Belongings() {
    }

    static List<Belonging> of(AliveRow row) {
        return OF.getOrDefault(row.getClass(), List.of());
    }
}
