package freshsplice.core.changes;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.conform.CutPieces;
import freshsplice.core.cut.Cut;
import freshsplice.core.identity.SameSources;
import java.util.List;

/** What differs between two cuts, piece by piece of their live pictures. */
public final class CutChanges {
    private static final SameSources.Decisions NOBODY = (older, newer) -> null;

    private CutChanges() {
    }

    /** @param handles frames that a shot has beyond its cut range at either end */
    public static ChangeList between(Cut older, Cut newer, int handles) {
        List<CutPiece> olds = CutPieces.apart(older);
        List<CutPiece> news = CutPieces.apart(newer);
        SameSources same = SameSources.of(PieceSources.of(olds), PieceSources.of(news), NOBODY);
        CutSound.Pair sound = CutSound.pair(older, newer, NOBODY);
        return ChangeFinder.find(olds.stream().map(p -> PieceSources.older(Piece.of(p), same)).toList(),
                news.stream().map(p -> PieceSources.newer(Piece.of(p), same)).toList(), handles, sound::differs);
    }
}
