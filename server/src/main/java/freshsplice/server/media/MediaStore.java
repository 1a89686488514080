package freshsplice.server.media;

import freshsplice.core.conform.SourceNames;
import freshsplice.core.time.Timecode;
import freshsplice.render.Probe;
import freshsplice.server.Folders;
import freshsplice.server.store.MediaRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.Refused;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps files under their checksum, so that the same file given twice is kept once. Names are only ever labels. */
@Service
public class MediaStore {
    private static final int WIDEST = 16_384;

    private final Folders folders;
    private final Store store;

    MediaStore(Folders folders, Store store) {
        this.folders = folders;
        this.store = store;
    }

    /**
     * A file on disk.
     *
     * @param stored its name below the media folder
     */
    public record Kept(String name, String stored, String sha256, long bytes) {
    }

    /** Takes in all of a stream; half a stream leaves nothing. */
    public Kept keep(String givenName, InputStream in) throws IOException {
        String name = label(givenName);
        Path arriving = Files.createTempFile(folders.arriving(), "file", null);
        try {
            MessageDigest digest = sha256();
            long bytes;
            try (OutputStream out = new DigestOutputStream(Files.newOutputStream(arriving), digest)) {
                bytes = in.transferTo(out);
            }
            String sum = HexFormat.of().formatHex(digest.digest());
            String stored = sum + ending(name);
            Files.move(arriving, folders.media().resolve(stored), StandardCopyOption.REPLACE_EXISTING);
            return new Kept(name, stored, sum, bytes);
        } finally {
            Files.deleteIfExists(arriving);
        }
    }

    /**
     * Makes a kept file known as a picture, movie or sound of a project.
     *
     * @throws IOException if it is none of these; the message says so
     */
    @Transactional
    public MediaRow add(long projectId, Kept kept) throws IOException {
        List<MediaRow> same = store.where(MediaRow.class, "sha256", kept.sha256()).stream()
                .filter(m -> m.projectId == projectId && m.name.equals(kept.name())).toList();
        if (!same.isEmpty()) {
            return same.get(0);
        }
        Probe probe = look(kept);
        if (probe.width() > WIDEST || probe.height() > WIDEST) {
            throw new Refused(kept.name() + " is " + probe.width() + " x " + probe.height() + " pixels; a picture may "
                    + "have " + WIDEST + " a side: give it smaller");
        }
        MediaRow media = new MediaRow();
        media.projectId = projectId;
        media.name = kept.name();
        media.kind = !probe.picture() ? MediaRow.Kind.SOUND
                : probe.rate() == null ? MediaRow.Kind.PICTURE : MediaRow.Kind.MOVIE;
        media.stored = kept.stored();
        media.bytes = kept.bytes();
        media.sha256 = kept.sha256();
        media.width = probe.width();
        media.height = probe.height();
        media.rate = probe.rate();
        media.frames = probe.frames();
        media.seconds = probe.seconds();
        media.startFrame = startFrame(probe);
        return store.add(media);
    }

    /** Errors name the file as it was given, not as it is kept. */
    private Probe look(Kept kept) throws IOException {
        try {
            return Probe.of(file(kept.stored()));
        } catch (IOException e) {
            throw new IOException(String.valueOf(e.getMessage()).replace(kept.stored(), kept.name()), e);
        }
    }

    private static long startFrame(Probe probe) {
        try {
            return probe.rate() == null || probe.timecode() == null ? 0 : Timecode.parse(probe.timecode(), probe.rate(),
                    Timecode.isWrittenDrop(probe.timecode()) && probe.rate().hasDropFrame()).frame();
        } catch (IllegalArgumentException e) {
            return 0;
        }
    }

    /** All files of a project, to be found by name. */
    public SourceNames names(long projectId, boolean sound) {
        SourceNames names = new SourceNames();
        store.where(MediaRow.class, "projectId", projectId).stream()
                .filter(m -> sound ? m.kind != MediaRow.Kind.PICTURE : m.kind != MediaRow.Kind.SOUND)
                .forEach(m -> names.add(m.id, m.name));
        return names;
    }

    public Path file(String stored) {
        return folders.media().resolve(stored);
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

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
