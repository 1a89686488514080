package freshsplice.server.media;

import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;

/** Runs ffmpeg on files that somebody gave: it may open files only, not for ever, and few at a time. */
@Component
public class Ffmpeg {
    private static final int PATIENCE = 30;
    private static final int AT_A_TIME = 2;

    private final Semaphore turns = new Semaphore(AT_A_TIME, true);

    private final Folders folders;

    Ffmpeg(Folders folders) {
        this.folders = folders;
    }

    /**
     * Makes a file that appears only when it is whole.
     *
     * @param arguments what to do, without the file to write
     * @param name      of the file that is read, for the error
     */
    public void make(List<String> arguments, Path target, String name) throws IOException {
        Path half = Files.createTempFile(folders.arriving(), "proxy", null);
        try {
            List<String> all = new ArrayList<>(arguments);
            all.add(half.toString());
            inTurn(() -> run(all, PATIENCE, name), name);
            if (Files.size(half) == 0) {
                throw unreadable(name);
            }
            Files.move(half, target, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(half);
        }
    }

    private interface Work {
        void run() throws IOException;
    }

    /** A view of a whole reel asks for hundreds of pictures at once: they are made two at a time. */
    private void inTurn(Work work, String name) throws IOException {
        try {
            if (!turns.tryAcquire(PATIENCE, TimeUnit.SECONDS)) {
                throw new IOException(name + " waits for too many other pictures: it will be asked for again");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while waiting for " + name, e);
        }
        try {
            work.run();
        } finally {
            turns.release();
        }
    }

    /** @param seconds after which it is given up */
    void run(List<String> arguments, int seconds, String name) throws IOException {
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-nostdin", "-y",
                "-protocol_whitelist", "file"));
        command.addAll(arguments);
        Process ffmpeg = new ProcessBuilder(command).redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        try {
            if (!ffmpeg.waitFor(seconds, TimeUnit.SECONDS) || ffmpeg.exitValue() != 0) {
                throw unreadable(name);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while reading " + name, e);
        } finally {
            ffmpeg.destroyForcibly();
        }
    }

    private static IOException unreadable(String name) {
        return new IOException(name + " cannot be shown: it is damaged, or of a kind that ffmpeg does not read");
    }
}
