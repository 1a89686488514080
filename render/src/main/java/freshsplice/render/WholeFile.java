package freshsplice.render;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Files that are seen under their names only when all of them is on the disk: through a cut of the power too. Several may write beside
 * one another, in a folder that several machines share.
 */
public final class WholeFile {
    /** Ending of what is being written. */
    public static final String PART = ".part";
    private static final String HOST = host();
    private static final long OWN = ProcessHandle.current().pid();
    /** What this process is writing. */
    private static final Set<Path> OPEN = ConcurrentHashMap.newKeySet();

    private WholeFile() {
    }

    /** What a file is to hold. */
    public interface Contents {
        void write(OutputStream out) throws IOException;
    }

    private static String host() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException e) {
            return "local";
        }
    }

    /** Where a process of this machine writes a file while it is not whole. */
    public static Path part(Path file, long pid) {
        return file.resolveSibling(file.getFileName() + "." + HOST + "-" + pid + PART);
    }

    /** @throws IOException if the disk is full, or does not take it; nothing is left then */
    public static void write(Path file, Contents contents) throws IOException {
        Path own = part(file.toAbsolutePath(), OWN);
        boolean alone = OPEN.add(own);
        try {
            write(file, alone ? own : Files.createTempFile(own.getParent(), file.getFileName().toString(), PART), contents);
        } finally {
            if (alone) {
                OPEN.remove(own);
            }
        }
    }

    private static void write(Path file, Path part, Contents contents) throws IOException {
        try {
            try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING)) {
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
