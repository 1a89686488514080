package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.camera.Sharp;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** All cameras of a scene beside each other, those that film no shot too. */
@RestController
class CameraTable {
    /**
     * A camera at the first frame of its first shot.
     *
     * @param values  set or keyed values by channel name
     * @param touched channels that somebody set since it was made
     * @param keys    how many it has
     * @param shots   codes of the shots that it films
     * @param near    nearest sharp distance, metres
     * @param far     farthest sharp distance, metres; absent without end
     * @param frame   of the camera's own clock that all this is at
     * @param placed  where it stands in the world, 16 numbers, columns first
     */
    record Line(long id, String name, Map<String, Double> values, List<String> touched, double backWidth, double backHeight, int keys,
                boolean locked, List<String> shots, double near, @Schema(nullable = true) Double far, long frame, double[] placed) {
    }

    private final Store store;
    private final CameraStore cameras;
    private final StageStore stages;

    CameraTable(Store store, CameraStore cameras, StageStore stages) {
        this.stages = stages;
        this.store = store;
        this.cameras = cameras;
    }

    @GetMapping("/api/scenes/{id}/cameras")
    @Transactional(readOnly = true)
    public List<Line> all(@PathVariable long id) {
        List<CameraRow> rows = store.where(CameraRow.class, "sceneId", id);
        Map<Long, Camera> known = cameras.some(rows.stream().map(r -> r.id).collect(Collectors.toSet()));
        Map<Long, List<ShotRow>> films = store.where(ShotRow.class, "sceneId", id).stream().collect(Collectors.groupingBy(s -> s.cameraId));
        Stage stage = stages.stage(id);
        return rows.stream().map(row -> line(row, known.get(row.id), stage, films.getOrDefault(row.id, List.of()))).toList();
    }

    private static Line line(CameraRow row, Camera camera, Stage stage, List<ShotRow> shots) {
        Rational frame = Rational.of(shots.isEmpty() ? 0 : shots.get(0).cutIn);
        Moment moment = new Moment(frame, frame.plus(shots.isEmpty() ? 0 : shots.get(0).actionOffset));
        CameraPose pose = PoseStack.of(camera, stage).at(moment);
        Sharp sharp = Sharp.of(camera.back(), pose);
        Map<String, Double> values = Set.of(CameraChannel.values()).stream()
                .collect(Collectors.toMap(CameraChannel::word, channel -> camera.keyed(channel, frame)));
        return new Line(row.id, row.name, values, camera.channels().keySet().stream().sorted().map(CameraChannel::word).toList(),
                row.backWidth, row.backHeight, camera.keyCount(), row.locked, shots.stream().map(s -> s.code).sorted().toList(),
                sharp.near(), sharp.far(), frame.floor(),
                pose.placed().toDoubles());
    }
}
