package freshsplice.render;

import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.LongPredicate;

/** Draws frames and keeps them: those that are there already are not drawn again. One is finished and kept while the next is painted. */
public final class ChunkDrawer implements AutoCloseable {
    private final StagePainter painter;
    private final ExecutorService finisher = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "frames finished");
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
        try (Pass pass = new Pass(recipe, sink, footage)) {
            for (int i = 0; i < orders.frames().size(); i++) {
                long frame = orders.first() + i;
                if (sink.has(frame)) {
                    continue;
                }
                if (!goOn.test(frame)) {
                    return false;
                }
                pass.draw(frame, orders.frames().get(i));
            }
            pass.await();
            return true;
        }
    }

    /** Frames one after another: while one is painted, the one before is finished and kept. */
    private final class Pass implements AutoCloseable {
        private final Sink sink;
        private final FrameMaker maker;
        private final Pixels pixels;
        private FrameMaker.Painting next = new FrameMaker.Painting();
        private FrameMaker.Painting before = new FrameMaker.Painting();
        private Future<?> finishing;

        Pass(Recipe recipe, Sink sink, Footage footage) {
            boolean deep = recipe.bits() > 8;
            this.sink = sink;
            this.pixels = new Pixels(recipe.look().width(), recipe.look().height(), recipe.alpha(), deep);
            this.maker = new FrameMaker(painter, recipe.look(), recipe.alpha(), deep, footage);
        }

        void draw(long frame, FrameOrder order) throws IOException {
            FrameMaker.Painting painted = next;
            maker.paint(order, painted);
            await();
            next = before;
            before = painted;
            finishing = finisher.submit(() -> {
                maker.finish(painted, pixels);
                sink.keep(frame, pixels);
                return null;
            });
        }

        /** Until the last one is kept. */
        void await() throws IOException {
            Future<?> last = finishing;
            // what went wrong is told once
            finishing = null;
            if (last == null) {
                return;
            }
            try {
                last.get();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IOException("Stopped while a frame was being kept", e);
            } catch (ExecutionException e) {
                throw thrown(e.getCause());
            }
        }

        /** What is being kept comes to its end before its picture is let go, whatever else went wrong. */
        @Override
        public void close() {
            try {
                await();
            } catch (IOException | RuntimeException e) {
                // what went wrong first is told
            } finally {
                maker.close();
            }
        }
    }

    /** @return what went wrong, where it is not thrown as it is */
    private static IOException thrown(Throwable cause) {
        if (cause instanceof RuntimeException e) {
            throw e;
        }
        if (cause instanceof Error e) {
            throw e;
        }
        return cause instanceof IOException e ? e : new IOException("A frame could not be kept", cause);
    }

    @Override
    public void close() {
        finisher.shutdown();
    }
}
