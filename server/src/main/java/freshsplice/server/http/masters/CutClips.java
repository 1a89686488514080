package freshsplice.server.http.masters;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/**
 * The clips of a cut, or of a master as it once was, as tracks show them.
 *
 * @param id      the cut's or the master's
 * @param version the cut's version, or the step's number
 */
public record CutClips(long id, int version, String name, List<Clip> clips) {
    /**
     * A clip of the cut.
     *
     * @param mediaId     its picture; null where none is found, and for a slate
     * @param slate       whether it is a title, a colour or bars: there is nothing to find
     * @param seenIn      first record frame on which any of it is seen, transitions included
     * @param headWeights share of its picture at each frame from {@code seenIn}, while it passes in; 1 after them
     * @param tailWeights share of its picture at its last frames, while it fades to black
     * @param mediaFrames frame of the movie at each record frame from {@code seenIn}; empty for a still
     */
    public record Clip(long in, long out, String name, @Schema(nullable = true) Long mediaId, boolean slate, long seenIn,
                        List<Double> headWeights, List<Double> tailWeights, List<Long> mediaFrames) {
        Clip shiftedBy(long frames) {
            return new Clip(in + frames, out + frames, name, mediaId, slate, seenIn + frames, headWeights, tailWeights, mediaFrames);
        }

        /** One that meets its neighbours in plain cuts. */
        static Clip plain(long in, long out, String name, Long mediaId, List<Long> mediaFrames) {
            return new Clip(in, out, name, mediaId, false, in, List.of(), List.of(), mediaFrames);
        }
    }
}
