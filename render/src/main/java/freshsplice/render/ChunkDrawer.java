package freshsplice.render;

import freshsplice.core.render.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.LongPredicate;

/** Draws frames and keeps them: those that are there already are not drawn again. One is written while the next is drawn. */
public final class ChunkDrawer implements AutoCloseable {
    private final StagePainter painter;
    private final ExecutorService writer = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "frames written");
        thread.setDaemon(true);
        return thread;
    });

    public ChunkDrawer(StagePainter painter) {
        this.painter = painter;
    }

    /** Where frames come to. */
    public interface Sink {
        /** Whether a frame is there already. */
        boolean has(long frame);

        /** Takes a frame; its points are others' when this is back. */
        void keep(long frame, Pixels pixels) throws IOException;

        /** Frames as files of a folder. */
        static Sink of(Path folder) {
            return new Sink() {
                @Override
                public boolean has(long frame) {
                    return Files.exists(folder.resolve(FrameFile.name(frame)));
                }

                @Override
                public void keep(long frame, Pixels pixels) throws IOException {
                    FrameFile.write(folder.resolve(FrameFile.name(frame)), pixels);
                }
            };
        }
    }

    /**
     * @param sink   that frames come to
     * @param goOn   asked with a frame's number before it is drawn; false stops
     * @return whether all frames of the orders are there
     */
    public boolean draw(Recipe recipe, OrderFile.Orders orders, Sink sink, Footage footage, LongPredicate goOn) throws IOException {
        boolean deep = recipe.bits() > 8;
        Pixels[] two = {pixels(recipe, deep), pixels(recipe, deep)};
        Future<?> writing = null;
        try (FrameMaker maker = new FrameMaker(painter, recipe.look(), recipe.alpha(), deep, footage)) {
            for (int i = 0; i < orders.frames().size(); i++) {
                long frame = orders.first() + i;
                if (sink.has(frame)) {
                    continue;
                }
                if (!goOn.test(frame)) {
                    return false;
                }
                Pixels into = two[i % 2];
                maker.draw(orders.frames().get(i), into);
                await(writing);
                writing = writer.submit(() -> {
                    sink.keep(frame, into);
                    return null;
                });
            }
            await(writing);
            writing = null;
            return true;
        } finally {
            settle(writing);
        }
    }

    private static Pixels pixels(Recipe recipe, boolean deep) {
        return new Pixels(recipe.look().width(), recipe.look().height(), recipe.alpha(), deep);
    }

    private static void await(Future<?> writing) throws IOException {
        if (writing == null) {
            return;
        }
        try {
            writing.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while a frame was being kept", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof IOException io ? io : new IOException("A frame could not be kept", e.getCause());
        }
    }

    /** What is being written comes to its end before its picture is let go, whatever else went wrong. */
    private static void settle(Future<?> writing) {
        try {
            await(writing);
        } catch (IOException e) {
            // what went wrong first is told
        }
    }

    @Override
    public void close() {
        writer.shutdown();
    }
}
