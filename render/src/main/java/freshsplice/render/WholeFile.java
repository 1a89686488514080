package freshsplice.render;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/**
 * Files that are seen under their names only when all of them is on the disk: through a cut of the power too. Several may write beside
 * one another, in a folder that several machines share.
 */
public final class WholeFile {
    private static final String PART = ".part";

    private WholeFile() {
    }

    /** What a file is to hold. */
    public interface Contents {
        void write(OutputStream out) throws IOException;
    }

    /** @throws IOException if the disk is full, or does not take it; nothing is left then */
    public static void write(Path file, Contents contents) throws IOException {
        Path part = Files.createTempFile(file.toAbsolutePath().getParent(), file.getFileName().toString(), PART);
        try {
            try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
                OutputStream out = new Open(Channels.newOutputStream(channel));
                contents.write(out);
                out.flush();
                channel.force(true);
            }
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** Stays open when what writes into it closes it: all of it is forced to the disk first. */
    private static final class Open extends BufferedOutputStream {
        Open(OutputStream out) {
            super(out, 1 << 16);
        }

        @Override
        public void close() throws IOException {
            flush();
        }
    }
}
