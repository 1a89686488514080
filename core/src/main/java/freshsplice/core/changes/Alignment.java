package freshsplice.core.changes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which clip of the newer side is which of the older. The pairing is the cheapest under this cost, found in stages
 * so that ordinary cuts take near-linear time:
 *
 * <ol>
 * <li>A pair that shows exactly the same costs 0; such pairs in order come first ({@link InOrder}).</li>
 * <li>Between them, in order: a pair of one source costs 1 − shared/all frames (shared and all source frames of the
 * two), and 0.1 more at another speed; a clip left alone costs 1. Solved exactly by {@link GapPairing}.</li>
 * <li>What is left anywhere: the same cost, out of order (a moved clip), the cheapest first.</li>
 * <li>A clip left alone whose source frames lie in another's that already has its pair: a split, or a join.</li>
 * <li>Between pairs, in order: another source in the same place costs 1.2 + 1.6 · length difference/longer length, so
 * that it is a replacement only while less than half of the length differs.</li>
 * </ol>
 */
final class Alignment {
    /** What each old clip became; −1 where nothing. */
    final int[] newOf;
    /** What each new clip was; −1 where nothing. */
    final int[] oldOf;
    /** By old clip: its pair is out of order. */
    final boolean[] moved;
    /** By new clip without a pair: the old clip it was split from; −1 where none. */
    final int[] splitFrom;
    /** By old clip without a pair: the new clip it was joined into; −1 where none. */
    final int[] joinedInto;

    private final List<ComparedClip> olds;
    private final List<ComparedClip> news;

    private Alignment(List<ComparedClip> olds, List<ComparedClip> news) {
        this.olds = olds;
        this.news = news;
        newOf = filled(olds.size());
        oldOf = filled(news.size());
        splitFrom = filled(news.size());
        joinedInto = filled(olds.size());
        moved = new boolean[olds.size()];
    }

    static Alignment of(List<ComparedClip> olds, List<ComparedClip> news) {
        Alignment alignment = new Alignment(olds, news);
        alignment.pairSame();
        alignment.pairInGaps(GapPairing::sameSourceCost);
        alignment.pairMoved();
        alignment.splitAndJoin();
        alignment.pairInGaps(GapPairing::replacementCost);
        return alignment;
    }

    private void pairSame() {
        Map<Object, Integer> tokens = new HashMap<>();
        int[] a = olds.stream().mapToInt(p -> token(p, tokens)).toArray();
        int[] b = news.stream().mapToInt(p -> token(p, tokens)).toArray();
        InOrder.match(a, b).forEach(pair -> pair(pair[0], pair[1]));
    }

    private static int token(ComparedClip p, Map<Object, Integer> tokens) {
        Object same = p.still() ? List.of(p.key(), p.length()) : List.of(p.key(), p.from(), p.slope(), p.length());
        return tokens.computeIfAbsent(same, k -> tokens.size());
    }

    /** Pairs what lies between pairs that are in order, by a cost of pairing; pairs out of order are passed over. */
    private void pairInGaps(GapPairing.Cost cost) {
        int fromOld = 0;
        int fromNew = 0;
        for (int o = 0; o <= olds.size(); o++) {
            boolean anchor = o < olds.size() && newOf[o] >= 0 && !moved[o];
            if (!anchor && o < olds.size()) {
                continue;
            }
            int toNew = o < olds.size() ? newOf[o] : news.size();
            pairGap(free(fromOld, o, newOf, joinedInto), free(fromNew, toNew, oldOf, splitFrom), cost);
            fromOld = o + 1;
            fromNew = toNew + 1;
        }
    }

    private void pairGap(List<Integer> freeOld, List<Integer> freeNew, GapPairing.Cost cost) {
        if (!freeOld.isEmpty() && !freeNew.isEmpty()) {
            GapPairing.pairs(olds, news, freeOld, freeNew, cost).forEach(pair -> pair(pair[0], pair[1]));
        }
    }

    private static List<Integer> free(int from, int to, int[] pairOf, int[] partOf) {
        List<Integer> free = new ArrayList<>();
        for (int i = from; i < to; i++) {
            if (pairOf[i] < 0 && partOf[i] < 0) {
                free.add(i);
            }
        }
        return free;
    }

    private void pairMoved() {
        SourceIndex index = new SourceIndex(olds);
        List<double[]> candidates = new ArrayList<>();
        for (int n = 0; n < news.size(); n++) {
            if (oldOf[n] < 0) {
                for (int o : index.near(news.get(n))) {
                    double cost = newOf[o] < 0 ? GapPairing.sameSourceCost(olds.get(o), news.get(n)) : 2;
                    if (cost < 1) {
                        candidates.add(new double[] {cost, Math.abs(o - n), o, n});
                    }
                }
            }
        }
        candidates.sort((x, y) -> x[0] != y[0] ? Double.compare(x[0], y[0]) : Double.compare(x[1], y[1]));
        for (double[] candidate : candidates) {
            int o = (int) candidate[2];
            int n = (int) candidate[3];
            if (newOf[o] < 0 && oldOf[n] < 0) {
                pair(o, n);
                moved[o] = true;
            }
        }
    }

    private void splitAndJoin() {
        SourceIndex oldIndex = new SourceIndex(olds);
        SourceIndex newIndex = new SourceIndex(news);
        for (int n = 0; n < news.size(); n++) {
            if (oldOf[n] < 0) {
                splitFrom[n] = wholeOf(n, news, olds, oldIndex, newOf);
            }
        }
        for (int o = 0; o < olds.size(); o++) {
            if (newOf[o] < 0) {
                joinedInto[o] = wholeOf(o, olds, news, newIndex, oldOf);
            }
        }
    }

    /** The clip of the other side that {@code part} was or is a part of, beside that one's own pair. */
    private static int wholeOf(int part, List<ComparedClip> own, List<ComparedClip> other, SourceIndex otherIndex, int[] pairOf) {
        ComparedClip p = own.get(part);
        for (int whole : otherIndex.near(p)) {
            int pair = pairOf[whole];
            if (pair >= 0 && isPart(p, own.get(pair), other.get(whole), Math.abs(pair - part))) {
                return whole;
            }
        }
        return -1;
    }

    private static boolean isPart(ComparedClip part, ComparedClip pair, ComparedClip whole, int distance) {
        if (part.still()) {
            return distance <= 2 && pair.length() + part.length() <= whole.length() + whole.length() / 4
                    && pair.length() < whole.length();
        }
        return part.slope().equals(whole.slope()) && part.overlapWith(pair) == 0
                && part.overlapWith(whole) * 2 >= part.sourceLength();
    }

    private void pair(int o, int n) {
        newOf[o] = n;
        oldOf[n] = o;
    }

    private static int[] filled(int size) {
        int[] none = new int[size];
        Arrays.fill(none, -1);
        return none;
    }
}
