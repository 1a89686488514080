package freshsplice.server.sources;

import freshsplice.core.sources.MediaKind;
import freshsplice.server.media.MediaStore;
import freshsplice.server.refusals.Refused;
import freshsplice.server.settings.Settings;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.springframework.stereotype.Component;

/**
 * Unpacks zips into the media folder. Names in a zip are only ever labels, and what it unfolds to is counted while it
 * unfolds, whatever it says of itself.
 */
@Component
public class ZipFiles {
    private final MediaStore media;
    private final Settings settings;

    ZipFiles(MediaStore media, Settings settings) {
        this.media = media;
        this.settings = settings;
    }

    public static boolean isZip(String name) {
        return name.toLowerCase(Locale.ROOT).endsWith(".zip");
    }

    /** What a zip holds that can be of use: pictures, sound, cuts and lists of checksums. */
    public static boolean isOfUse(String entry) {
        String base = entry.substring(entry.lastIndexOf('/') + 1);
        boolean hidden = base.startsWith(".") || entry.startsWith("__MACOSX/");
        return !hidden && (MediaKind.of(base) != MediaKind.OTHER
                || base.toLowerCase(Locale.ROOT).matches(".*\\.(edl|xml|aaf|otio|otioz|mhl)"));
    }

    /**
     * Keeps the files in a zip that are wanted.
     *
     * @param label  the zip's name, which becomes the folder of what is in it
     * @throws Refused     if it holds or unfolds to more than the settings allow; files before that stay
     * @throws IOException if it is damaged; the message names it
     */
    public List<MediaStore.StoredFile> unpack(Path file, String label, Predicate<String> wanted) throws IOException {
        List<MediaStore.StoredFile> kept = new ArrayList<>();
        long[] left = {settings.maxZipBytes()};
        try (ZipFile zip = new ZipFile(file.toFile())) {
            if (zip.size() > settings.maxZipEntries()) {
                throw new Refused(label + " holds " + zip.size() + " files; " + settings.maxZipEntries()
                        + " are taken (setting fresh-splice.max-zip-entries): give it in parts");
            }
            Enumeration<? extends ZipEntry> entries = zip.entries();
            while (entries.hasMoreElements()) {
                ZipEntry entry = entries.nextElement();
                if (!entry.isDirectory() && wanted.test(entry.getName())) {
                    try (InputStream in = new LimitedStream(zip.getInputStream(entry), left, label)) {
                        kept.add(media.keep(label + "/" + entry.getName(), in));
                    }
                }
            }
        } catch (ZipException e) {
            throw new IOException(label + " is damaged: pack it again", e);
        }
        return kept;
    }

    /** Ends a stream in an error when all of a zip has unfolded to too much. */
    private final class LimitedStream extends FilterInputStream {
        private final long[] left;
        private final String label;

        LimitedStream(InputStream in, long[] left, String label) {
            super(in);
            this.left = left;
            this.label = label;
        }

        @Override
        public int read() throws IOException {
            int b = super.read();
            count(b < 0 ? 0 : 1);
            return b;
        }

        @Override
        public int read(byte[] bytes, int from, int length) throws IOException {
            int n = super.read(bytes, from, length);
            count(Math.max(0, n));
            return n;
        }

        private void count(int n) {
            left[0] -= n;
            if (left[0] < 0) {
                throw new Refused(label + " unfolds to over " + settings.maxZipBytes() + " bytes (setting "
                        + "fresh-splice.max-zip-bytes): give it in parts");
            }
        }
    }
}
