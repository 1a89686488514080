package freshsplice.core.changes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The longest common subsequence of two token sequences, as index pairs. Tokens that stand once on both sides are
 * anchors (those in rising order are kept); between anchors the exact greedy algorithm of Myers (An O(ND) difference
 * algorithm and its variations, 1986) runs. Near-linear where the sides mostly agree; where they differ by more than
 * {@link #MOST_DIFFERENCES}, equal tokens are paired by their order instead.
 */
final class InOrder {
    private static final int MOST_DIFFERENCES = 1500;

    private final int[] a;
    private final int[] b;
    private final List<int[]> pairs = new ArrayList<>();

    private InOrder(int[] a, int[] b) {
        this.a = a;
        this.b = b;
    }

    /** Index pairs, rising on both sides. */
    static List<int[]> match(int[] a, int[] b) {
        // what stands on one side alone pairs with nothing, and would only be counted as a difference
        int[] ofA = shared(a, b);
        int[] ofB = shared(b, a);
        InOrder run = new InOrder(Arrays.stream(ofA).map(i -> a[i]).toArray(), Arrays.stream(ofB).map(i -> b[i]).toArray());
        run.run();
        return run.pairs.stream().map(p -> new int[] {ofA[p[0]], ofB[p[1]]}).toList();
    }

    /** Indexes of tokens that the other side has too. */
    private static int[] shared(int[] own, int[] other) {
        Set<Integer> there = Arrays.stream(other).boxed().collect(Collectors.toSet());
        return IntStream.range(0, own.length).filter(i -> there.contains(own[i])).toArray();
    }

    private void run() {
        int lastA = 0;
        int lastB = 0;
        for (int[] anchor : rising(uniquePairs(a, b))) {
            between(lastA, anchor[0], lastB, anchor[1]);
            pairs.add(anchor);
            lastA = anchor[0] + 1;
            lastB = anchor[1] + 1;
        }
        between(lastA, a.length, lastB, b.length);
    }

    /** The longest part of the pairs (sorted by their first index) whose second indexes rise. */
    static List<int[]> rising(List<int[]> pairs) {
        int[] tails = new int[pairs.size()];
        int[] before = new int[pairs.size()];
        int length = 0;
        for (int i = 0; i < pairs.size(); i++) {
            int low = 0;
            int high = length;
            while (low < high) {
                int middle = (low + high) >>> 1;
                if (pairs.get(tails[middle])[1] < pairs.get(i)[1]) {
                    low = middle + 1;
                } else {
                    high = middle;
                }
            }
            before[i] = low > 0 ? tails[low - 1] : -1;
            tails[low] = i;
            length = Math.max(length, low + 1);
        }
        int[][] kept = new int[length][];
        int at = length == 0 ? -1 : tails[length - 1];
        for (int k = length - 1; k >= 0; k--) {
            kept[k] = pairs.get(at);
            at = before[at];
        }
        return Arrays.asList(kept);
    }

    private static List<int[]> uniquePairs(int[] a, int[] b) {
        Map<Integer, int[]> seen = new HashMap<>();
        for (int i = 0; i < a.length; i++) {
            int[] s = seen.computeIfAbsent(a[i], k -> new int[4]);
            s[0]++;
            s[1] = i;
        }
        for (int j = 0; j < b.length; j++) {
            int[] s = seen.get(b[j]);
            if (s != null) {
                s[2]++;
                s[3] = j;
            }
        }
        List<int[]> pairs = new ArrayList<>();
        for (int token : a) {
            int[] s = seen.get(token);
            if (s[0] == 1 && s[2] == 1) {
                pairs.add(new int[] {s[1], s[3]});
            }
        }
        return pairs;
    }

    private void between(int a0, int a1, int b0, int b1) {
        while (a0 < a1 && b0 < b1 && a[a0] == b[b0]) {
            pairs.add(new int[] {a0++, b0++});
        }
        int tail = 0;
        while (a0 < a1 - tail && b0 < b1 - tail && a[a1 - 1 - tail] == b[b1 - 1 - tail]) {
            tail++;
        }
        if (a0 < a1 - tail && b0 < b1 - tail) {
            pairs.addAll(myers(a0, a1 - tail, b0, b1 - tail));
        }
        for (int k = tail; k > 0; k--) {
            pairs.add(new int[] {a1 - k, b1 - k});
        }
    }

    private List<int[]> myers(int a0, int a1, int b0, int b1) {
        int n = a1 - a0;
        int m = b1 - b0;
        int most = Math.min(n + m, MOST_DIFFERENCES);
        int[] v = new int[2 * most + 3];
        List<int[]> trace = new ArrayList<>();
        int zero = most + 1;
        for (int d = 0; d <= most; d++) {
            trace.add(Arrays.copyOfRange(v, zero - d - 1, zero + d + 2));
            for (int k = -d; k <= d; k += 2) {
                boolean down = k == -d || k != d && v[zero + k - 1] < v[zero + k + 1];
                int x = down ? v[zero + k + 1] : v[zero + k - 1] + 1;
                int y = x - k;
                while (x < n && y < m && a[a0 + x] == b[b0 + y]) {
                    x++;
                    y++;
                }
                v[zero + k] = x;
                if (x >= n && y >= m) {
                    return walkBack(trace, d, n, m, a0, b0);
                }
            }
        }
        return byOccurrence(a0, a1, b0, b1);
    }

    private List<int[]> walkBack(List<int[]> trace, int d, int x, int y, int a0, int b0) {
        List<int[]> found = new ArrayList<>();
        for (int step = d; step >= 0; step--) {
            int[] v = trace.get(step);
            int zero = step + 1;
            int k = x - y;
            boolean down = k == -step || k != step && v[zero + k - 1] < v[zero + k + 1];
            int previousK = down ? k + 1 : k - 1;
            int previousX = step == 0 ? 0 : v[zero + previousK];
            int previousY = step == 0 ? 0 : previousX - previousK;
            while (x > previousX && y > previousY) {
                found.add(0, new int[] {a0 + --x, b0 + --y});
            }
            x = previousX;
            y = previousY;
        }
        return found;
    }

    /** The first of a token with the first, the second with the second, and of those the rising ones. */
    private List<int[]> byOccurrence(int a0, int a1, int b0, int b1) {
        Map<Integer, List<Integer>> places = new HashMap<>();
        for (int j = b0; j < b1; j++) {
            places.computeIfAbsent(b[j], k -> new ArrayList<>()).add(j);
        }
        Map<Integer, Integer> next = new HashMap<>();
        List<int[]> candidates = new ArrayList<>();
        for (int i = a0; i < a1; i++) {
            List<Integer> at = places.getOrDefault(a[i], List.of());
            int n = next.merge(a[i], 1, Integer::sum) - 1;
            if (n < at.size()) {
                candidates.add(new int[] {i, at.get(n)});
            }
        }
        return rising(candidates);
    }
}
