package freshsplice.server.renders;

import freshsplice.render.ChunkDrawer;
import freshsplice.render.Footage;
import freshsplice.render.JobFile;
import freshsplice.render.OrderFile;
import freshsplice.render.StagePainter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.LongPredicate;

/** Draws chunks here, on a thread of its own that owns the OpenGL context. */
final class DrawingSeat {
    /** A chunk. @param frames folder that its frames come into; @param goOn asked before each */
    record Chunk(JobFile.Kept kept, OrderFile.Orders orders, Path frames, Footage footage, LongPredicate goOn) {
    }

    private final ExecutorService drawer = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "renders");
        thread.setDaemon(true);
        return thread;
    });
    private StagePainter painter;

    /**
     * @return whether all its frames are there
     * @throws IOException                   if frames cannot be drawn or kept
     * @throws freshsplice.render.CannotDraw if there is no OpenGL here
     * @throws OutOfMemoryError              if there is not enough memory; the next chunk begins with a painter that holds nothing
     */
    boolean draw(Chunk chunk) throws IOException {
        try {
            return drawer.submit(() -> drawn(chunk)).get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
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

    private boolean drawn(Chunk chunk) throws IOException {
        try {
            if (painter == null) {
                painter = new StagePainter();
            }
            try (ChunkDrawer frames = new ChunkDrawer(painter)) {
                return frames.draw(chunk.kept().job().recipe(), chunk.orders(), chunk.frames(), chunk.footage(), chunk.goOn());
            }
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

    void close() {
        drawer.execute(this::letGo);
        drawer.shutdown();
    }
}
