package freshsplice.core.sources;

import freshsplice.core.time.FrameRate;
import java.util.List;

/**
 * A file that a clip may mean.
 *
 * @param id       the file
 * @param path     its name with whatever folders are known, parted by {@code /}
 * @param contents equal for files that hold the same bytes
 * @param reel     name of the tape or card that the file itself tells; null without
 * @param rate     frames per second; null for a still or sound
 * @param start    its first frame, counted on its timecode; null without one
 * @param frames   how many it has
 * @param listed   names under which a list of checksums knows its bytes
 */
public record Candidate(long id, String path, String contents, String reel, FrameRate rate, Long start, long frames,
                        List<String> listed) {
    /** Whether it has more than one picture. */
    public boolean moves() {
        return frames > 1;
    }

    /** A file of which only its name is known. */
    public static Candidate named(long id, String path) {
        return new Candidate(id, path, Long.toString(id), null, null, null, 1, List.of());
    }
}
