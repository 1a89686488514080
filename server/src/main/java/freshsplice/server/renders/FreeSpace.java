package freshsplice.server.renders;

import java.nio.file.Path;
import java.util.OptionalLong;

/** How much a disk can still take. Asked of the folder itself: not every mount is in the system's list. */
final class FreeSpace {
    /** A system may say that a disk is full in any language: one that takes less than this is. */
    private static final long NO_ROOM_BYTES = 4_000_000;

    private FreeSpace() {
    }

    /** Bytes that can be written below a folder; empty where that cannot be told, which is no reason to refuse anything. */
    static OptionalLong at(Path folder) {
        boolean told = folder.toFile().getTotalSpace() > 0;
        return told ? OptionalLong.of(folder.toFile().getUsableSpace()) : OptionalLong.empty();
    }

    /** @param free as {@link #at} tells it; where it cannot be told, nothing is known to be used up */
    static boolean isUsedUp(OptionalLong free) {
        return free.isPresent() && free.getAsLong() < NO_ROOM_BYTES;
    }
}
