package freshsplice.core.camera;

import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What is sharp, and how far the things of the set are.
 *
 * @param focus   focus distance, metres
 * @param near    nearest sharp distance, metres
 * @param far     farthest sharp distance, metres; null for infinite
 * @param hyper   hyperfocal distance, metres: focused there, all is sharp from half of it on
 * @param degrees horizontal angle of view
 * @param stop    T-stop
 * @param things  items before the camera, the nearest first
 */
public record FocusRuler(double focus, double near, Double far, double hyper, double degrees, double stop,
                         List<Thing> things) {
    /** @param metres along the camera's line of sight */
    public record Thing(String name, double metres) {
    }

    private static final double FARTHEST = 200;
    /** Wider than this it is ground or sea, and no one distance, metres. */
    private static final double WIDEST = 30;

    public static FocusRuler of(Camera camera, Stage stage, Moment moment) {
        Rational actionFrame = moment.actionFrame();
        CameraPose pose = PoseStack.of(camera, stage).at(moment);
        Sharp sharp = Sharp.of(camera.back(), pose);
        List<Thing> things = new ArrayList<>();
        for (Item item : stage.items()) {
            double metres = -pose.view().apply(item.value(ItemChannel.X, actionFrame),
                    item.value(ItemChannel.Y, actionFrame), item.value(ItemChannel.Z, actionFrame))[2];
            boolean tooWideToFocusOn = item.width() >= WIDEST || item.depth() >= WIDEST;
            if (item.isShown(actionFrame) && !tooWideToFocusOn && metres > 0.3 && metres < FARTHEST) {
                things.add(new Thing(item.name(), metres));
            }
        }
        things.sort(Comparator.comparingDouble(Thing::metres));
        return new FocusRuler(pose.focus(), sharp.near(), sharp.far(),
                Optics.hyperfocal(pose.lens(), pose.stop(), camera.back().circleOfConfusionMm()),
                Optics.angleOfView(camera.back().widthMm(), pose.lens()), pose.stop(), things);
    }
}
