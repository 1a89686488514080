package freshsplice.core.delivery;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.List;

/**
 * Movement evaluated frame by frame: what the renderer draws and the browser plays. The rules of movement exist once,
 * here; playing back is a table look-up.
 *
 * @param frames      how many frames
 * @param items       how many items
 * @param views       world to camera, 16 values a frame, columns first
 * @param projections camera to picture, 16 values a frame
 * @param lenses      focal length in mm and focus distance in m, 2 values a frame
 * @param places      item to world, 16 values an item, the items of a frame together
 */
public record Bake(int frames, int items, float[] views, float[] projections, float[] lenses, float[] places) {
    /**
     * @param aspect width over height of the picture
     */
    public static Bake of(Shot shot, Camera camera, Stage stage, RenderRange range, double aspect) {
        int frames = Math.toIntExact(range.frames());
        List<Item> items = stage.items();
        Bake bake = new Bake(frames, items.size(), new float[frames * 16], new float[frames * 16],
                new float[frames * 2], new float[frames * items.size() * 16]);
        for (int k = 0; k < frames; k++) {
            Rational position = range.positionOf(k);
            CameraPose pose = camera.at(position);
            pose.view().copyTo(bake.views, k * 16);
            pose.projection(camera.back(), aspect).copyTo(bake.projections, k * 16);
            bake.lenses[k * 2] = (float) camera.value(CameraChannel.LENS, position);
            bake.lenses[k * 2 + 1] = (float) camera.value(CameraChannel.FOCUS, position);
            Rational action = shot.actionAt(position);
            for (int i = 0; i < items.size(); i++) {
                items.get(i).placedAt(action).copyTo(bake.places, (k * items.size() + i) * 16);
            }
        }
        return bake;
    }
}
