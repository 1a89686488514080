package freshsplice.core.changes;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.identity.SameSources;
import freshsplice.core.identity.SourceUse;
import java.util.List;

/** What pieces show, for finding which sources are the same, and the pieces under the identity that was found. */
final class PieceSources {
    private PieceSources() {
    }

    static List<SourceUse> of(List<CutPiece> pieces) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        for (CutPiece cut : pieces) {
            Piece piece = Piece.of(cut);
            gathering.add(piece.key(), cut.source(), piece.still(), piece.low(), piece.high());
        }
        return gathering.uses();
    }

    static Piece older(Piece piece, SameSources same) {
        return piece.as(same.older(piece.key()), null, piece.still() || same.isStillOlder(piece.key()));
    }

    static Piece newer(Piece piece, SameSources same) {
        SameSources.Link link = same.newer(piece.key());
        return piece.as(link == null ? piece.key() : link.older(), link, piece.still() || same.isStill(piece.key()));
    }
}
