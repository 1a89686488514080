package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class AlignmentTest {
    /** A clip of a moving source: its name, its first source frame, its length. */
    private record Clip(String key, long from, long length, boolean still) {
        static Clip of(String key, long from, long length) {
            return new Clip(key, from, length, false);
        }
    }

    private static List<ComparedClip> clips(List<Clip> clips) {
        List<ComparedClip> compared = new ArrayList<>();
        long at = 0;
        for (Clip clip : clips) {
            FrameRange range = FrameRange.ofLength(at, clip.length());
            compared.add(new ComparedClip(range, range, clip.key(), Rational.of(clip.from()), Rational.ONE, null, clip.still(), clip.key(), "",
                    ""));
            at += clip.length();
        }
        return compared;
    }

    private static Alignment align(List<Clip> older, List<Clip> newer) {
        return Alignment.of(clips(older), clips(newer));
    }

    private static final List<Clip> FOUR = List.of(Clip.of("a", 0, 50), Clip.of("b", 0, 50), Clip.of("c", 0, 50), Clip.of("d", 0, 50));

    private static List<Clip> four(int place, Clip... instead) {
        List<Clip> clips = new ArrayList<>(FOUR);
        clips.remove(place);
        clips.addAll(place, List.of(instead));
        return clips;
    }

    @Test
    @DisplayName("a trim and a slip keep their clip; another source in its place is a replacement while less than half of the length differs")
    void pairs() {
        assertThat(align(FOUR, four(1, Clip.of("b", 5, 40))).newOf).containsExactly(0, 1, 2, 3);
        assertThat(align(FOUR, four(1, Clip.of("x", 0, 45))).newOf).containsExactly(0, 1, 2, 3);
        assertThat(align(FOUR, four(1, Clip.of("x", 0, 20))).newOf).containsExactly(0, -1, 2, 3);
    }

    @Test
    @DisplayName("a clip of the same source that shares no frame is another one's replacement, never a slip over the whole source")
    void farAway() {
        Alignment alignment = align(FOUR, four(1, Clip.of("b", 10_000, 50)));
        assertThat(alignment.newOf[1]).isEqualTo(1);
        assertThat(alignment.moved[1]).isFalse();
    }

    @Test
    @DisplayName("what stands elsewhere has moved, and nothing else has")
    void moved() {
        Alignment alignment = align(FOUR, List.of(FOUR.get(1), FOUR.get(2), FOUR.get(0), FOUR.get(3)));
        assertThat(alignment.newOf).containsExactly(2, 0, 1, 3);
        assertThat(alignment.moved).containsExactly(true, false, false, false);
    }

    @Test
    @DisplayName("two parts of one clip: one keeps it, the other was split from it; the other way round they were joined")
    void splitAndJoined() {
        List<Clip> split = four(2, Clip.of("c", 0, 30), Clip.of("c", 30, 20));
        Alignment apart = align(FOUR, split);
        assertThat(apart.newOf).containsExactly(0, 1, 2, 4);
        assertThat(apart.splitFrom).containsExactly(-1, -1, -1, 2, -1);
        Alignment joined = align(split, FOUR);
        assertThat(joined.joinedInto).containsExactly(-1, -1, -1, 2, -1);
    }

    @Test
    @DisplayName("a still is split in two by its lengths, since its frames say nothing")
    void still() {
        Clip still = new Clip("board", 0, 60, true);
        Alignment alignment = align(List.of(FOUR.get(0), still, FOUR.get(1)),
                List.of(FOUR.get(0), new Clip("board", 0, 35, true), new Clip("board", 0, 25, true), FOUR.get(1)));
        assertThat(alignment.splitFrom).containsExactly(-1, -1, 1, -1);
    }

    @Test
    @DisplayName("nothing against something, and nothing against nothing")
    void empty() {
        assertThat(align(List.of(), FOUR).oldOf).containsOnly(-1);
        assertThat(align(FOUR, List.of()).newOf).containsOnly(-1);
        assertThat(align(List.of(), List.of()).newOf).isEmpty();
    }

    @RepeatedTest(40)
    @DisplayName("after any edits every pair is one of both sides, and no clip is two things at once")
    void anyEdits(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Clip> older = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            older.add(new Clip("s" + random.nextInt(12), random.nextInt(200), 10 + random.nextInt(60), random.nextInt(5) == 0));
        }
        List<Clip> newer = new ArrayList<>(older);
        for (int i = 0; i < 10; i++) {
            edit(newer, random);
        }
        Alignment alignment = align(older, newer);
        for (int o = 0; o < older.size(); o++) {
            int n = alignment.newOf[o];
            assertThat(n < 0 || alignment.oldOf[n] == o).isTrue();
            assertThat(n < 0 || alignment.joinedInto[o] < 0).as("paired or joined").isTrue();
        }
        Set<Integer> taken = new HashSet<>();
        Arrays.stream(alignment.newOf).filter(n -> n >= 0).forEach(n -> assertThat(taken.add(n)).isTrue());
        for (int n = 0; n < newer.size(); n++) {
            int from = alignment.splitFrom[n];
            assertThat(from < 0 || alignment.oldOf[n] < 0 && alignment.newOf[from] >= 0).as("split from one that stays").isTrue();
        }
    }

    @RepeatedTest(10)
    @DisplayName("a cut against itself is itself, whatever is in it twice")
    void itself(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Clip> clips = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            clips.add(Clip.of("s" + random.nextInt(5), random.nextInt(3) * 10L, 10 + random.nextInt(3)));
        }
        int[] same = new int[clips.size()];
        Arrays.setAll(same, i -> i);
        assertThat(align(clips, clips).newOf).containsExactly(same);
    }

    private static void edit(List<Clip> clips, Random random) {
        int i = random.nextInt(clips.size() - 1);
        Clip c = clips.get(i);
        switch (random.nextInt(6)) {
            case 0 -> clips.set(i, new Clip(c.key(), c.from() + random.nextInt(9) - 4, c.length() + random.nextInt(9), c.still()));
            case 1 -> clips.remove(i);
            case 2 -> clips.add(i, Clip.of("new" + random.nextInt(4), 0, 20));
            case 3 -> Collections.swap(clips, i, i + 1);
            case 4 -> clips.set(i, Clip.of("other" + random.nextInt(3), 7, c.length()));
            default -> {
                long first = Math.max(1, c.length() / 2);
                clips.set(i, new Clip(c.key(), c.from(), first, c.still()));
                clips.add(i + 1, new Clip(c.key(), c.from() + first, Math.max(1, c.length() - first), c.still()));
            }
        }
    }
}
