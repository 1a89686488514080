package freshsplice.server.http.stages;

import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.LookedAt;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.SetEdits;
import freshsplice.server.stages.edit.SetEdit;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Things of the set, and viewpoints in it. */
@RestController
@RequestMapping("/api")
class ThingController {
    /**
     * A new thing where somebody looks.
     *
     * @param frame  shot frame
     * @param placed the view that looks, 16 numbers, columns first; null for the shot's camera
     * @param group  chosen group; null for none
     */
    record AddInView(@NotNull Shape shape, long frame, @Schema(nullable = true) double[] placed, @Schema(nullable = true) String group) {
    }

    private final Store store;
    private final StageStore stages;
    private final CameraStore cameras;
    private final SetEdits edits;

    ThingController(Store store, StageStore stages, CameraStore cameras, SetEdits edits) {
        this.store = store;
        this.stages = stages;
        this.cameras = cameras;
        this.edits = edits;
    }

    /** @return ids of what the edit made */
    @PostMapping("/scenes/{id}/edits")
    List<Long> editSet(@PathVariable long id, @Valid @RequestBody SetEdit edit, Asker who) {
        return edits.make(id, edit, who);
    }

    /** Puts a thing on the ground where a shot's camera or the scout view looks. */
    @PostMapping("/shots/{id}/items")
    long addItemInView(@PathVariable long id, @Valid @RequestBody AddInView add, Asker who) {
        ShotRow shot = store.get(ShotRow.class, id);
        CameraPose pose = PoseStack.of(cameras.camera(shot.cameraId), stages.stage(shot.sceneId))
                .at(MasterStore.shot(shot).momentAt(Rational.of(add.frame())));
        double[] place = LookedAt.onGround(add.placed() == null ? pose.placed() : CameraPose.checked(add.placed()), pose.focus());
        return edits.make(shot.sceneId, new SetEdit.Add(add.shape(), null, null, null, round(place[0]), 0, round(place[2]), 0,
                add.group()), who).get(0);
    }

    /** What a thing is at an action frame: the numbers beside its picture. */
    @GetMapping("/items/{id}/at")
    @Transactional(readOnly = true)
    public Map<String, Double> item(@PathVariable long id, @RequestParam long frame) {
        Item item = stages.item(id);
        Map<String, Double> words = new TreeMap<>();
        for (ItemChannel channel : ItemChannel.values()) {
            if (channel != ItemChannel.SHOWN) {
                words.put(channel.word(), item.value(channel, Rational.of(frame)));
            }
        }
        return words;
    }

    /** To the centimetre: the place is a first one, and is read as a number. */
    private static double round(double metres) {
        return Math.round(metres * 100) / 100.0;
    }
}
