package freshsplice.server.stages.edit;

import freshsplice.core.camera.MotionLayer;
import freshsplice.core.camera.Viewpoint;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRate;

/** What edits of a camera find around it. All of it refuses with a sentence what is not there any more. */
public interface OnSet {
    Stage stage();

    /** A shot frame on both clocks. */
    Moment moment(long frame);

    /** The project's rate. */
    FrameRate rate();

    Viewpoint viewpoint(long id);

    MotionLayer layer(long id);

    /** A new layer of the scene, with its id. */
    MotionLayer newLayer(MotionLayer wanted);

    /** Changes a layer for all cameras that share it. @throws freshsplice.core.refusal.Refusal if one of those is locked */
    void reshape(MotionLayer layer);
}
