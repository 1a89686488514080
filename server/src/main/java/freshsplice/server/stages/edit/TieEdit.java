package freshsplice.server.stages.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.camera.edit.Mounting;
import freshsplice.core.camera.edit.Reach;
import freshsplice.core.camera.edit.SetValues;
import freshsplice.core.motion.Easing;
import freshsplice.core.stage.Stage;
import freshsplice.server.refusals.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.Map;

/** What a camera is tied to: what it turns to, keeps in focus and is carried by. */
public sealed interface TieEdit extends CameraEdit {
    /** Turns it to a point of a thing. @param item null to turn by its own pan and tilt again, from where it looks at a frame */
    record Aim(@NotNull(message = NEEDED) Long frame, @Schema(nullable = true) Long item, double x, double y, double z, double lag)
            implements TieEdit {
        @Override
        public String words() {
            return item == null ? "Stop aiming" : "Aim";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            if (item != null) {
                return camera.aimed(point(set.stage(), item, x, y, z, lag));
            }
            PoseStack stack = PoseStack.of(camera.layered(java.util.List.of()), set.stage());
            var place = stack.valuesFor(stack.at(set.moment(frame)).placed(), set.moment(frame));
            return SetValues.at(camera.aimed(null), frame, Map.of(CameraChannel.PAN, place.pan(), CameraChannel.TILT, place.tilt()),
                    Reach.WHOLE, Easing.EASED);
        }
    }

    /** Keeps its focus on a point of a thing. @param item null to focus by its own distance again, from what it is at a frame */
    record FocusOn(@NotNull(message = NEEDED) Long frame, @Schema(nullable = true) Long item, double x, double y, double z)
            implements TieEdit {
        @Override
        public String words() {
            return item == null ? "Let go of the focus of" : "Keep the focus of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            if (item != null) {
                return camera.focused(point(set.stage(), item, x, y, z, 0));
            }
            double metres = PoseStack.of(camera, set.stage()).at(set.moment(frame)).focus();
            return SetValues.at(camera.focused(null), frame, Map.of(CameraChannel.FOCUS, metres), Reach.WHOLE, Easing.EASED);
        }
    }

    /**
     * Mounts it on a thing.
     *
     * @param frame      where it stays as it is
     * @param throughout whether for all of its frames; else from the frame on
     */
    record Mount(@NotNull(message = NEEDED) Long frame, @NotNull(message = NEEDED) Long item, boolean throughout) implements TieEdit {
        @Override
        public String words() {
            return "Mount";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return throughout ? Mounting.throughout(camera, set.stage(), set.moment(frame), item)
                    : Mounting.from(camera, set.stage(), frame, item);
        }
    }

    /** Frees it. @param throughout whether for all of its frames; else from the frame on */
    record Free(@NotNull(message = NEEDED) Long frame, boolean throughout) implements TieEdit {
        @Override
        public String words() {
            return "Free";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return throughout ? Mounting.freed(camera, set.stage(), set.moment(frame)) : Mounting.from(camera, set.stage(), frame, null);
        }
    }

    private static freshsplice.core.camera.Aim point(Stage stage, long item, double x, double y, double z, double lag) {
        if (stage.items().stream().noneMatch(i -> i.id() == item)) {
            throw new Refused("That thing is not in this camera's set any more: choose another");
        }
        return new freshsplice.core.camera.Aim(item, x, y, z, lag);
    }
}
