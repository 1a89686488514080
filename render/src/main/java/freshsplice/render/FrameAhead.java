package freshsplice.render;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Kept frames in their order, the next ones read while one is worked on. */
final class FrameAhead implements AutoCloseable {
    private static final int AHEAD = 2;

    private final Path folder;
    private final long frames;
    private final ExecutorService reader = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "frames read ahead");
        thread.setDaemon(true);
        return thread;
    });
    private final Deque<Future<Pixels>> coming = new ArrayDeque<>();
    private long asked;
    private long given;

    FrameAhead(Path folder, long frames) {
        this.folder = folder;
        this.frames = frames;
    }

    Pixels next() throws IOException {
        while (coming.size() < AHEAD && asked < frames) {
            Path file = folder.resolve(FrameFile.name(asked++));
            coming.add(reader.submit(() -> FrameFile.read(file)));
        }
        try {
            Pixels read = coming.remove().get();
            given++;
            return read;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while frames were being read", e);
        } catch (ExecutionException e) {
            throw new DamagedFrame(given, e.getCause());
        }
    }

    @Override
    public void close() {
        reader.shutdownNow();
    }
}
