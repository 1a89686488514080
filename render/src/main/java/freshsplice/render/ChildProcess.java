package freshsplice.render;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Runs a program to its end, or ends it: one that hangs on a damaged file never holds whoever waits for it. */
final class ChildProcess {
    private ChildProcess() {
    }

    /**
     * What a program prints.
     *
     * @param seconds after which it is ended
     * @param most    bytes of its output that are read
     * @param name    of the file that it looks at, for the error
     * @throws IOException if it cannot be started, or does not end in time
     */
    static byte[] output(List<String> command, int seconds, int most, Path name) throws IOException {
        Process process = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        // reading its output waits for as long as it runs, so that somebody else must look at the clock
        var watch = process.onExit().orTimeout(seconds, TimeUnit.SECONDS);
        // only one that is late: ending a process closes its output, and one that came to its end may not be read yet
        watch.exceptionally(late -> process.destroyForcibly());
        try {
            byte[] out = process.getInputStream().readNBytes(most);
            process.getInputStream().close();
            process.waitFor(seconds, TimeUnit.SECONDS);
            if (watch.isCompletedExceptionally()) {
                throw new IOException(name.getFileName() + " takes too long to look at");
            }
            return out;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while looking at " + name.getFileName(), e);
        } finally {
            process.destroyForcibly();
        }
    }
}
