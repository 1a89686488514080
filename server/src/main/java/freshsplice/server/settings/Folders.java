package freshsplice.server.settings;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;

/**
 * Where things are kept on disk, below one data folder.
 *
 * @param data the data folder
 */
public record Folders(Path data) {
    public Path database() {
        return data.resolve("database");
    }

    /** Files as they were given. */
    public Path media() {
        return made("media");
    }

    /** Smaller pictures of them; can be thrown away. */
    public Path proxies() {
        return made("proxies");
    }

    public Path renders() {
        return made("renders");
    }

    /** Drawn frames of renders, and what they are drawn from. */
    public Path frames() {
        return made("frames");
    }

    /** Uploads that are not whole yet; emptied at start. */
    public Path arriving() {
        return made("arriving");
    }

    /** Whatever libraries put aside for a moment, a folder for each run. */
    public Path temporary() {
        return made("temporary");
    }

    /**
     * What earlier runs left behind: uploads that are not whole, and what libraries put aside. Asked for before anything of
     * this run is put there.
     */
    public List<Path> leftovers() throws IOException {
        List<Path> leftovers = new ArrayList<>();
        for (Path folder : List.of(arriving(), temporary())) {
            try (Stream<Path> left = Files.list(folder)) {
                left.forEach(leftovers::add);
            }
        }
        return leftovers;
    }

    /** Takes files and folders away, with all that lies in them. */
    public static void remove(List<Path> leftovers) throws IOException {
        for (Path path : leftovers) {
            FileSystemUtils.deleteRecursively(path);
        }
    }

    private Path made(String name) {
        try {
            return Files.createDirectories(data.resolve(name));
        } catch (IOException e) {
            throw new UncheckedIOException("The data folder cannot be written: " + data, e);
        }
    }
}
