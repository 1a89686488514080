package freshsplice.core.delivery;

import freshsplice.core.camera.Camera;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;

/**
 * A shot with what it films and what films it. A master mixes shots of several scenes: each has its own set.
 *
 * @param camera that films it
 * @param stage  the set of its scene
 */
public record FilmedShot(Shot shot, Camera camera, Stage stage) {
}
