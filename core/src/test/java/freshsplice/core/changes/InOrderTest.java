package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** The longest common subsequence, against the textbook table (Wagner and Fischer 1974, from memory). */
class InOrderTest {
    private static int[] random(Random random, int length, int tokens) {
        return random.ints(length, 0, tokens).toArray();
    }

    private static int longest(int[] a, int[] b) {
        int[][] table = new int[a.length + 1][b.length + 1];
        for (int i = 1; i <= a.length; i++) {
            for (int j = 1; j <= b.length; j++) {
                table[i][j] = a[i - 1] == b[j - 1] ? table[i - 1][j - 1] + 1 : Math.max(table[i - 1][j], table[i][j - 1]);
            }
        }
        return table[a.length][b.length];
    }

    private static void areInOrder(List<int[]> pairs, int[] a, int[] b) {
        for (int i = 0; i < pairs.size(); i++) {
            assertThat(a[pairs.get(i)[0]]).isEqualTo(b[pairs.get(i)[1]]);
            if (i > 0) {
                assertThat(pairs.get(i)[0]).isGreaterThan(pairs.get(i - 1)[0]);
                assertThat(pairs.get(i)[1]).isGreaterThan(pairs.get(i - 1)[1]);
            }
        }
    }

    @RepeatedTest(100)
    @DisplayName("as long as the table says, where no token stands alone on both sides")
    void longest(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        int[] a = twice(random(random, random.nextInt(40), 2 + random.nextInt(6)));
        int[] b = random(random, random.nextInt(60), 2 + random.nextInt(6));
        List<int[]> pairs = InOrder.match(a, b);
        areInOrder(pairs, a, b);
        assertThat(pairs).hasSize(longest(a, b));
    }

    /** Each token at least twice, so that none is an anchor. */
    private static int[] twice(int[] tokens) {
        int[] both = Arrays.copyOf(tokens, tokens.length * 2);
        System.arraycopy(tokens, 0, both, tokens.length, tokens.length);
        return both;
    }

    @RepeatedTest(100)
    @DisplayName("tokens that stand once on both sides are anchors: of different tokens the rising ones pair")
    void anchors(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        int[] a = random.ints(0, 200).distinct().limit(60).toArray();
        int[] b = random.ints(0, 200).distinct().limit(80).toArray();
        List<int[]> pairs = InOrder.match(a, b);
        areInOrder(pairs, a, b);
        assertThat(pairs).hasSize(longest(a, b));
    }

    @Test
    @DisplayName("thousands that the other side does not have are no differences: what both have pairs still")
    void strangers() {
        int[] a = new int[12_000];
        int[] b = new int[12_000];
        for (int i = 0; i < a.length; i++) {
            a[i] = i % 4 == 0 ? i % 400 : 100_000 + i;
            b[i] = i % 4 == 1 ? (i - 1) % 400 : 200_000 + i;
        }
        List<int[]> pairs = InOrder.match(a, b);
        areInOrder(pairs, a, b);
        assertThat(pairs).hasSize(3000);
    }

    @Test
    @DisplayName("nothing pairs with nothing")
    void nothing() {
        assertThat(InOrder.match(new int[0], new int[] {1, 2})).isEmpty();
        assertThat(InOrder.match(new int[] {3}, new int[] {1, 2})).isEmpty();
    }
}
