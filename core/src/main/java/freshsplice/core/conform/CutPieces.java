package freshsplice.core.conform;

import freshsplice.core.conform.CutPiece.Join;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.LivePiece;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongPredicate;

/** The live picture of a cut as pieces with their cut points, and as the stretches that are one shot each. */
public final class CutPieces {
    private CutPieces() {
    }

    /** One piece for each live piece, in record order. */
    public static List<CutPiece> apart(Cut cut) {
        List<LivePiece> live = LivePicture.of(cut);
        Map<Long, Transition> byIn = new HashMap<>();
        Map<Long, Transition> byOut = new HashMap<>();
        for (int index : cut.lanesOf(Lane.Kind.PICTURE)) {
            for (Transition transition : cut.lanes().get(index).transitions()) {
                byIn.put(transition.record().in(), transition);
                byOut.put(transition.record().out(), transition);
            }
        }
        Set<Long> ins = new HashSet<>();
        Set<Long> outs = new HashSet<>();
        live.forEach(p -> ins.add(p.record().in()));
        live.forEach(p -> outs.add(p.record().out()));
        List<CutPiece> pieces = new ArrayList<>();
        for (LivePiece piece : live) {
            Transition head = byIn.get(piece.record().in());
            Transition tail = byOut.get(piece.record().out());
            if (head != null && head.equals(tail)) {
                // all of it lies under one transition: it comes in there where another piece goes out, else it goes out
                boolean comesIn = live.stream().anyMatch(p -> p != piece && p.record().out() == piece.record().out());
                tail = comesIn ? null : tail;
                head = comesIn ? head : null;
            }
            // at a fade from or to black there is no neighbour to share the frames with: the edge is the piece's own
            long in = head != null && outs.contains(head.record().out()) ? head.cut() : piece.record().in();
            long out = tail != null && ins.contains(tail.record().in()) ? tail.cut() : piece.record().out();
            FrameRange edge = in < out ? FrameRange.of(in, out) : piece.record();
            pieces.add(CutPiece.of(piece, edge, head, tail));
        }
        return pieces;
    }

    /**
     * Neighbours that are meant as one shot, joined: several of the same still, or such as run on in the same source
     * without a jump.
     *
     * @param keepApart asked for the record frame of each seam that could be closed; true leaves it open
     */
    public static List<CutPiece> joined(Cut cut, LongPredicate keepApart) {
        List<CutPiece> shots = new ArrayList<>();
        for (CutPiece piece : apart(cut)) {
            CutPiece last = shots.isEmpty() ? null : shots.get(shots.size() - 1);
            Join join = last == null ? null : joinOf(last, piece);
            if (join != null && !keepApart.test(piece.record().in())) {
                shots.set(shots.size() - 1, join(last, piece, join));
            } else {
                shots.add(piece);
            }
        }
        return shots;
    }

    /** Why two neighbours can be one shot; null where they cannot. */
    static Join joinOf(CutPiece a, CutPiece b) {
        boolean meet = a.record().out() == b.record().in() && a.tail() == null && b.head() == null;
        if (!meet || a.identity().isEmpty() || !a.identity().equals(b.identity())) {
            return null;
        }
        if (a.still() && b.still()) {
            boolean sameFrame = a.isSlate() || a.source().isStill() || a.time().at(a.record().in()).equals(b.time().at(b.record().in()));
            return sameFrame ? Join.ONE_STILL : null;
        }
        boolean sameSpeed = a.time().slope().isPresent() && a.time().slope().equals(b.time().slope());
        boolean runsOn = a.time().at(a.record().out()).equals(b.time().at(b.record().in()));
        return sameSpeed && runsOn ? Join.RUNS_ON : null;
    }

    private static CutPiece join(CutPiece a, CutPiece b, Join why) {
        List<List<Integer>> paths = new ArrayList<>(a.paths());
        paths.addAll(b.paths());
        List<Long> seams = new ArrayList<>(a.seams());
        seams.add(b.record().in());
        FrameRange record = a.record().spanWith(b.record());
        return new CutPiece(record, a.edge().spanWith(b.edge()), a.source(), a.slate(), a.time().over(record), a.still(), paths,
                seams, why, a.head(), b.tail());
    }
}
