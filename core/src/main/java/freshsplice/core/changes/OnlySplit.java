package freshsplice.core.changes;

import freshsplice.core.master.Section;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/**
 * Pieces of ours that were split, or that show other frames of one shot over one still, and that a cut has as one piece:
 * for the comparing they are that piece, so that nothing is told of them where the cut is as it was.
 */
final class OnlySplit {
    private final List<Section> sections;
    private final List<Piece> olds;
    private final Map<String, List<Piece>> newsByKey = new HashMap<>();
    private final List<Piece> pieces = new ArrayList<>();
    /** By index among {@link #pieces}: the first section of it, and the one after its last. */
    private final List<Integer> firsts = new ArrayList<>();
    private final List<Integer> ends = new ArrayList<>();

    private OnlySplit(List<Section> sections, List<Piece> olds, List<Piece> news) {
        this.sections = sections;
        this.olds = olds;
        news.forEach(n -> newsByKey.computeIfAbsent(n.key(), k -> new ArrayList<>()).add(n));
    }

    /** @param sections ours; @param olds the same as compared; @param news the cut's; @param left sections that are left out */
    static OnlySplit of(List<Section> sections, List<Piece> olds, List<Piece> news, IntPredicate left) {
        OnlySplit split = new OnlySplit(sections, olds, news);
        for (int i = 0; i < olds.size();) {
            int end = left.test(i) ? i + 1 : split.end(i);
            if (!left.test(i)) {
                split.pieces.add(end > i + 1 ? split.one(i, end) : olds.get(i));
                split.firsts.add(i);
                split.ends.add(end);
            }
            i = end;
        }
        return split;
    }

    /** Ours, split ones as one. */
    List<Piece> pieces() {
        return pieces;
    }

    /** How many sections are one with that at an index; 1 for all that were not split. */
    int parts(int section) {
        int at = Collections.binarySearch(firsts, section);
        return at < 0 ? 1 : ends.get(at) - section;
    }

    /** What was found among the pieces, told of sections. */
    ChangeList ofSections(ChangeList found) {
        return new ChangeList(found.changes().stream().map(c -> new Change(c.kind(), section(c.oldIndex()), c.newIndex(), c.name(),
                c.oldRecord(), c.newRecord(), c.head(), c.tail(), c.slip(), c.shift(), c.needs(), c.because())).toList(),
                found.kept(), found.pairs().stream().map(this::section).toList());
    }

    private int section(int piece) {
        return piece < 0 ? piece : firsts.get(piece);
    }

    /** The index of the section after those that are one with it. */
    private int end(int i) {
        int end = i + 1;
        while (end < olds.size() && goesOn(end)) {
            end++;
        }
        List<Piece> candidates = end == i + 1 ? List.of() : newsByKey.getOrDefault(olds.get(i).key(), List.of());
        int inPlace = longest(i, end, candidates, true);
        if (inPlace > i + 1 || candidates.stream().anyMatch(n -> isAs(olds.get(i), n))) {
            return inPlace;
        }
        return longest(i, end, candidates, false);
    }

    /** The end of the most sections that the cut has as one, in their place or anywhere. */
    private int longest(int i, int end, List<Piece> candidates, boolean inPlace) {
        for (int j = end; j > i + 1; j--) {
            Piece one = one(i, j);
            boolean runsOn = IntStream.range(i + 1, j).allMatch(k -> sections.get(k - 1).runsOnIn(sections.get(k)));
            if (candidates.stream().anyMatch(n -> (runsOn || one.still() || n.still())
                    && (!inPlace || n.edge().equals(one.edge())) && isAs(one, n))) {
                return j;
            }
        }
        return i + 1;
    }

    /** Whether nothing in the edit room's own picture tells a section from the one before it. */
    private boolean goesOn(int i) {
        Section a = sections.get(i - 1);
        Section b = sections.get(i);
        boolean meets = a.content().equals(b.content()) && a.record().out() == b.record().in() && a.enabled() && b.enabled()
                && a.tail() == null && b.head() == null;
        return meets && (a.runsOnIn(b) || olds.get(i).still()
                || newsByKey.getOrDefault(olds.get(i).key(), List.of()).stream().anyMatch(Piece::still));
    }

    private Piece one(int from, int to) {
        Piece a = olds.get(from);
        Piece b = olds.get(to - 1);
        return new Piece(a.record().spanWith(b.record()), a.edge().spanWith(b.edge()), a.key(), a.from(), a.slope(), oneCourse(a, b), a.still(),
                a.name(), a.head(), b.tail());
    }

    private static Course oneCourse(Piece a, Piece b) {
        if (!a.isKeyed() && !b.isKeyed()) {
            return null;
        }
        Course before = a.eachFrame();
        Course after = b.eachFrame();
        return new Course(a.edge().spanWith(b.edge()), r -> r < b.edge().in() ? before.at().apply(r) : after.at().apply(r));
    }

    /** The same on the same frames, or only somewhere else. */
    private static boolean isAs(Piece older, Piece newer) {
        return older.length() == newer.length() && ChangeFinder.find(List.of(older), List.of(newer), 0, (a, b) -> false).changes()
                .stream().allMatch(c -> c.kind() == ChangeKind.SHIFTED);
    }
}
