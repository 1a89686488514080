package freshsplice.render;

import freshsplice.core.render.FrameNumbers;
import freshsplice.core.render.Output;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.RenderJob;
import java.io.BufferedOutputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.LongPredicate;
import java.util.stream.Stream;

/**
 * Writes kept frames into the files that a recipe asks for, all of them in one pass through ffmpeg. What is being written lies in a
 * folder beside them; files appear under their names when all are whole, and what is given up leaves nothing.
 */
public final class OutputWriter {
    /** Said where a disk takes no more. */
    public static final String FULL = "The disk is full: free some space, then go on";
    private static final int TOLD_LINES = 3;
    private static final int MOST_TRIES = 4;
    private static final String PART = ".part";

    /** What was written. @param file its name, the first of a run; @param last the last's; @param count how many files */
    public record WrittenOutput(OutputKind kind, String file, String last, long count, long bytes) {
    }

    private final RenderJob job;
    private final OutputOrder order;
    private final Path frames;
    private final Path folder;
    private final Path part;

    private OutputWriter(OutputOrder order, Path frames, Path folder) {
        this.order = order;
        this.job = order.job();
        this.frames = frames;
        this.folder = folder;
        this.part = folder.resolve(PART);
    }

    /**
     * @param frames folder with the kept frames, all of one kind
     * @param folder that the files come into
     * @param goOn   asked with the number of frames read before each; false gives up
     * @return null where it was given up
     * @throws IOException saying what stopped it; nothing is left then
     */
    public static List<WrittenOutput> write(OutputOrder order, Path frames, Path folder, LongPredicate goOn) throws IOException {
        return new OutputWriter(order, frames, folder).write(goOn);
    }

    private List<WrittenOutput> write(LongPredicate goOn) throws IOException {
        delete(part);
        Files.createDirectories(part);
        try {
            for (Output output : order.outputs()) {
                if (!output.kind().isMovie()) {
                    Files.createDirectories(part.resolve(output.kind().ending()));
                }
            }
            Pixels first = first();
            double share = 1;
            boolean movies = order.outputs().stream().anyMatch(o -> o.kind().isMovie());
            OutputOrder mixed = movies ? new OutputOrder(job, order.outputs(), SoundParts.few(order.sound(), job.seconds(), part)) : order;
            for (int tries = 0; tries < MOST_TRIES; tries++) {
                for (OutputCommand command : OutputCommand.passes(mixed, first, share, part)) {
                    if (!run(command, goOn)) {
                        return null;
                    }
                }
                double over = overLimit();
                if (over <= 1) {
                    return takeOver();
                }
                share *= 0.95 / over;
            }
            throw new IOException("The movie does not become as small as its limit: allow more, or render it smaller");
        } finally {
            delete(part);
        }
    }

    private Pixels first() throws IOException {
        try {
            return FrameFile.read(frames.resolve(FrameFile.name(0)));
        } catch (IOException | RuntimeException e) {
            throw new DamagedFrame(0, e);
        }
    }

    /** How many times too large the movie with a limit has become: an encoder aims, and does not always meet. */
    private double overLimit() throws IOException {
        for (Output output : order.outputs()) {
            if (output.mostMb() != null) {
                return Files.size(part.resolve(OutputCommand.movieName(output.kind()))) / (output.mostMb() * 1e6);
            }
        }
        return 0;
    }

    /** @return whether it came to its end */
    private boolean run(OutputCommand command, LongPredicate goOn) throws IOException {
        Path log = part.resolve("ffmpeg.log");
        Process ffmpeg;
        try {
            ProcessBuilder started = new ProcessBuilder(command.words());
            // what it says is read: in the one language that is known
            started.environment().put("LC_ALL", "C");
            ffmpeg = started.directory(part.toFile()).redirectErrorStream(true)
                    .redirectOutput(log.toFile()).start();
        } catch (IOException e) {
            throw new IOException("ffmpeg cannot be started, so nothing can be written: install ffmpeg", e);
        }
        try {
            if (!feed(ffmpeg, goOn, log)) {
                return false;
            }
            if (!ffmpeg.waitFor(10, TimeUnit.MINUTES) || ffmpeg.exitValue() != 0) {
                throw new IOException(reason(ffmpeg, log));
            }
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while files were being written", e);
        } finally {
            ffmpeg.destroyForcibly();
        }
    }

    private boolean feed(Process ffmpeg, LongPredicate goOn, Path log) throws IOException {
        try (FrameAhead ahead = new FrameAhead(frames, job.frames()); OutputStream to = new BufferedOutputStream(new ToFfmpeg(ffmpeg, log), 1 << 20)) {
            for (long k = 0; k < job.frames(); k++) {
                if (!goOn.test(k)) {
                    return false;
                }
                to.write(ahead.next().bytes());
            }
        }
        return true;
    }

    /** What is written to ffmpeg: where it stopped, its own words are the reason, also for the frames that were still held back. */
    private static final class ToFfmpeg extends FilterOutputStream {
        private final Process ffmpeg;
        private final Path log;

        ToFfmpeg(Process ffmpeg, Path log) {
            super(ffmpeg.getOutputStream());
            this.ffmpeg = ffmpeg;
            this.log = log;
        }

        @Override
        public void write(byte[] bytes, int from, int count) throws IOException {
            try {
                out.write(bytes, from, count);
            } catch (IOException e) {
                throw new IOException(reason(ffmpeg, log), e);
            }
        }

        @Override
        public void flush() throws IOException {
            try {
                out.flush();
            } catch (IOException e) {
                throw new IOException(reason(ffmpeg, log), e);
            }
        }
    }

    private static String reason(Process ffmpeg, Path log) {
        try {
            ffmpeg.waitFor(2, TimeUnit.SECONDS);
            String said = Files.readString(log, StandardCharsets.UTF_8).strip();
            return said.contains("No space left") ? FULL : "ffmpeg stopped" + (said.isEmpty() ? "" : ": " + lastLines(said));
        } catch (IOException e) {
            return "ffmpeg stopped";
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "ffmpeg stopped";
        }
    }

    /** What it said last: the line before the last often says why, and the last only what came of it. */
    private static String lastLines(String said) {
        List<String> lines = said.lines().distinct().toList();
        return String.join("; ", lines.subList(Math.max(0, lines.size() - TOLD_LINES), lines.size()));
    }

    /** Gives the files their names. */
    private List<WrittenOutput> takeOver() throws IOException {
        List<WrittenOutput> written = new ArrayList<>();
        for (Output output : order.outputs()) {
            written.add(output.kind().isMovie() ? movie(output) : run(output));
        }
        return written;
    }

    private WrittenOutput movie(Output output) throws IOException {
        String name = job.names().movie(job.recipe(), output.kind());
        Path file = part.resolve(OutputCommand.movieName(output.kind()));
        long bytes = Files.size(file);
        Files.move(file, folder.resolve(name), StandardCopyOption.ATOMIC_MOVE);
        return new WrittenOutput(output.kind(), name, name, 1, bytes);
    }

    private WrittenOutput run(Output output) throws IOException {
        FrameNumbers.Run numbers = job.numbers(output);
        long bytes = 0;
        for (long k = 0; k < job.frames(); k++) {
            Path file = part.resolve(OutputCommand.pictureName(output.kind(), k));
            bytes += Files.size(file);
            Files.move(file, folder.resolve(job.names().picture(job.recipe(), output.kind(), numbers, k)), StandardCopyOption.ATOMIC_MOVE);
        }
        return new WrittenOutput(output.kind(), job.names().picture(job.recipe(), output.kind(), numbers, 0),
                job.names().picture(job.recipe(), output.kind(), numbers, job.frames() - 1), job.frames(), bytes);
    }

    /** Takes a folder away with all that is in it; nothing where it is not there. */
    public static void delete(Path folder) throws IOException {
        if (Files.exists(folder)) {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.deleteIfExists(one);
                }
            }
        }
    }
}
