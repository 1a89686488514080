package freshsplice.server.masters;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/**
 * The pieces of a cut, or of a master as it once was, as lanes show them.
 *
 * @param id      the cut's or the master's
 * @param version the cut's version, or the step's number
 */
public record CutPieces(long id, int version, String name, List<Piece> pieces) {
    /**
     * A piece of the cut.
     *
     * @param mediaId     its picture; null for a slate
     * @param mediaFrames frame of the movie at each of its record frames; empty for a still
     */
    public record Piece(long in, long out, String name, @Schema(nullable = true) Long mediaId, List<Long> mediaFrames) {
    }
}
