package freshsplice.server.renders;

import freshsplice.core.delivery.Bake;
import freshsplice.core.stage.Stage;
import freshsplice.render.Pixels;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.Snapshot;
import freshsplice.server.stores.stages.StageStore;
import java.io.IOException;
import org.springframework.stereotype.Component;

/** The present picture of any view of a set, as a window shows it, at any size. */
@Component
public class ViewPictures {
    private final StageStore stages;
    private final AtOnce atOnce;
    private final Snapshot snapshot;

    ViewPictures(StageStore stages, AtOnce atOnce, Snapshot snapshot) {
        this.stages = stages;
        this.atOnce = atOnce;
        this.snapshot = snapshot;
    }

    /**
     * What a view shows.
     *
     * @param view       world to camera, columns first
     * @param projection camera to picture
     * @param places     thing to world of every thing of the set, 16 values each; zeros where it is not shown
     * @param flat       metres to the eye of a flat view; 0 for one with depth
     * @param focus      metres to what is in focus; 0 where all is sharp
     * @param farCircle  diameter of a point without end away, as a share of the picture's width
     */
    public record View(float[] view, float[] projection, float[] places, float flat, float focus, float farCircle) {
    }

    /** @throws Refused if the set has other things than the view; @throws IOException if it cannot be drawn; says why */
    public Pixels of(long sceneId, View view, int width, int height) throws IOException {
        Stage stage = snapshot.read(() -> stages.stage(sceneId));
        if (stage == null || stage.items().size() * Stage.PLACE != view.places().length) {
            throw new Refused("The set was changed meanwhile: look again, then save the picture");
        }
        return atOnce.draw("The picture", painter -> {
            Pixels pixels = new Pixels(width, height, false, false);
            painter.size(width, height);
            painter.stage(stage);
            painter.flat(view.flat());
            try {
                painter.draw(view.view(), view.projection(), view.places(), view.focus() > 0 ? new Bake.Blur(view.focus(), view.farCircle()) : null,
                        pixels.bytes());
            } finally {
                painter.flat(0);
            }
            return pixels;
        });
    }
}
