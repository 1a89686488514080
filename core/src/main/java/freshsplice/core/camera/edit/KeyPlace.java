package freshsplice.core.camera.edit;

import freshsplice.core.camera.CameraChannel;

/** A key of a camera, by where it is. @param frame shot frame */
public record KeyPlace(CameraChannel channel, long frame) {
}
