package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/**
 * A piece of a lane as far as any of it is seen.
 *
 * @param section the piece
 * @param seen    record frames on which any of it is seen, those under its transitions included
 */
public record SeenPiece(Section section, FrameRange seen) {
    /** All pieces of a lane. @param sections in record order */
    public static List<SeenPiece> of(List<Section> sections) {
        List<SeenPiece> pieces = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            Section next = i + 1 < sections.size() ? sections.get(i + 1) : null;
            pieces.add(new SeenPiece(sections.get(i), sections.get(i).seen(next)));
        }
        return pieces;
    }

    /** All pieces that are live. @param live in record order */
    public static List<SeenPiece> ofLive(List<LivePieces.Live> live) {
        return of(live.stream().map(LivePieces.Live::section).toList());
    }
}
