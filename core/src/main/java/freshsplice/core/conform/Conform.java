package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.LongPredicate;

/** Plans the shots of a cut: one for each piece, numbered, with its frames and its camera. Changes nothing. */
public final class Conform {
    private Conform() {
    }

    /**
     * @param keepApart asked for the record frame of each seam that could be closed; true leaves it open
     * @param used      codes that were ever given
     */
    public static ConformPlan plan(Cut cut, ShotNumbering numbering, LongPredicate keepApart, Set<String> used) {
        return plan(cut, numbering, null, keepApart, used);
    }

    /** @param pattern finds codes in the names of pieces; null to number all of them */
    public static ConformPlan plan(Cut cut, ShotNumbering numbering, CodePattern pattern, LongPredicate keepApart,
                                   Set<String> used) {
        List<CutPiece> pieces = CutPieces.joined(cut, keepApart);
        List<String> codes = pattern == null ? numbering.codes(pieces.size(), used)
                : pattern.codes(pieces.stream().map(CutPiece::name).toList(), numbering, used);
        List<PlannedShot> shots = new ArrayList<>(pieces.size());
        for (int i = 0; i < pieces.size(); i++) {
            FrameRange frames = FrameRange.ofLength(numbering.firstFrame(), pieces.get(i).record().length());
            shots.add(new PlannedShot(codes.get(i), cameraOf(codes.get(i)), frames, pieces.get(i)));
        }
        return new ConformPlan(shots, gaps(cut, pieces), PieceRemarks.of(cut, pieces));
    }

    /** The name of a shot's own camera. */
    public static String cameraOf(String code) {
        return code + "_cam";
    }

    private static List<FrameRange> gaps(Cut cut, List<CutPiece> pieces) {
        List<FrameRange> gaps = new ArrayList<>();
        long at = cut.record().in();
        for (CutPiece piece : pieces) {
            if (piece.record().in() > at) {
                gaps.add(FrameRange.of(at, piece.record().in()));
            }
            at = Math.max(at, piece.record().out());
        }
        if (at < cut.record().out()) {
            gaps.add(FrameRange.of(at, cut.record().out()));
        }
        return gaps;
    }
}
