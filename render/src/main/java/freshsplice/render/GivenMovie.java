package freshsplice.render;

import freshsplice.core.render.OutputKind;
import freshsplice.core.render.RenderJob;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;

/**
 * A movie that another program made as edit rooms work with it: it goes on as it is, picture for picture, with the name and the
 * timecode of the version that it became.
 */
public final class GivenMovie {
    private GivenMovie() {
    }

    /** What kind of ours it is; empty where it is none that a list hands out as it came. */
    public static Optional<OutputKind> kind(Path movie) {
        try {
            Probe probe = Probe.of(movie);
            return probe.times() != null ? Optional.empty() : switch (probe.codec()) {
                case "prores" -> Optional.of(OutputKind.PRORES);
                case "dnxhd" -> Optional.of(OutputKind.VC3);
                default -> Optional.empty();
            };
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /**
     * Puts it beside the files of its version.
     *
     * @param folder of those
     * @param goOn   asked again and again; false gives up
     * @return null where it was given up
     * @throws IOException if it cannot be written; nothing is left then
     */
    public static OutputWriter.WrittenOutput into(Path movie, OutputKind kind, RenderJob job, Path folder, BooleanSupplier goOn) throws IOException {
        Path part = Files.createTempFile(folder, "given", "." + kind.ending());
        try {
            if (!run(List.of("ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin", "-y", "-protocol_whitelist", "file", "-i",
                    movie.toAbsolutePath().toString(), "-map", "0:v:0", "-map", "0:a?", "-c", "copy", "-timecode", job.timecode(), "-f", "mov",
                    part.toString()), goOn)) {
                return null;
            }
            String name = job.names().movie(job.recipe(), kind);
            long bytes = Files.size(part);
            Files.move(part, folder.resolve(name), StandardCopyOption.ATOMIC_MOVE);
            return new OutputWriter.WrittenOutput(kind, name, name, 1, bytes);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private static boolean run(List<String> command, BooleanSupplier goOn) throws IOException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        try {
            while (!process.waitFor(200, TimeUnit.MILLISECONDS)) {
                if (!goOn.getAsBoolean()) {
                    return false;
                }
            }
            if (process.exitValue() != 0) {
                throw new IOException("ffmpeg cannot copy it");
            }
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while a movie was being copied", e);
        } finally {
            process.destroyForcibly();
        }
    }
}
