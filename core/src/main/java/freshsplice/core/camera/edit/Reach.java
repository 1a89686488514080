package freshsplice.core.camera.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.motion.Channel;

/** How far a changed value reaches on a camera that has keys. One without keys is changed as a whole. */
public enum Reach {
    /** A key is made at the frame. */
    HERE,
    /** All keys go along by the same difference. */
    ALL_KEYS,
    /** The movement gives way to the value. */
    WHOLE;

    /** What a change will do, in words for before it is done. */
    public String words(Camera camera, CameraChannel channel) {
        Channel of = camera.channel(channel);
        if (!camera.isKeyed() || of.keys().isEmpty() && this != HERE) {
            return "changes the camera";
        }
        return switch (this) {
            case HERE -> "makes a key here";
            case ALL_KEYS -> of.keys().size() == 1 ? "moves its key along" : "moves all " + of.keys().size() + " keys along";
            case WHOLE -> of.keys().size() == 1 ? "takes its key away" : "takes all " + of.keys().size() + " keys away";
        };
    }
}
