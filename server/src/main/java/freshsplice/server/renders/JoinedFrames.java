package freshsplice.server.renders;

import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.render.FrameFile;
import freshsplice.render.OrderFile;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Takes the kept frames of finished renders into a master that is joined from them, as they are: nothing is drawn, and no movie
 * is decoded. What a mix shows, or a render of another size, is read from its movie instead.
 */
@Component
class JoinedFrames {
    private final KeptFrames kept;

    JoinedFrames(KeptFrames kept) {
        this.kept = kept;
    }

    /** @return how many frames were taken */
    long take(long renderId, RenderJob job) throws IOException {
        Map<Long, Fit> fits = new HashMap<>();
        long taken = 0;
        for (var chunk : job.chunks()) {
            OrderFile.Orders orders = OrderFile.read(kept.orders(renderId, chunk.in()));
            for (int i = 0; i < orders.frames().size(); i++) {
                FrameOrder.Source.OfMovie shown = alone(orders.frames().get(i));
                Fit fit = shown == null ? Fit.NONE : fits.computeIfAbsent(MovieKeys.renderOf(shown.movie()), id -> fit(id, job));
                if (fit != Fit.NONE && isTaken(shown, fit, kept.frames(renderId).resolve(FrameFile.name(orders.first() + i)))) {
                    taken++;
                }
            }
        }
        return taken;
    }

    /** The movie that is all of a frame; null where there is more to it. */
    private static FrameOrder.Source.OfMovie alone(FrameOrder order) {
        List<FrameOrder.Layer> layers = order.layers();
        return layers.size() == 1 && order.lines().isEmpty() && layers.get(0).weight() >= 1
                && layers.get(0).source() instanceof FrameOrder.Source.OfMovie movie ? movie : null;
    }

    /** How a render's frames fit a job's: they are alike, have more bits, or are others. */
    private enum Fit { ALIKE, DEEPER, NONE }

    private Fit fit(long renderId, RenderJob job) {
        return kept.begun(renderId).map(theirs -> fit(theirs.job().recipe(), job.recipe())).orElse(Fit.NONE);
    }

    private static Fit fit(Recipe theirs, Recipe ours) {
        boolean shape = theirs.look().width() == ours.look().width() && theirs.look().height() == ours.look().height()
                && theirs.alpha() == ours.alpha();
        return !shape || theirs.bits() < ours.bits() ? Fit.NONE : theirs.bits() == ours.bits() ? Fit.ALIKE : Fit.DEEPER;
    }

    /** One file under two names where the disk can, else a copy: letting go of one leaves the other. */
    private boolean isTaken(FrameOrder.Source.OfMovie shown, Fit fit, Path to) throws IOException {
        Path from = kept.frames(MovieKeys.renderOf(shown.movie())).resolve(FrameFile.name(shown.frame()));
        if (!Files.exists(from)) {
            return false;
        }
        if (fit == Fit.DEEPER) {
            FrameFile.write(to, FrameFile.read(from).shallow());
            return true;
        }
        try {
            Files.createLink(to, from);
        } catch (FileAlreadyExistsException e) {
            return true;
        } catch (IOException | UnsupportedOperationException e) {
            Path part = to.resolveSibling(to.getFileName() + ".part");
            Files.copy(from, part, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            Files.move(part, to, java.nio.file.StandardCopyOption.ATOMIC_MOVE);
        }
        return true;
    }
}
