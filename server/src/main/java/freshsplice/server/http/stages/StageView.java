package freshsplice.server.http.stages;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;

/**
 * A shot on its set, for the Stage.
 *
 * @param first        first frame of the cut range
 * @param last         last frame of it
 * @param framesFirst  first frame with its handles
 * @param framesLast   last frame with its handles
 * @param actionOffset action frame = shot frame + this
 * @param channels     camera keys by channel
 * @param plain        values of channels without keys
 * @param cameras      all cameras of the scene
 */
public record StageView(long shotId, String code, long sceneId, String camera, long first, long last,
                        long framesFirst, long framesLast, long actionOffset, double backWidth, double backHeight,
                        double stop, int pictureWidth, int pictureHeight, Map<String, List<KeyView>> channels,
                        Map<String, Double> plain, List<ItemView> items,
                        long cameraId, List<CameraChoice> cameras) {
    /** A camera of the scene. @param shots codes of the shots that it films */
    public record CameraChoice(long id, String name, List<String> shots) {
    }

    public record KeyView(long frame, double value, @Schema(allowableValues = {"STRAIGHT", "EASED", "STEPPED"}) String easing) {
    }

    public record ItemView(long id, String name, double width, double height,
                           double depth, Map<String, List<KeyView>> channels) {
    }
}
