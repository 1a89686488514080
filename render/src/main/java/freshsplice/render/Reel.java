package freshsplice.render;

import freshsplice.core.time.FrameRate;
import java.nio.file.Path;

/**
 * A picture or movie that frames are drawn from.
 *
 * @param rate   its own frames/s; of a still any
 * @param sha256 of the file, by which other machines know it; hexadecimal digits
 */
public record Reel(Path file, FrameRate rate, String sha256) {
}
