package freshsplice.server.renders;

import java.nio.file.Path;
import java.util.OptionalLong;

/** How much a disk can still take. Asked of the folder itself: not every mount is in the system's list. */
final class FreeSpace {
    private FreeSpace() {
    }

    /** Bytes that can be written below a folder; empty where that cannot be told, which is no reason to refuse anything. */
    static OptionalLong at(Path folder) {
        boolean told = folder.toFile().getTotalSpace() > 0;
        return told ? OptionalLong.of(folder.toFile().getUsableSpace()) : OptionalLong.empty();
    }
}
