package freshsplice.server.media;

import freshsplice.server.Folders;
import freshsplice.server.store.MediaRow;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;

/** Smaller pictures of media and the loudness of sound, made when first asked for and kept. */
@Component
class Proxies {
    /** Loudness values a second. */
    static final int PEAKS_PER_SECOND = 50;
    private static final int SAMPLE_RATE = 8000;

    private final Folders folders;
    private final Semaphore turns = new Semaphore(2);

    Proxies(Folders folders) {
        this.folders = folders;
    }

    /** A JPEG of one frame, at most {@code width} pixels wide. */
    Path picture(MediaRow media, long frame, int width) throws IOException {
        long at = Math.max(0, Math.min(frame, media.frames - 1));
        Path proxy = folders.proxies().resolve(media.sha256 + "_" + at + "_" + width + ".jpg");
        if (!Files.exists(proxy)) {
            List<String> command = new java.util.ArrayList<>(List.of("ffmpeg", "-v", "error", "-nostdin", "-y",
                    "-protocol_whitelist", "file"));
            if (media.kind == MediaRow.Kind.MOVIE && at > 0) {
                // the middle of the frame, so that rounding never shows its neighbour
                command.addAll(List.of("-ss", String.format(Locale.ROOT, "%.6f",
                        (at + 0.5) / media.rate.fps().toDouble())));
            }
            command.addAll(List.of("-i", folders.media().resolve(media.stored).toString(), "-frames:v", "1", "-vf",
                    "scale='min(" + width + ",iw)':-2:flags=area", "-q:v", "3", "-f", "mjpeg"));
            make(command, proxy, media.name);
        }
        return proxy;
    }

    /** Loudness from 0 to 255, {@link #PEAKS_PER_SECOND} a second. */
    Path peaks(MediaRow media) throws IOException {
        Path proxy = folders.proxies().resolve(media.sha256 + ".peaks");
        if (!Files.exists(proxy)) {
            Path samples = Files.createTempFile(folders.arriving(), "sound", null);
            try {
                make(List.of("ffmpeg", "-v", "error", "-nostdin", "-y", "-protocol_whitelist", "file", "-i",
                        folders.media().resolve(media.stored).toString(), "-ac", "1", "-ar",
                        String.valueOf(SAMPLE_RATE), "-f", "u8"), samples, media.name);
                Path half = Files.createTempFile(folders.arriving(), "peaks", null);
                Files.write(half, loudest(samples));
                Files.move(half, proxy, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(samples);
            }
        }
        return proxy;
    }

    private static byte[] loudest(Path samples) throws IOException {
        int step = SAMPLE_RATE / PEAKS_PER_SECOND;
        byte[] peaks = new byte[(int) (Files.size(samples) / step + 1)];
        byte[] part = new byte[step];
        try (InputStream in = new java.io.BufferedInputStream(Files.newInputStream(samples))) {
            for (int i = 0; i < peaks.length; i++) {
                int read = in.readNBytes(part, 0, step);
                int loudest = 0;
                for (int k = 0; k < read; k++) {
                    loudest = Math.max(loudest, Math.abs((part[k] & 0xFF) - 128));
                }
                peaks[i] = (byte) Math.min(255, loudest * 2);
            }
        }
        return peaks;
    }

    /** Runs ffmpeg into a file that appears only when it is whole. */
    private void make(List<String> command, Path target, String name) throws IOException {
        Path half = Files.createTempFile(folders.arriving(), "proxy", null);
        try {
            turns.acquire();
            try {
                List<String> all = new java.util.ArrayList<>(command);
                all.add(half.toString());
                Process ffmpeg = new ProcessBuilder(all).redirectErrorStream(true)
                        .redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
                if (!ffmpeg.waitFor(60, TimeUnit.SECONDS) || ffmpeg.exitValue() != 0 || Files.size(half) == 0) {
                    ffmpeg.destroyForcibly();
                    throw new IOException(name + " cannot be shown: it is damaged, or of a kind that ffmpeg does not "
                            + "read");
                }
                Files.move(half, target, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                turns.release();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while making a smaller picture of " + name, e);
        } finally {
            Files.deleteIfExists(half);
        }
    }
}
