package freshsplice.server.renders;

import freshsplice.core.render.Recipe;
import freshsplice.core.time.Rational;
import freshsplice.render.FrameMaker;
import freshsplice.render.JobFile;
import freshsplice.render.Pixels;
import freshsplice.render.StagePainter;
import java.io.IOException;
import org.springframework.stereotype.Component;

/** One frame of a shot as a recipe would draw it, at its full size and at once. */
@Component
public class TrialFrames {
    private final ShotDrawings reader;
    private final KeptFrames kept;
    private final AtOnce atOnce;

    TrialFrames(ShotDrawings reader, KeptFrames kept, AtOnce atOnce) {
        this.atOnce = atOnce;
        this.reader = reader;
        this.kept = kept;
    }

    /** @throws IOException if it cannot be drawn; says why */
    public Pixels of(long shotId, long frame, Recipe recipe, String who) throws IOException {
        Drawing drawing = reader.frame(shotId, Rational.of(frame), recipe, who);
        return atOnce.draw("The trial frame", painter -> draw(painter, drawing));
    }

    private Pixels draw(StagePainter painter, Drawing drawing) throws IOException {
        JobFile.Contents job = drawing.kept();
        Recipe recipe = job.job().recipe();
        Pixels pixels = new Pixels(recipe.look().width(), recipe.look().height(), recipe.alpha(), false);
        var order = drawing.orders().at(0);
        try (FrameMaker maker = new FrameMaker(painter, recipe.look(), recipe.alpha(), false, kept.footage(job, drawing.orders().sets()))) {
            maker.draw(order, pixels);
        }
        return pixels;
    }
}
