package freshsplice.server.renders;

import freshsplice.core.render.Recipe;
import freshsplice.core.time.Rational;
import freshsplice.render.FrameMaker;
import freshsplice.render.JobFile;
import freshsplice.render.Pixels;
import freshsplice.render.StagePainter;
import java.io.IOException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** One frame of a shot as a recipe would draw it, at its full size and at once: it waits for no render. */
@Component
public class TrialFrames implements DisposableBean {
    private final DrawingReader reader;
    private final KeptFrames kept;
    private final ExecutorService drawer = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "trial frames");
        thread.setDaemon(true);
        return thread;
    });
    private StagePainter painter;

    TrialFrames(DrawingReader reader, KeptFrames kept) {
        this.reader = reader;
        this.kept = kept;
    }

    /** @throws IOException if it cannot be drawn; says why */
    public Pixels of(long shotId, long frame, Recipe recipe, String who) throws IOException {
        Drawing drawing = reader.frame(shotId, Rational.of(frame), recipe, who);
        try {
            return drawer.submit(() -> draw(drawing)).get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while a trial frame was drawn", e);
        } catch (ExecutionException e) {
            throw new IOException("The trial frame cannot be drawn: " + e.getCause().getMessage(), e);
        }
    }

    private Pixels draw(Drawing drawing) throws IOException {
        painter = painter == null ? new StagePainter() : painter;
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
        drawer.execute(() -> {
            if (painter != null) {
                painter.close();
            }
        });
        drawer.shutdown();
    }
}
