package freshsplice.render;

import freshsplice.core.time.Rational;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * Sound of very many clips, mixed in parts: a program opens so many files at once and no more. The parts are floating point, so that
 * all of them together are what they would be at once.
 */
final class SoundParts {
    /** Files that are open at once; systems allow 256 at least (POSIX counts on 20, common practice is 1024). */
    static final int MOST = 100;

    private SoundParts() {
    }

    /**
     * The same sound in parts few enough.
     *
     * @param length seconds of the movie
     * @param folder that parts are written into
     * @throws IOException saying what stopped it
     */
    static List<MovieSound> few(List<MovieSound> sound, Rational length, Path folder) throws IOException {
        if (sound.size() <= MOST) {
            return sound;
        }
        List<MovieSound> parts = new ArrayList<>();
        for (int i = 0; i < sound.size(); i += MOST) {
            Path part = folder.resolve("sound" + parts.size() + ".wav");
            mix(sound.subList(i, Math.min(sound.size(), i + MOST)), length, part);
            parts.add(new MovieSound(part, Rational.ZERO, length, Rational.ZERO));
        }
        return few(parts, length, folder);
    }

    private static void mix(List<MovieSound> sound, Rational length, Path to) throws IOException {
        SoundFilter filter = new SoundFilter(sound, length, 0);
        List<String> words = new ArrayList<>(List.of("ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin", "-y"));
        words.addAll(filter.inputs());
        words.addAll(List.of("-filter_complex_script", script(filter.filters(1).substring(1), to.resolveSibling("sound.filter")).toString(), "-map", "[a0]",
                "-c:a", "pcm_f32le", "-rf64", "auto", to.toString()));
        Path log = to.resolveSibling("sound.log");
        Process ffmpeg = new ProcessBuilder(words).redirectErrorStream(true).redirectOutput(log.toFile()).start();
        try {
            if (!ffmpeg.waitFor(30, TimeUnit.MINUTES) || ffmpeg.exitValue() != 0) {
                List<String> said = Files.readAllLines(log, StandardCharsets.UTF_8);
                throw new IOException("ffmpeg stopped" + (said.isEmpty() ? "" : ": " + said.get(said.size() - 1)));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while sound was being mixed", e);
        } finally {
            ffmpeg.destroyForcibly();
        }
    }

    /** One word of a command has 128 KiB at most (Linux): filters stand in a file. */
    static Path script(String filters, Path file) throws IOException {
        return Files.writeString(file, filters, StandardCharsets.UTF_8);
    }
}
