package freshsplice.core.changes;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The cheapest pairing in order of two short runs of clips; a clip left alone costs 1. */
final class GapPairing {
    /** What it costs to call two clips one; 2 or more where they cannot be. */
    @FunctionalInterface
    interface Cost {
        double of(ComparedClip older, ComparedClip newer);
    }

    private static final double IMPOSSIBLE = 2;
    /** Larger gaps than this many cells are paired by source and order instead of exactly. */
    private static final long MOST_CELLS = 4_000_000;

    private GapPairing() {
    }

    static double sameSourceCost(ComparedClip older, ComparedClip newer) {
        double shared = older.overlapWith(newer);
        if (shared <= 0) {
            return IMPOSSIBLE;
        }
        double all = older.sourceLength() + newer.sourceLength() - shared;
        return 1 - shared / all + (older.slope().equals(newer.slope()) ? 0 : 0.1);
    }

    static double replacementCost(ComparedClip older, ComparedClip newer) {
        if (older.isSlate() != newer.isSlate()) {
            // a title never takes the place of a shot: that one is omitted, and this one new
            return IMPOSSIBLE;
        }
        double longer = Math.max(older.length(), newer.length());
        return 1.2 + 1.6 * Math.abs(older.length() - newer.length()) / longer;
    }

    static List<int[]> pairs(List<ComparedClip> olds, List<ComparedClip> news, List<Integer> freeOld, List<Integer> freeNew,
                             Cost cost) {
        if ((long) freeOld.size() * freeNew.size() > MOST_CELLS) {
            return bySource(olds, news, freeOld, freeNew, cost);
        }
        int rows = freeOld.size();
        int columns = freeNew.size();
        double[][] best = new double[rows + 1][columns + 1];
        for (int i = rows; i >= 0; i--) {
            for (int j = columns; j >= 0; j--) {
                best[i][j] = i == rows ? columns - j : j == columns ? rows - i : Math.min(
                        1 + Math.min(best[i + 1][j], best[i][j + 1]),
                        best[i + 1][j + 1] + cost.of(olds.get(freeOld.get(i)), news.get(freeNew.get(j))));
            }
        }
        return walk(best, olds, news, freeOld, freeNew, cost);
    }

    private static List<int[]> walk(double[][] best, List<ComparedClip> olds, List<ComparedClip> news, List<Integer> freeOld,
                                    List<Integer> freeNew, Cost cost) {
        List<int[]> pairs = new ArrayList<>();
        int i = 0;
        int j = 0;
        while (i < freeOld.size() && j < freeNew.size()) {
            double paired = cost.of(olds.get(freeOld.get(i)), news.get(freeNew.get(j)));
            if (paired < IMPOSSIBLE && best[i][j] == best[i + 1][j + 1] + paired) {
                pairs.add(new int[] {freeOld.get(i++), freeNew.get(j++)});
            } else if (best[i][j] == 1 + best[i + 1][j]) {
                i++;
            } else {
                j++;
            }
        }
        return pairs;
    }

    /** For huge gaps: each new clip with its cheapest old clip near it in the source, of those the rising ones. */
    private static List<int[]> bySource(List<ComparedClip> olds, List<ComparedClip> news, List<Integer> freeOld,
                                        List<Integer> freeNew, Cost cost) {
        SourceIndex index = new SourceIndex(olds);
        Map<Integer, int[]> byOld = new HashMap<>();
        Map<Integer, Double> costs = new HashMap<>();
        java.util.Set<Integer> allowed = new java.util.HashSet<>(freeOld);
        for (int n : freeNew) {
            for (int o : index.near(news.get(n))) {
                double c = allowed.contains(o) ? cost.of(olds.get(o), news.get(n)) : IMPOSSIBLE;
                if (c < costs.getOrDefault(o, IMPOSSIBLE)) {
                    costs.put(o, c);
                    byOld.put(o, new int[] {o, n});
                }
            }
        }
        List<int[]> pairs = new ArrayList<>(byOld.values());
        pairs.sort((x, y) -> Integer.compare(x[0], y[0]));
        return pairs.isEmpty() ? Collections.emptyList() : InOrder.rising(pairs);
    }
}
