package freshsplice.exchange.otio;

import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.UnreadableFile;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** A zip that holds a timeline and its media. The timeline is read where it stands; nothing is unpacked. */
final class OtioBundle {
    private static final String CONTENT = "content.otio";
    private static final int MAX_ENTRIES = 100_000;

    private OtioBundle() {
    }

    static boolean isZip(byte[] bytes) {
        return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    /** Whether a zip says by its ending, or by its first files' names, that it is a bundle. */
    static boolean isBundle(InputFile file) {
        if (file.ending().equals("otioz")) {
            return true;
        }
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file.bytes()))) {
            for (int i = 0; i < 8; i++) {
                ZipEntry entry = zip.getNextEntry();
                if (entry == null) {
                    return false;
                }
                if (entry.getName().equals(CONTENT)) {
                    return true;
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            return false;
        }
        return false;
    }

    /** @throws UnreadableFile if the zip is damaged, has no timeline, or one that unpacks to more than a cut may be */
    static byte[] content(InputFile file, Limits limits) {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file.bytes()))) {
            int entries = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++entries > MAX_ENTRIES) {
                    throw new UnreadableFile(file.name() + " holds more than " + MAX_ENTRIES + " files");
                }
                if (entry.getName().equals(CONTENT)) {
                    byte[] bytes = zip.readNBytes((int) Math.min(Integer.MAX_VALUE - 16L, limits.maxBytes() + 1));
                    if (bytes.length > limits.maxBytes()) {
                        throw new UnreadableFile(file.name() + ": its timeline unpacks to more than "
                                + limits.maxBytes() / 1_000_000 + " MB");
                    }
                    return bytes;
                }
                skip(zip, file, limits);
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new UnreadableFile(file.name() + " is a damaged zip: " + e.getMessage());
        }
        throw new UnreadableFile(file.name() + " is a zip without " + CONTENT + ", so it is no bundle of a timeline");
    }

    /** Media before the timeline may be large, but a small file that unpacks without end is a bomb. */
    private static void skip(ZipInputStream zip, InputFile file, Limits limits) throws IOException {
        long most = Math.max(limits.maxBytes(), file.bytes().length * 100L);
        byte[] buffer = new byte[65536];
        long read = 0;
        for (int n = zip.read(buffer); n >= 0; n = zip.read(buffer)) {
            read += n;
            if (read > most) {
                throw new UnreadableFile(file.name() + " unpacks to more than " + most / 1_000_000
                        + " MB before its timeline");
            }
        }
    }
}
