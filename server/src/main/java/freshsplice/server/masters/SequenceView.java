package freshsplice.server.masters;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;

/**
 * All that the window needs to draw the lanes of a master. Record frames throughout; labels are read from
 * {@code /labels}.
 *
 * @param seq      the project's number of edits that this shows
 * @param start    first record frame
 * @param end      record frame after the last of master and cut
 * @param cut      the cut it is held against
 * @param sections pieces of the master in order
 * @param seams    where pieces meet, with the frames by which the lanes differ
 * @param renders  the newest finished render of each section's shot, where it lies
 */
public record SequenceView(long id, long projectId, long seq, String name, String rate, double framesPerSecond,
                           boolean dropFrame, long start, long end, Cut cut, List<Section> sections, List<Seam> seams,
                           List<Render> renders, List<Sound> sound, Counts counts) {
    public record Cut(long id, int version, String name, List<Piece> pieces) {
    }

    /**
     * A piece of the cut.
     *
     * @param mediaId     its picture; null for a slate
     * @param mediaFrames frame of the movie at each of its record frames; empty for a still
     */
    public record Piece(long in, long out, String name, @Schema(nullable = true) Long mediaId, List<Long> mediaFrames) {
    }

    /**
     * A piece of the master.
     *
     * @param in        record frame
     * @param seenIn    first record frame on which any of it is seen, passages included
     * @param shotFirst shot frame at its first frame
     * @param shotLast  shot frame at its last
     * @param shotFrames shot frame at each record frame; empty where they count up by one
     * @param seenFrom  exact shot frame at {@code seenIn}, as a fraction
     * @param headWeights share of the picture at each frame from {@code seenIn}, while it passes in; 1 after them
     * @param speed     as a fraction
     * @param lens      focal length at its first frame, mm
     * @param boardName name of its board
     * @param tailWeights share of the picture at its last frames, while it fades to black
     * @param actionFirst action frame at its first frame
     * @param mediaId   the board's picture; null for a slate
     */
    public record Section(long id, long shotId, String code, long in, long out, long seenIn, long seenOut,
                          long shotFirst, long shotLast, List<Long> shotFrames, String seenFrom, List<Double> headWeights,
                          String speed, boolean staged, String camera, double lens,
                          double stop, double focus, String boardName, @Schema(nullable = true) Long mediaId, int handles,
                          boolean enabled, List<Double> tailWeights, long actionFirst) {
    }

    /** @param action frames of the action that are shown twice or left out there, in words; null where none is */
    public record Seam(int left, int right, long at, @Schema(nullable = true) Long cut, @Schema(nullable = true) Long render,
                       long cutBend, long renderBend, @Schema(nullable = true) String action) {
    }

    /**
     * @param in      record frame at which its first frame lies; may lie outside the section
     * @param stale   what changed since it was made, in words; empty while it is current
     * @param missing frames that its section shows and it does not have
     */
    public record Render(int section, long renderId, String name, int version, long in, long out, List<String> stale,
                         long missing) {
        /** Why it cannot stand in the master as it is, in words; empty where it can. */
        String outOfDate() {
            List<String> why = new ArrayList<>();
            if (!stale.isEmpty()) {
                why.add("stale, " + String.join(" and ", stale));
            }
            if (missing > 0) {
                why.add(missing == 1 ? "1 frame not rendered" : missing + " frames not rendered");
            }
            return String.join("; ", why);
        }
    }

    public record Sound(String lane, String name, @Schema(nullable = true) Long mediaId, long in, long out, double fromSeconds) {
    }

    public record Counts(int shots, int bentSeams, int staleRenders, int staged, int rendered, int missingBoards,
                         long blackFrames) {
    }
}
