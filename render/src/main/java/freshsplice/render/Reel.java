package freshsplice.render;

import freshsplice.core.time.FrameRate;
import java.nio.file.Path;

/** A picture or movie that frames are drawn from. @param rate its own frames/s; of a still any */
public record Reel(Path file, FrameRate rate) {
}
