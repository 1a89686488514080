package freshsplice.exchange.format;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Locale;

/**
 * A file's name and bytes, as received.
 *
 * @param name  its name without folders
 * @param bytes all of it; not copied, not to be changed
 */
public record InputFile(String name, byte[] bytes) {
    /** @throws UnreadableFile if there is no such file, it cannot be read, or it is larger than the limit */
    public static InputFile of(Path path, Limits limits) {
        return of(path, path.getFileName() == null ? path.toString() : path.getFileName().toString(), limits);
    }

    /**
     * The same under another name than it is kept by. Its size is asked before anything of it is read.
     *
     * @throws UnreadableFile if there is no such file, it cannot be read, or it is larger than the limit
     */
    public static InputFile of(Path path, String name, Limits limits) {
        try {
            if (Files.isDirectory(path)) {
                throw new UnreadableFile(path + " is a folder, not a cut");
            }
            long size = Files.size(path);
            if (size > limits.maxBytes()) {
                throw new UnreadableFile(name + " has " + size / 1_000_000 + " MB; a cut may have at most "
                        + limits.maxBytes() / 1_000_000 + " MB");
            }
            return new InputFile(name, Files.readAllBytes(path));
        } catch (NoSuchFileException e) {
            throw new UnreadableFile("There is no file " + path);
        } catch (IOException e) {
            throw new UnreadableFile(name + " cannot be read: " + e.getMessage());
        }
    }

    /** The name's ending in lower case, without the dot; empty where there is none. */
    public String ending() {
        int dot = name.lastIndexOf('.');
        return dot < 0 ? "" : name.substring(dot + 1).toLowerCase(Locale.ROOT);
    }

    /** The name without its ending. */
    public String stem() {
        int dot = name.lastIndexOf('.');
        return dot <= 0 ? name : name.substring(0, dot);
    }
}
