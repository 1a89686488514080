package freshsplice.server.http.stages;

import freshsplice.core.camera.edit.Reach;
import freshsplice.core.motion.Way;
import freshsplice.core.stage.Shape;
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
 * @param curves       what each keyed channel is at every frame from {@code framesFirst} to {@code framesLast}
 * @param plain        values of channels without keys
 * @param touched      channels that somebody set since the camera was made
 * @param reach        what a changed value will do, by how far it reaches and by channel
 * @param cameras      all cameras of the scene
 */
public record StageView(long shotId, String code, long sceneId, String camera, long first, long last,
                        long framesFirst, long framesLast, long actionOffset, double backWidth, double backHeight,
                        int pictureWidth, int pictureHeight, List<Double> lensKit, List<Double> stopKit, Map<String, List<KeyView>> channels, Map<String, double[]> curves,
                        Map<String, Double> plain, List<String> touched, Map<Reach, Map<String, String>> reach, boolean locked,
                        @Schema(nullable = true) TieView aim, @Schema(nullable = true) TieView focusOn, List<MountView> mounts,
                        List<LayerView> layers, List<SceneLayer> sceneLayers, List<ItemView> items, List<ViewpointView> viewpoints,
                        long cameraId, List<CameraChoice> cameras) {
    /** A camera of the scene. @param shots codes of the shots that it films */
    public record CameraChoice(long id, String name, List<String> shots, boolean locked) {
    }

    /** @param easing how it is left; @param arriving how it is reached, absent for as the key before it is left */
    public record KeyView(long frame, double value, String easing, @Schema(nullable = true) String arriving, Way way) {
    }

    /** A point of a thing. @param name the thing's; empty where it is not in the set any more */
    public record TieView(long item, String name, double x, double y, double z, double lag) {
    }

    /** What carries it from a shot frame on. @param from absent for ever since; @param name empty for none */
    public record MountView(@Schema(nullable = true) Long from, @Schema(nullable = true) Long item, String name) {
    }

    /**
     * A layer over the camera.
     *
     * @param use     its id on this camera
     * @param amounts metres and degrees by channel
     * @param shared  names of the other cameras that have it
     * @param curve   how far it goes at each of its frames, 1 for the farthest
     */
    public record LayerView(long use, long layer, String name, String sway, Map<String, Double> amounts, long from, long frames,
                            double strength, boolean on, List<String> shared, double[] curve) {
    }

    /** A layer of the scene, to be shared. */
    public record SceneLayer(long layer, String name, long frames) {
    }

    /** @param middle of what is seen of it, in its own axes, metres; @param hanging names of the cameras that are tied to it; @param channels its keys; @param curves as the camera's */
    public record ItemView(long id, String name, Shape shape, String colour, double width, double height, double depth, double[] middle,
                           @Schema(nullable = true) String group, boolean locked, boolean hidden, List<String> hanging,
                           Map<String, List<KeyView>> channels, Map<String, double[]> curves) {
    }

    public record ViewpointView(long id, String name, double[] placed, double lens, double focus) {
    }
}
