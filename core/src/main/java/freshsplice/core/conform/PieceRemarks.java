package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Remark;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What to look at in the pieces of a cut: flashes, gaps, repeated frames, one board in many places. */
final class PieceRemarks {
    /** Pieces as short as this are seldom meant (common practice). */
    private static final long FLASH = 3;
    /** More frames shown twice than this is a cut back in the source, not a slip of the hand. */
    private static final Rational SLIP_OF_THE_HAND = Rational.of(12);

    private PieceRemarks() {
    }

    static List<Remark> of(Cut cut, List<CutPiece> pieces) {
        List<Remark> remarks = new ArrayList<>();
        Map<String, List<CutPiece>> bySource = new LinkedHashMap<>();
        CutPiece before = null;
        for (CutPiece piece : pieces) {
            String place = cut.timecodeAt(piece.record().in()).label();
            if (piece.record().length() <= FLASH) {
                remarks.add(Remark.note(place, piece.name() + " is a flash of " + frames(piece.record().length())
                        + "; it becomes a shot of its own"));
            }
            if (before != null) {
                remarkNeighbours(cut, before, piece, remarks);
            }
            bySource.computeIfAbsent(piece.identity(), k -> new ArrayList<>()).add(piece);
            before = piece;
        }
        remarkUsedTwice(cut, bySource, remarks);
        remarkLanesAbove(cut, pieces, remarks);
        return remarks;
    }

    /** Titles and effects on a lane above cut the picture below into shots: it is for people to say whether they should. */
    private static void remarkLanesAbove(Cut cut, List<CutPiece> pieces, List<Remark> remarks) {
        List<Integer> lanes = cut.lanesOf(Lane.Kind.PICTURE);
        for (int lane : lanes.subList(Math.min(1, lanes.size()), lanes.size())) {
            List<CutPiece> above = pieces.stream().filter(p -> p.paths().get(0).get(0) == lane).toList();
            if (!above.isEmpty()) {
                String name = cut.lanes().get(lane).name();
                String what = above.size() == 1 ? "1 piece of " + name + " lies" : above.size() + " pieces of " + name
                        + " lie";
                remarks.add(Remark.note(cut.timecodeAt(above.get(0).record().in()).label(), what
                        + " over the picture and cut it into shots. Where they are only titles, make shots of "
                        + cut.lanes().get(lanes.get(0)).name() + " alone"));
            }
        }
    }

    private static void remarkNeighbours(Cut cut, CutPiece a, CutPiece b, List<Remark> remarks) {
        long gap = b.record().in() - a.record().out();
        if (gap > 0) {
            remarks.add(Remark.note(cut.timecodeAt(a.record().out()).label(), "A gap of " + frames(gap)
                    + ": it stays black"));
        }
        boolean sameMoving = gap == 0 && !a.still() && a.identity().equals(b.identity())
                && a.time().slope().equals(b.time().slope());
        if (!sameMoving) {
            return;
        }
        Rational again = a.time().at(a.record().out()).minus(b.time().at(b.record().in()));
        if (again.signum() > 0 && again.compareTo(SLIP_OF_THE_HAND) <= 0) {
            remarks.add(Remark.doubt(cut.timecodeAt(b.record().in()).label(), b.name() + " shows " + again
                    + " source frames again that the piece before ended on. Kept as it is; tell the edit room if it is "
                    + "not meant"));
        }
    }

    private static void remarkUsedTwice(Cut cut, Map<String, List<CutPiece>> bySource, List<Remark> remarks) {
        for (List<CutPiece> uses : bySource.values()) {
            if (uses.size() > 1 && uses.get(0).still()) {
                List<String> places = uses.stream().limit(4)
                        .map(p -> cut.timecodeAt(p.record().in()).label()).toList();
                remarks.add(Remark.note(places.get(0), uses.get(0).name() + " is used in " + uses.size()
                        + " places (" + String.join(", ", places) + (uses.size() > 4 ? " …" : "")
                        + "); each becomes a shot of its own"));
            }
        }
    }

    private static String frames(long count) {
        return count == 1 ? "1 frame" : count + " frames";
    }
}
