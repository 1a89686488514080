package freshsplice.server.media;

import freshsplice.core.time.Timecode;
import freshsplice.render.FileDigest;
import freshsplice.render.Probe;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MediaFrameRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import freshsplice.server.settings.Settings;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps files under their checksum, so that the same file given twice is kept once. Names are only ever labels. */
@Service
public class MediaStore {
    private final Folders folders;
    private final Store store;
    private final Settings settings;
    private final TransactionTemplate transactions;

    MediaStore(Folders folders, Store store, Settings settings, TransactionTemplate transactions) {
        this.transactions = transactions;
        this.folders = folders;
        this.store = store;
        this.settings = settings;
    }

    /**
     * A file on disk.
     *
     * @param path   its name with the folders that it was given with
     * @param stored its name below the media folder
     */
    public record StoredFile(String name, String path, String stored, String sha256, long bytes) {
    }

    /** Takes in all of a stream; half a stream leaves nothing. */
    public StoredFile keep(String givenName, InputStream in) throws IOException {
        String name = label(givenName);
        String path = pathLabel(givenName, name);
        Path arriving = Files.createTempFile(folders.arriving(), "file", null);
        try {
            MessageDigest digest = FileDigest.sha256();
            long bytes;
            try (OutputStream out = new DigestOutputStream(Files.newOutputStream(arriving), digest)) {
                bytes = in.transferTo(out);
            }
            String sum = HexFormat.of().formatHex(digest.digest());
            String stored = sum + ending(name);
            Files.move(arriving, folders.media().resolve(stored), StandardCopyOption.ATOMIC_MOVE);
            return new StoredFile(name, path, stored, sum, bytes);
        } finally {
            Files.deleteIfExists(arriving);
        }
    }

    /** The pictures of a run, by their numbers. */
    public NavigableMap<Long, MediaRow> pictures(MediaRow run) {
        List<MediaFrameRow> frames = store.where(MediaFrameRow.class, "mediaId", run.id);
        Map<Long, MediaRow> files = new HashMap<>();
        store.whereIn(MediaRow.class, "id", frames.stream().map(f -> f.frameId).distinct().toList()).forEach(f -> files.put(f.id, f));
        NavigableMap<Long, MediaRow> pictures = new TreeMap<>();
        frames.forEach(f -> pictures.put(f.number, files.get(f.frameId)));
        return pictures;
    }

    /**
     * Makes a kept file known as a picture, movie or sound of a project.
     *
     * @throws IOException if it is none of these; the message says so
     */
    public MediaRow add(long projectId, StoredFile kept) throws IOException {
        Optional<MediaRow> known = same(projectId, kept);
        if (known.isPresent()) {
            return known.get();
        }
        // looking into a file may take long, so nothing is held meanwhile
        Probe probe = look(file(kept.stored()), kept.name());
        MediaRow media = new MediaRow();
        media.projectId = projectId;
        media.name = kept.name();
        media.path = kept.path();
        media.stored = kept.stored();
        media.bytes = kept.bytes();
        media.sha256 = kept.sha256();
        fill(media, probe);
        return transactions.execute(status -> same(projectId, kept).orElseGet(() -> store.add(media)));
    }

    private Optional<MediaRow> same(long projectId, StoredFile kept) {
        return store.where(MediaRow.class, "sha256", kept.sha256()).stream()
                .filter(m -> m.projectId == projectId && m.path.equals(kept.path())).findFirst();
    }

    /**
     * Makes a file known that stays in its folder of the server.
     *
     * @throws IOException if it is no picture, movie or sound; the message says so
     */
    public MediaRow link(long projectId, Path file) throws IOException {
        return link(projectId, file, file.toString());
    }

    /** The same under a name of its own. @param path with its folders, as people read it */
    public MediaRow link(long projectId, Path file, String path) throws IOException {
        MediaRow media = new MediaRow();
        media.projectId = projectId;
        media.name = label(path);
        media.path = path;
        media.linked = file.toString();
        media.writtenAt = Files.getLastModifiedTime(file).toMillis();
        media.bytes = Files.size(file);
        media.sha256 = FileDigest.quick(file);
        fill(media, look(file, media.name));
        return transactions.execute(status -> store.add(media));
    }

    private void fill(MediaRow media, Probe probe) {
        int most = settings.maxPictureSide();
        if (probe.width() > most || probe.height() > most) {
            throw new Refused(media.name + " is " + probe.width() + " x " + probe.height() + " pixels; a picture may "
                    + "have " + most + " a side: give it smaller");
        }
        media.kind = !probe.picture() ? MediaRow.Kind.SOUND
                : probe.rate() == null ? MediaRow.Kind.PICTURE : MediaRow.Kind.MOVIE;
        media.width = probe.width();
        media.height = probe.height();
        media.rate = probe.rate();
        media.frames = probe.frames();
        media.seconds = probe.seconds();
        media.startFrame = startFrame(probe);
        media.reel = probe.reel();
    }

    /** Errors name the file as it was given, not as it is kept. */
    private static Probe look(Path file, String name) throws IOException {
        try {
            Probe still = StillProbe.of(file);
            return still != null ? still : Probe.of(file);
        } catch (IOException e) {
            throw new IOException(String.valueOf(e.getMessage()).replace(file.getFileName().toString(), name), e);
        }
    }

    /** Frames from 00:00:00:00 to a file's first, by its own timecode; 0 without one. */
    public static long startFrame(Probe probe) {
        try {
            return probe.rate() == null || probe.timecode() == null ? 0 : Timecode.parse(probe.timecode(), probe.rate(),
                    Timecode.isWrittenDrop(probe.timecode()) && probe.rate().hasDropFrame()).frame();
        } catch (IllegalArgumentException e) {
            return 0;
        }
    }

    public Path file(String stored) {
        return folders.media().resolve(stored);
    }

    /** Whether a file holds what a linked one did. */
    public boolean isSame(MediaRow linked, Path file) throws IOException {
        return FileDigest.quick(file).equals(linked.sha256);
    }

    /** Where a file lies. One that is linked may not be there any more. */
    public Path file(MediaRow media) {
        return media.linked != null ? Path.of(media.linked) : file(media.stored);
    }

    /** The name with its folders, drive letters and ways upward left away; only ever a label. */
    private static String pathLabel(String given, String name) {
        List<String> parts = new ArrayList<>();
        for (String part : String.valueOf(given).replaceAll("\\p{Cntrl}", " ").split("[/\\\\]+")) {
            if (!part.isBlank() && !part.equals(".") && !part.equals("..") && !part.endsWith(":")) {
                parts.add(part.strip());
            }
        }
        String path = parts.isEmpty() ? name
                : String.join("/", parts.subList(0, parts.size() - 1)) + (parts.size() > 1 ? "/" : "") + name;
        return path.length() <= 1000 ? path : name;
    }

    /** A name to show: without folders and control characters, at most 300 letters. */
    private static String label(String given) {
        String name = given == null ? "" : given.substring(Math.max(given.lastIndexOf('/'), given.lastIndexOf('\\')) + 1)
                .replaceAll("\\p{Cntrl}", " ").strip();
        String safe = name.isEmpty() || name.equals(".") || name.equals("..") ? "unnamed" : name;
        return safe.length() <= 300 ? safe : safe.substring(0, 290) + ending(safe);
    }

    private static String ending(String name) {
        int dot = name.lastIndexOf('.');
        String ending = dot < 0 ? "" : name.substring(dot).toLowerCase(Locale.ROOT);
        return ending.matches("\\.[a-z0-9]{1,5}") ? ending : "";
    }
}
