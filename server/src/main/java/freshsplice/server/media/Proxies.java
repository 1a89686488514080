package freshsplice.server.media;

import freshsplice.core.refusal.Refusal;
import freshsplice.render.MovieTimes;
import freshsplice.server.rows.MediaFrameRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Smaller pictures of media and the loudness of sound, made when first asked for, or before, and kept. */
@Component
public class Proxies {
    /** Loudness values a second. */
    static final int PEAKS_PER_SECOND = 50;
    public static final int SMALL = 240;
    public static final int MIDDLE = 960;
    public static final int LARGE = 1920;
    private static final int SAMPLE_RATE = 8000;

    private final Folders folders;
    private final MediaStore media;
    private final Store store;
    private final Ffmpeg ffmpeg;

    Proxies(Folders folders, MediaStore media, Store store, Ffmpeg ffmpeg) {
        this.folders = folders;
        this.media = media;
        this.store = store;
        this.ffmpeg = ffmpeg;
    }

    /** The file of a smaller picture, whether it is there or not. */
    Path place(String sha256, long frame, int width) {
        return folders.proxies().resolve(sha256 + "_" + frame + "_" + width + ".jpg");
    }

    /** The picture that holds a frame: the file itself, or the one of a run; where a run has none, the one before. */
    MediaRow holder(MediaRow row, long frame) {
        if (row.kind != MediaRow.Kind.RUN) {
            return row;
        }
        List<MediaFrameRow> frames = store.where(MediaFrameRow.class, "mediaId", row.id);
        MediaFrameRow at = frames.get(0);
        for (MediaFrameRow one : frames) {
            at = one.number <= row.startFrame + frame && one.number >= at.number ? one : at;
        }
        return store.get(MediaRow.class, at.frameId);
    }

    /** A small JPEG of one frame; null where it cannot be made, so that a list goes without it. */
    public Path small(MediaRow row, long frame) {
        try {
            return picture(row, frame, SMALL);
        } catch (IOException | Refusal e) {
            return null;
        }
    }

    /** A JPEG of one frame, at most {@code width} pixels wide. */
    public Path picture(MediaRow row, long frame, int width) throws IOException {
        MediaRow file = holder(row, frame);
        long at = Math.max(0, Math.min(frame, file.frames - 1));
        Path proxy = place(file.sha256, at, width);
        if (!Files.exists(proxy)) {
            List<String> command = new ArrayList<>();
            if (file.kind == MediaRow.Kind.MOVIE && at > 0) {
                command.addAll(List.of("-ss", MovieTimes.of(there(file)).seek(at, file.rate)));
            }
            command.addAll(List.of("-i", there(file).toString(), "-frames:v", "1"));
            command.addAll(scaled(width));
            ffmpeg.make(command, proxy, file.name);
        }
        return proxy;
    }

    /** How ffmpeg is told to make a smaller JPEG. */
    static List<String> scaled(int width) {
        return List.of("-vf", "scale='min(" + width + ",iw)':-2:flags=area", "-q:v", "3", "-f", "mjpeg");
    }

    /** Loudness from 0 to 255, {@link #PEAKS_PER_SECOND} a second. */
    public Path peaks(MediaRow row) throws IOException {
        Path proxy = folders.proxies().resolve(row.sha256 + ".peaks");
        if (!Files.exists(proxy)) {
            Path samples = Files.createTempFile(folders.arriving(), "sound", null);
            try {
                ffmpeg.make(List.of("-i", there(row).toString(), "-ac", "1", "-ar", String.valueOf(SAMPLE_RATE), "-f", "u8"),
                        samples, row.name);
                Path half = Files.createTempFile(folders.arriving(), "peaks", null);
                Files.write(half, loudest(samples));
                Files.move(half, proxy, StandardCopyOption.ATOMIC_MOVE);
            } finally {
                Files.deleteIfExists(samples);
            }
        }
        return proxy;
    }

    public Path there(MediaRow row) throws IOException {
        Path file = media.file(row);
        if (!Files.exists(file)) {
            throw new IOException(row.name + " is not in its folder any more (" + row.path + "): look for it again in "
                    + "Intake, or give it");
        }
        return file;
    }

    private static byte[] loudest(Path samples) throws IOException {
        int step = SAMPLE_RATE / PEAKS_PER_SECOND;
        byte[] peaks = new byte[(int) (Files.size(samples) / step + 1)];
        byte[] part = new byte[step];
        try (InputStream in = new BufferedInputStream(Files.newInputStream(samples))) {
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
}
