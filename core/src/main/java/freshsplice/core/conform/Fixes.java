package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Flashes, gaps and overlaps of a cut, put right where somebody chose so. No frame is ever shown by two pieces. */
final class Fixes {
    private Fixes() {
    }

    /** Pieces with what was chosen done; a choice whose place is not there any more is left aside. */
    static List<CutPiece> of(Cut cut, List<CutPiece> pieces, Map<Long, Fix> fixes) {
        if (fixes.isEmpty()) {
            return pieces;
        }
        List<CutPiece> done = new ArrayList<>();
        Long carriedIn = null;
        for (int i = 0; i < pieces.size(); i++) {
            CutPiece piece = carriedIn == null ? pieces.get(i) : withIn(pieces.get(i), carriedIn);
            carriedIn = null;
            CutPiece before = done.isEmpty() ? null : done.get(done.size() - 1);
            boolean meetsBefore = before != null && before.record().out() == piece.record().in();
            boolean meetsAfter = i + 1 < pieces.size() && pieces.get(i + 1).record().in() == piece.record().out();
            Fix fix = fixes.get(piece.record().in());
            if (fix == Fix.TO_BEFORE && meetsBefore) {
                done.set(done.size() - 1, withOut(before, piece.record().out()));
            } else if (fix == Fix.TO_AFTER && meetsAfter) {
                carriedIn = piece.record().in();
            } else if (fix == Fix.EARLIER_WINS && meetsBefore && overlap(cut, before, piece) > 0) {
                long seam = Math.min(piece.record().out() - 1, piece.record().in() + overlap(cut, before, piece));
                done.set(done.size() - 1, withOut(before, seam));
                done.add(withIn(piece, seam));
            } else {
                if (before != null && !meetsBefore && fixes.get(before.record().out()) == Fix.HOLD) {
                    done.set(done.size() - 1, withOut(before, piece.record().in()));
                }
                done.add(piece);
            }
        }
        holdAtEnd(cut, done, fixes);
        return done;
    }

    private static void holdAtEnd(Cut cut, List<CutPiece> done, Map<Long, Fix> fixes) {
        CutPiece last = done.isEmpty() ? null : done.get(done.size() - 1);
        if (last != null && last.record().out() < cut.record().out() && fixes.get(last.record().out()) == Fix.HOLD) {
            done.set(done.size() - 1, withOut(last, cut.record().out()));
        }
    }

    /** Frames for which the earlier of two neighbours lies under the later one in the same lane. */
    static long overlap(Cut cut, CutPiece a, CutPiece b) {
        List<Integer> first = a.paths().get(a.paths().size() - 1);
        List<Integer> second = b.paths().get(0);
        boolean sameLane = first.size() == 2 && second.size() == 2 && first.get(0).equals(second.get(0));
        if (!sameLane || a.tail() != null || b.head() != null || a.record().out() != b.record().in()) {
            return 0;
        }
        Event event = cut.lanes().get(first.get(0)).events().get(first.get(1));
        return Math.max(0, event.record().out() - a.record().out());
    }

    private static CutPiece withOut(CutPiece piece, long out) {
        return over(piece, piece.record().withOut(out), piece.edge().withOut(out));
    }

    private static CutPiece withIn(CutPiece piece, long in) {
        return over(piece, piece.record().withIn(in), piece.edge().withIn(in));
    }

    private static CutPiece over(CutPiece piece, FrameRange record, FrameRange edge) {
        return new CutPiece(record, edge, piece.source(), piece.slate(), piece.time().over(record), piece.still(), piece.paths(),
                piece.seams(), piece.joined(), record.in() < piece.record().in() ? null : piece.head(),
                record.out() > piece.record().out() ? null : piece.tail());
    }
}
