package freshsplice.core.changes;

import freshsplice.core.master.Clip;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/**
 * Clips of ours that were split, or that show other frames of one shot over one still, and that a cut has as one clip:
 * for the comparing they are that clip, so that nothing is told of them where the cut is as it was.
 */
final class OnlySplit {
    private final List<Clip> clips;
    private final List<ComparedClip> olds;
    private final Map<String, List<ComparedClip>> newsByKey = new HashMap<>();
    private final List<ComparedClip> compared = new ArrayList<>();
    /** By index among {@link #compared}: the first of our clips in it, and the one after its last. */
    private final List<Integer> firsts = new ArrayList<>();
    private final List<Integer> ends = new ArrayList<>();

    private OnlySplit(List<Clip> clips, List<ComparedClip> olds, List<ComparedClip> news) {
        this.clips = clips;
        this.olds = olds;
        news.forEach(n -> newsByKey.computeIfAbsent(n.key(), k -> new ArrayList<>()).add(n));
    }

    /** @param clips ours; @param olds the same as compared; @param news the cut's; @param left clips that are left out */
    static OnlySplit of(List<Clip> clips, List<ComparedClip> olds, List<ComparedClip> news, IntPredicate left) {
        OnlySplit split = new OnlySplit(clips, olds, news);
        for (int i = 0; i < olds.size();) {
            int end = left.test(i) ? i + 1 : split.end(i);
            if (!left.test(i)) {
                split.compared.add(end > i + 1 ? split.one(i, end) : olds.get(i));
                split.firsts.add(i);
                split.ends.add(end);
            }
            i = end;
        }
        return split;
    }

    /** Ours, split ones as one. */
    List<ComparedClip> clips() {
        return compared;
    }

    /** How many clips are one with that at an index; 1 for all that were not split. */
    int parts(int clip) {
        int at = Collections.binarySearch(firsts, clip);
        return at < 0 ? 1 : ends.get(at) - clip;
    }

    /** What was found among those that are compared, told of our clips. */
    ChangeList ofClips(ChangeList found) {
        return new ChangeList(found.changes().stream().map(c -> new Change(c.kind(), clip(c.oldIndex()), c.newIndex(), c.name(),
                c.oldRecord(), c.newRecord(), c.head(), c.tail(), c.slip(), c.shift(), c.needs(), c.because())).toList(),
                found.kept(), found.pairs().stream().map(this::clip).toList());
    }

    private int clip(int compared) {
        return compared < 0 ? compared : firsts.get(compared);
    }

    /** The index of the clip after those that are one with it. */
    private int end(int i) {
        int end = i + 1;
        while (end < olds.size() && goesOn(end)) {
            end++;
        }
        List<ComparedClip> candidates = end == i + 1 ? List.of() : newsByKey.getOrDefault(olds.get(i).key(), List.of());
        int inPlace = longest(i, end, candidates, true);
        if (inPlace > i + 1 || candidates.stream().anyMatch(n -> isAs(olds.get(i), n))) {
            return inPlace;
        }
        return longest(i, end, candidates, false);
    }

    /** The end of the most clips that the cut has as one, in their place or anywhere. */
    private int longest(int i, int end, List<ComparedClip> candidates, boolean inPlace) {
        for (int j = end; j > i + 1; j--) {
            ComparedClip one = one(i, j);
            boolean runsOn = IntStream.range(i + 1, j).allMatch(k -> clips.get(k - 1).runsOnIn(clips.get(k)));
            if (candidates.stream().anyMatch(n -> (runsOn || one.still() || n.still())
                    && (!inPlace || n.edge().equals(one.edge())) && isAs(one, n))) {
                return j;
            }
        }
        return i + 1;
    }

    /** Whether nothing in the edit room's own picture tells a clip from the one before it. */
    private boolean goesOn(int i) {
        Clip a = clips.get(i - 1);
        Clip b = clips.get(i);
        boolean meets = a.content().equals(b.content()) && a.record().out() == b.record().in() && a.enabled() && b.enabled()
                && a.tail() == null && b.head() == null;
        return meets && (a.runsOnIn(b) || olds.get(i).still()
                || newsByKey.getOrDefault(olds.get(i).key(), List.of()).stream().anyMatch(ComparedClip::still));
    }

    private ComparedClip one(int from, int to) {
        ComparedClip a = olds.get(from);
        ComparedClip b = olds.get(to - 1);
        return new ComparedClip(a.record().spanWith(b.record()), a.edge().spanWith(b.edge()), a.key(), a.from(), a.slope(), oneCourse(a, b), a.still(),
                a.name(), a.head(), b.tail());
    }

    private static Course oneCourse(ComparedClip a, ComparedClip b) {
        if (!a.isKeyed() && !b.isKeyed()) {
            return null;
        }
        Course before = a.eachFrame();
        Course after = b.eachFrame();
        return new Course(a.edge().spanWith(b.edge()), r -> r < b.edge().in() ? before.at().apply(r) : after.at().apply(r));
    }

    /** The same on the same frames, or only somewhere else. */
    private static boolean isAs(ComparedClip older, ComparedClip newer) {
        return older.length() == newer.length() && ChangeFinder.find(List.of(older), List.of(newer), 0, (a, b) -> false).changes()
                .stream().allMatch(c -> c.kind() == ChangeKind.SHIFTED);
    }
}
