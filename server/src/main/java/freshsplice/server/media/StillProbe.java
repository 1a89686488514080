package freshsplice.server.media;

import freshsplice.render.Probe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Reads the size of the usual stills from their heads: two thousand boards would wait minutes for as many processes. */
final class StillProbe {
    private static final Set<String> KINDS = Set.of("png", "jpeg");

    private StillProbe() {
    }

    /** What a PNG or JPEG says; null for any other file, or where its head cannot be read. */
    static Probe of(Path file) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = in == null ? Collections.emptyIterator()
                    : ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return null;
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                return !KINDS.contains(reader.getFormatName().toLowerCase(Locale.ROOT)) ? null
                        : new Probe(true, false, reader.getWidth(0), reader.getHeight(0), 1, 0, null, null);
            } catch (IOException | RuntimeException e) {
                // ffprobe has the last word on a file that is damaged
                return null;
            } finally {
                reader.dispose();
            }
        }
    }
}
