package freshsplice.core.render;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/** Cuts a render into stretches that are drawn one by one, anywhere: long enough to be worth sending, short enough to lose. */
public final class Chunks {
    /** Pixels in a chunk: about a second of 1920 x 1080 at 24 frames/s. */
    private static final long PIXELS = 24L * 1920 * 1080;
    private static final int FEWEST = 4;
    private static final int MOST = 96;

    private Chunks() {
    }

    /** Frames counted from 0. @param frames how many; @param look by whose size they are cut */
    public static List<FrameRange> of(long frames, FrameLook look) {
        long pixels = (long) look.drawnWidth() * look.drawnHeight() * (look.shutter() > 0 ? look.samples() : 1);
        long length = Math.max(FEWEST, Math.min(MOST, PIXELS / pixels));
        List<FrameRange> chunks = new ArrayList<>();
        for (long first = 0; first < frames; first += length) {
            chunks.add(FrameRange.of(first, Math.min(frames, first + length)));
        }
        return chunks;
    }
}
