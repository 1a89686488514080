package freshsplice.server.stages.edit;

import freshsplice.core.camera.Camera;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What a camera is called, and whether it is finished. */
public sealed interface KeepEdit extends CameraEdit {
    record Lock(@NotNull(message = NEEDED) Boolean locked) implements KeepEdit {
        @Override
        public String words() {
            return locked ? "Lock" : "Unlock";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return camera.locked(locked);
        }

        @Override
        public boolean passesLock() {
            return true;
        }
    }

    record Rename(@NotBlank(message = NEEDED) @Size(max = 200, message = "is longer than 200 letters") String name)
            implements KeepEdit {
        @Override
        public String words() {
            return "Call \"" + name.strip() + "\"";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return camera.named(name.strip());
        }
    }
}
