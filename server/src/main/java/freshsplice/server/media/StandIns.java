package freshsplice.server.media;

import freshsplice.render.MovieTimes;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.settings.Folders;
import freshsplice.server.settings.Settings;
import freshsplice.server.tasks.Task;
import freshsplice.server.tasks.Tasks;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Makes the smaller pictures and the loudness of files before anybody asks for them, few at a time and at the lowest
 * priority, so that who asks for one in the meantime is served first.
 */
@Component
public class StandIns {
    private static final Logger LOG = LoggerFactory.getLogger(StandIns.class);
    /** Seconds after which a movie is left to be read frame by frame. */
    private static final int PATIENCE = 3600;
    private static final int AT_A_TIME = 2;

    private final Map<Long, Deque<MediaRow>> waiting = new HashMap<>();
    private final Proxies proxies;
    private final Folders folders;
    private final Ffmpeg ffmpeg;
    private final Settings settings;
    private final Tasks tasks;

    StandIns(Proxies proxies, Folders folders, Ffmpeg ffmpeg, Settings settings, Tasks tasks) {
        this.proxies = proxies;
        this.folders = folders;
        this.ffmpeg = ffmpeg;
        this.settings = settings;
        this.tasks = tasks;
    }

    /** Begins in the background, or adds to what is under way; files that have theirs already are passed over. */
    public void make(long projectId, List<MediaRow> files) {
        if (files.isEmpty()) {
            return;
        }
        synchronized (waiting) {
            boolean underWay = waiting.containsKey(projectId);
            waiting.computeIfAbsent(projectId, k -> new ArrayDeque<>()).addAll(files);
            if (!underWay) {
                AtomicBoolean begun = new AtomicBoolean();
                tasks.start(projectId, "Making stand-in pictures", task -> {
                    begun.set(true);
                    all(projectId, task);
                }, () -> forget(projectId, begun.get()));
            }
        }
    }

    /**
     * Stopped, also before it could begin: what comes next begins anew, and what is asked for is made then. What came after
     * the last file was made and before this is made still.
     */
    private void forget(long projectId, boolean begun) {
        Deque<MediaRow> left;
        synchronized (waiting) {
            left = waiting.remove(projectId);
        }
        if (begun && left != null) {
            make(projectId, List.copyOf(left));
        }
    }

    private void all(long projectId, Task task) {
        AtomicLong done = new AtomicLong();
        List<Thread> helpers = new ArrayList<>();
        for (int i = 1; i < AT_A_TIME; i++) {
            Thread helper = new Thread(() -> some(projectId, task, done), "stand-ins");
            helper.setDaemon(true);
            helper.setPriority(Thread.MIN_PRIORITY);
            helper.start();
            helpers.add(helper);
        }
        some(projectId, task, done);
        for (Thread helper : helpers) {
            try {
                helper.join();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    private void some(long projectId, Task task, AtomicLong done) {
        for (MediaRow file = next(projectId, task); file != null; file = next(projectId, task)) {
            try {
                one(file);
            } catch (IOException | RuntimeException e) {
                // it is said where it would be seen, too
                LOG.warn("No stand-in: {}", e.getMessage());
            }
            long made = done.incrementAndGet();
            task.progress(made, made + left(projectId));
        }
    }

    private MediaRow next(long projectId, Task task) {
        synchronized (waiting) {
            Deque<MediaRow> files = waiting.get(projectId);
            if (task.isStopped() && files != null) {
                files.clear();
            }
            return files == null ? null : files.poll();
        }
    }

    private int left(long projectId) {
        synchronized (waiting) {
            Deque<MediaRow> files = waiting.get(projectId);
            return files == null ? 0 : files.size();
        }
    }

    private void one(MediaRow file) throws IOException {
        switch (file.kind) {
            case SOUND -> proxies.peaks(file);
            case PICTURE -> still(file);
            case MOVIE -> movie(file);
            case RUN -> { }
            default -> throw new IllegalStateException(file.kind.toString());
        }
    }

    /** Both sizes that lists and views ask for, in one go. */
    private void still(MediaRow file) throws IOException {
        Path small = proxies.place(file.sha256, 0, Proxies.SMALL);
        Path middle = proxies.place(file.sha256, 0, Proxies.MIDDLE);
        if (Files.exists(small) && Files.exists(middle)) {
            return;
        }
        BufferedImage picture = SmallStill.read(proxies.there(file), Proxies.MIDDLE);
        if (picture != null) {
            put(picture, middle);
            put(SmallStill.scaled(picture, Proxies.SMALL), small);
            return;
        }
        Path half = Files.createTempFile(folders.arriving(), "small", null);
        try {
            List<String> command = new ArrayList<>(List.of("-i", proxies.there(file).toString(), "-frames:v", "1"));
            command.addAll(Proxies.scaled(Proxies.SMALL));
            command.add(half.toString());
            command.addAll(List.of("-frames:v", "1"));
            command.addAll(Proxies.scaled(Proxies.MIDDLE));
            ffmpeg.make(command, middle, file.name);
            Files.move(half, small, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(half);
        }
    }

    private void put(BufferedImage picture, Path place) throws IOException {
        Path half = Files.createTempFile(folders.arriving(), "small", null);
        try {
            SmallStill.write(picture, half);
            Files.move(half, place, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(half);
        }
    }

    /** Every frame in one pass: seeking to each would decode most of them many times. */
    private void movie(MediaRow file) throws IOException {
        Path done = folders.proxies().resolve(file.sha256 + ".frames");
        if (file.frames > settings.maxStandInFrames() || Files.exists(done)) {
            return;
        }
        Path frames = Files.createTempDirectory(folders.arriving(), "frames");
        try {
            Path movie = proxies.there(file);
            boolean plain = MovieTimes.of(movie).isPlain();
            List<String> command = new ArrayList<>(List.of("-threads", "1", "-i", movie.toString(), "-fps_mode", plain ? "cfr" : "passthrough"));
            List<String> scaled = new ArrayList<>(Proxies.scaled(Proxies.MIDDLE).subList(0, 4));
            if (!plain) {
                scaled.set(1, MovieTimes.eachFrame(file.rate) + "," + scaled.get(1));
            }
            command.addAll(scaled);
            command.addAll(List.of("-start_number", "0", "-f", "image2", frames.resolve("%d.jpg").toString()));
            ffmpeg.run(command, PATIENCE, file.name);
            for (long i = 0; Files.exists(frames.resolve(i + ".jpg")); i++) {
                Files.move(frames.resolve(i + ".jpg"), proxies.place(file.sha256, i, Proxies.MIDDLE),
                        StandardCopyOption.ATOMIC_MOVE);
            }
            Files.createFile(done);
        } finally {
            try (var left = Files.list(frames)) {
                for (Path path : left.toList()) {
                    Files.delete(path);
                }
            }
            Files.delete(frames);
        }
    }
}
