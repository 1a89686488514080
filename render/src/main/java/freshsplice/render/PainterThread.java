package freshsplice.render;

import java.io.IOException;
import java.io.InterruptedIOException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** A painter on the one thread that it belongs to; made when something is first drawn, for whoever waits for what comes of it. */
public final class PainterThread implements AutoCloseable {
    /** Something to draw. */
    public interface Work<T> {
        T draw(StagePainter painter) throws IOException;
    }

    private final ExecutorService drawer;
    private StagePainter painter;

    /** @param priority of the thread, as {@link Thread} counts them */
    public PainterThread(String name, int priority) {
        drawer = Executors.newSingleThreadExecutor(work -> {
            Thread thread = new Thread(work, name);
            thread.setDaemon(true);
            thread.setPriority(priority);
            return thread;
        });
    }

    /**
     * Draws after what was asked for before.
     *
     * @throws InterruptedIOException if whoever waits is not to wait any more
     * @throws IOException            as the work does
     * @throws CannotDraw             if there is no OpenGL here
     * @throws OutOfMemoryError       if there is not enough memory; what comes next begins with a painter that holds nothing
     */
    public <T> T draw(Work<T> work) throws IOException {
        try {
            return drawer.submit(() -> drawn(work)).get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("Stopped while something was drawn");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            if (e.getCause() instanceof RuntimeException wrong) {
                throw wrong;
            }
            if (e.getCause() instanceof Error error) {
                throw error;
            }
            throw new IOException(e.getCause());
        }
    }

    /** The same for somebody who is told. @param what for the error; @throws IOException if it cannot be drawn; says why */
    public <T> T draw(String what, Work<T> work) throws IOException {
        try {
            return draw(work);
        } catch (InterruptedIOException e) {
            throw e;
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            throw new IOException(what + " cannot be drawn: " + e.getMessage(), e);
        }
    }

    private <T> T drawn(Work<T> work) throws IOException {
        try {
            painter = painter == null ? new StagePainter() : painter;
            return work.draw(painter);
        } catch (OutOfMemoryError e) {
            letGo();
            throw e;
        }
    }

    private void letGo() {
        if (painter != null) {
            painter.close();
            painter = null;
        }
    }

    @Override
    public void close() {
        drawer.execute(this::letGo);
        drawer.shutdown();
    }
}
