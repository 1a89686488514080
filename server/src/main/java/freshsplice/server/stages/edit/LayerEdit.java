package freshsplice.server.stages.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.LayerUse;
import freshsplice.core.camera.MotionLayer;
import freshsplice.server.refusals.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** Movement laid over a camera's own. */
public sealed interface LayerEdit extends CameraEdit {
    int LONGEST_NAME = 200;

    /** A layer of its own. @param sway as {@link MotionLayer.Sway#parse} reads it; @param amounts metres and degrees by channel name */
    record Add(@NotBlank(message = NEEDED) @Size(max = LONGEST_NAME) String name, @NotNull(message = NEEDED) String sway,
               @NotNull(message = NEEDED) Map<String, @NotNull Double> amounts, @NotNull(message = NEEDED) Long from,
               @NotNull(message = NEEDED) Long frames) implements LayerEdit {
        @Override
        public String words() {
            return "Lay \"" + name + "\" over";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            MotionLayer layer = set.newLayer(new MotionLayer(0, name, MotionLayer.Sway.parse(sway), CameraChannel.byWord(amounts)));
            return with(camera, new LayerUse(0, layer, from, frames, 1, true));
        }
    }

    /** A layer that another camera has: a change of it shows in both. */
    record Share(@NotNull(message = NEEDED) Long layer, @NotNull(message = NEEDED) Long from, @NotNull(message = NEEDED) Long frames)
            implements LayerEdit {
        @Override
        public String words() {
            return "Share a layer with";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return with(camera, new LayerUse(0, set.layer(layer), from, frames, 1, true));
        }
    }

    /** Where it lies, how long, how strong, and whether it is on; null leaves that as it is. @param use its id on this camera */
    record Change(@NotNull(message = NEEDED) Long use, @Schema(nullable = true) Long from, @Schema(nullable = true) Long frames,
                  @Schema(nullable = true) Double strength, @Schema(nullable = true) Boolean on) implements LayerEdit {
        @Override
        public String words() {
            return "Change a layer of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return changed(camera, use, u -> new LayerUse(u.id(), u.layer(), from == null ? u.from() : from,
                    frames == null ? u.frames() : frames, strength == null ? u.strength() : strength, on == null ? u.on() : on));
        }
    }

    /** What it does and how far, in all cameras that share it; null leaves that as it is, as do amounts that are not named. */
    record Reshape(@NotNull(message = NEEDED) Long use, @Schema(nullable = true) @Size(max = LONGEST_NAME) String name,
                   @Schema(nullable = true) String sway, @Schema(nullable = true) Map<String, @NotNull Double> amounts)
            implements LayerEdit {
        @Override
        public String words() {
            return "Reshape a layer of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            MotionLayer layer = find(camera, use).layer();
            MotionLayer reshaped = new MotionLayer(layer.id(), name == null || name.isBlank() ? layer.name() : name,
                    sway == null ? layer.sway() : MotionLayer.Sway.parse(sway), layer.amounts());
            set.reshape(amounts == null ? reshaped : reshaped.withAmounts(CameraChannel.byWord(amounts)));
            return camera;
        }
    }

    record Remove(@NotNull(message = NEEDED) Long use) implements LayerEdit {
        @Override
        public String words() {
            return "Take a layer off";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            long id = find(camera, use).id();
            return camera.layered(camera.layers().stream().filter(u -> u.id() != id).toList());
        }
    }

    private static Camera with(Camera camera, LayerUse use) {
        List<LayerUse> all = new ArrayList<>(camera.layers());
        all.add(use);
        return camera.layered(all);
    }

    private static Camera changed(Camera camera, long id, UnaryOperator<LayerUse> change) {
        find(camera, id);
        return camera.layered(camera.layers().stream().map(u -> u.id() == id ? change.apply(u) : u).toList());
    }

    private static LayerUse find(Camera camera, long id) {
        return camera.layers().stream().filter(u -> u.id() == id).findFirst().orElseThrow(() ->
                new Refused("That layer does not lie over \"" + camera.name() + "\" any more"));
    }
}
