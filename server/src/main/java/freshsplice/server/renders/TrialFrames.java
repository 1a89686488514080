package freshsplice.server.renders;

import freshsplice.core.render.Recipe;
import freshsplice.core.time.Rational;
import freshsplice.render.FrameMaker;
import freshsplice.render.JobFile;
import freshsplice.render.PainterThread;
import freshsplice.render.Pixels;
import freshsplice.render.StagePainter;
import java.io.IOException;
import java.io.InterruptedIOException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** One frame of a shot as a recipe would draw it, at its full size and at once: it waits for no render. */
@Component
public class TrialFrames implements DisposableBean {
    private final DrawingReader reader;
    private final KeptFrames kept;
    private final PainterThread drawer = new PainterThread("trial frames", Thread.NORM_PRIORITY);

    TrialFrames(DrawingReader reader, KeptFrames kept) {
        this.reader = reader;
        this.kept = kept;
    }

    /** @throws IOException if it cannot be drawn; says why */
    public Pixels of(long shotId, long frame, Recipe recipe, String who) throws IOException {
        Drawing drawing = reader.frame(shotId, Rational.of(frame), recipe, who);
        try {
            return drawer.draw(painter -> draw(painter, drawing));
        } catch (InterruptedIOException e) {
            throw e;
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            throw new IOException("The trial frame cannot be drawn: " + e.getMessage(), e);
        }
    }

    private Pixels draw(StagePainter painter, Drawing drawing) throws IOException {
        JobFile.Kept job = drawing.kept();
        Recipe recipe = job.job().recipe();
        Pixels pixels = new Pixels(recipe.look().width(), recipe.look().height(), recipe.alpha(), false);
        var order = drawing.orders().at(0);
        try (FrameMaker maker = new FrameMaker(painter, recipe.look(), recipe.alpha(), false, kept.footage(job, drawing.orders().sets()))) {
            maker.draw(order, pixels);
        }
        return pixels;
    }

    @Override
    public void destroy() {
        drawer.close();
    }
}
