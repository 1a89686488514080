package freshsplice.worker;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Files that came from the server, kept by their digests so that none comes twice. What was not used for longest is let go. */
final class Stock {
    /** Gets what is not there yet into a file. */
    interface Source {
        void fetch(Path into) throws IOException;
    }

    private final Path folder;
    private final long mostBytes;

    Stock(Path folder, long mostBytes) throws IOException {
        this.folder = Files.createDirectories(folder);
        this.mostBytes = mostBytes;
    }

    /** A file, under its name once it is whole. @param name letters, digits, dots and dashes; @param source where it is not here yet */
    synchronized Path file(String name, Source source) throws IOException {
        if (!name.matches("[A-Za-z0-9.-]+")) {
            throw new IOException("The server names a file that cannot be: " + name);
        }
        Path file = folder.resolve(name);
        if (Files.exists(file)) {
            Files.setLastModifiedTime(file, FileTime.from(Instant.now()));
        } else {
            Path part = Files.createTempFile(folder, name, ".part");
            try {
                source.fetch(part);
                Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
            } finally {
                Files.deleteIfExists(part);
            }
            makeRoom(file);
        }
        return file;
    }

    private void makeRoom(Path newest) throws IOException {
        List<Path> files = new ArrayList<>();
        try (Stream<Path> all = Files.list(folder)) {
            all.filter(Files::isRegularFile).forEach(files::add);
        }
        long bytes = 0;
        for (Path file : files) {
            bytes += Files.size(file);
        }
        files.sort(Comparator.comparing(Stock::used));
        for (Path oldest : files) {
            if (bytes > mostBytes && !oldest.equals(newest)) {
                bytes -= Files.size(oldest);
                Files.delete(oldest);
            }
        }
    }

    private static FileTime used(Path file) {
        try {
            return Files.getLastModifiedTime(file);
        } catch (IOException e) {
            return FileTime.from(Instant.EPOCH);
        }
    }
}
