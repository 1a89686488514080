package freshsplice.core.changes;

import freshsplice.core.conform.CutPieces;
import freshsplice.core.cut.Cut;
import java.util.List;

/** What differs between two cuts, piece by piece of their live pictures. */
public final class CutChanges {
    private CutChanges() {
    }

    /** @param handles frames that a shot has beyond its cut range at either end */
    public static ChangeList between(Cut older, Cut newer, int handles) {
        CutSound oldSound = new CutSound(older);
        CutSound newSound = new CutSound(newer);
        return ChangeFinder.find(pieces(older), pieces(newer), handles,
                (a, b) -> CutSound.differs(oldSound, a, newSound, b));
    }

    private static List<Piece> pieces(Cut cut) {
        return CutPieces.apart(cut).stream().map(Piece::of).toList();
    }
}
