package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.master.Clip;
import freshsplice.core.master.CutRanges;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.master.Transitions;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Carries chosen changes into a master. All of them make its main track equal to the newer cut; none of them changes
 * nothing. Clips that are only pushed along follow by themselves. No camera work is touched: shots keep their frame
 * numbers, and what is omitted only leaves the track.
 */
public final class Applying {
    /**
     * The outcome.
     *
     * @param master   the master; clips of new shots name them by −(index in {@code newShots} + 1)
     * @param shots    shots whose cut range or source changed, as they are now, by id
     * @param newShots what new shots are made from, in record order
     */
    public record Outcome(Master master, Map<Long, Shot> shots, List<CutClip> newShots) {
    }

    /** One clip of the sequence to be laid out. */
    private record Entry(int oldIndex, int newIndex, boolean asNew, Clip clip) {
    }

    private final Turnover turnover;
    private final Set<Integer> chosen;
    private final int firstFrame;
    private final Map<Integer, Integer> changeOfOld = new HashMap<>();
    private final Map<Integer, Integer> changeOfNew = new HashMap<>();
    private final List<CutClip> newShots = new ArrayList<>();
    private final Map<Long, Shot> replaced = new LinkedHashMap<>();

    private Applying(Turnover turnover, Set<Integer> chosen, int firstFrame) {
        this.turnover = turnover;
        this.chosen = chosen;
        this.firstFrame = firstFrame;
        List<Change> changes = turnover.changes().changes();
        for (int i = 0; i < changes.size(); i++) {
            Change change = changes.get(i);
            boolean furtherPart = change.newIndex() >= 0 && change.oldIndex() >= 0
                    && turnover.changes().pairs().get(change.newIndex()) >= 0
                    && turnover.changes().pairs().get(change.newIndex()) != change.oldIndex();
            if (!furtherPart) {
                changeOfNew.put(change.newIndex(), i);
            }
            changeOfOld.putIfAbsent(changes.get(i).oldIndex(), i);
        }
    }

    /**
     * @param chosen     indexes into the change list
     * @param firstFrame number of a new shot's first frame
     */
    public static Outcome apply(Turnover turnover, Set<Integer> chosen, int firstFrame) {
        return new Applying(turnover, chosen, firstFrame).applied();
    }

    private Outcome applied() {
        List<Entry> entries = entries();
        List<Clip> laid = layOut(entries);
        Master master = OtherClips.keep(turnover.master, turnover.master.withMain(nestsClosed(entries, laid)), turnover::isCompared);
        if (!laid.isEmpty() && entries.get(0).asNew()) {
            master = master.startingAt(Math.min(laid.get(0).record().in(), turnover.master.start()));
        }
        return new Outcome(master, changedShots(laid), newShots);
    }

    private List<Entry> entries() {
        List<Entry> entries = new ArrayList<>();
        Set<Integer> placedOld = new HashSet<>();
        for (int n = 0; n < turnover.newer.size(); n++) {
            Integer own = changeOfNew.get(n);
            Change change = own == null ? null : turnover.changes().changes().get(own);
            int o = oldOf(n, change);
            boolean apply = change == null || isPushed(change) || chosen.contains(own);
            if (change != null && change.kind() == ChangeKind.MOVED && !apply) {
                continue;
            }
            if (change != null && o < 0) {
                if (apply) {
                    entries.add(new Entry(-1, n, true, newClip(n)));
                }
            } else if (o >= 0 && placedOld.add(o)) {
                int parts = turnover.partsOf(o);
                Clip old = turnover.clips.get(o);
                entries.add(new Entry(o, n, apply, apply && change != null && parts == 1 ? changed(o, n, change) : old));
                for (int part = o + 1; part < o + parts; part++) {
                    placedOld.add(part);
                    entries.add(new Entry(part, n, apply, turnover.clips.get(part)));
                }
            } else if (o >= 0 && apply) {
                // a further part of a split shot
                entries.add(new Entry(-1, n, true, changed(o, n, change).fresh()));
            }
        }
        addKept(entries, placedOld);
        return entries;
    }

    /** The old clip that a new one is, or was split from; −1 where there is none. */
    private int oldOf(int n, Change change) {
        int pair = turnover.changes().pairs().get(n);
        return pair < 0 && change != null ? change.oldIndex() : pair;
    }

    /** Old clips that were to leave or to move and were not chosen stay after the clip they stood after. */
    private void addKept(List<Entry> entries, Set<Integer> placedOld) {
        for (int o = 0; o < turnover.clips.size(); o++) {
            if (placedOld.contains(o)) {
                continue;
            }
            Integer own = changeOfOld.get(o);
            if (own != null && chosen.contains(own)) {
                continue;
            }
            int at = 0;
            for (int i = 0; i < entries.size(); i++) {
                if (entries.get(i).oldIndex() == o - 1) {
                    at = i + 1;
                }
            }
            entries.add(at, new Entry(o, -1, false, turnover.clips.get(o)));
        }
    }

    private static boolean isPushed(Change change) {
        return change.kind() == ChangeKind.SHIFTED && change.because() >= 0;
    }

    private Clip changed(int o, int n, Change change) {
        Clip after = after(turnover, o, n, change);
        Turnover.Newer newer = turnover.newer.get(n);
        if (newer.cut().isSlate()) {
            return after;
        }
        Shot shot = turnover.shots.get(turnover.clips.get(o).shotId());
        boolean another = change.kind() == ChangeKind.REPLACED || needsOwnCourse(change, newer, shot);
        if (another && !namesShot(newer, shot)) {
            replace(shot, newer.cut(), after.from(), newer.cut().edge());
        }
        return after;
    }

    /** A clip of ours as a change of it would make it, where it lies in the newer cut. */
    static Clip after(Turnover turnover, Change change) {
        return after(turnover, change.oldIndex(), change.newIndex(), change);
    }

    private static boolean namesShot(Turnover.Newer newer, Shot shot) {
        return newer.origin().isPresent() && newer.origin().get().shotId() == shot.id();
    }

    /**
     * Whether the shot's source gets another course in time: what it had goes to and fro or holds, so that a source position
     * does not tell which frame of the shot is meant. The shot plays its own frames then, and its board as the cut has it.
     */
    private static boolean needsOwnCourse(Change change, Turnover.Newer newer, Shot shot) {
        return hasOtherTime(change) && !shot.anchor().still() && !newer.clip().still() && !shot.anchor().tellsFrames();
    }

    private static boolean hasOtherTime(Change change) {
        return change.kind() == ChangeKind.RETIMED || change.kind() == ChangeKind.SLIPPED;
    }

    /** Whether the cut's positions tell the shot's frames. Keys that are as they were keep the shot's own: lists round positions. */
    private static boolean isTold(Change change, Shot.Anchor anchor) {
        return change.kind() != ChangeKind.REPLACED && anchor.tellsFrames() && (anchor.course() == null || hasOtherTime(change));
    }

    private static Clip after(Turnover turnover, int o, int n, Change change) {
        Clip old = turnover.clips.get(o);
        Turnover.Newer newer = turnover.newer.get(n);
        FrameRange edge = newer.cut().edge();
        if (newer.cut().isSlate()) {
            Clip slate = FirstMaster.clip(newer.cut());
            boolean same = change.kind() != ChangeKind.REPLACED;
            return (same ? slate.showing(old.content(), Rational.ZERO) : slate).named(old.id()).switched(old.enabled());
        }
        Shot shot = turnover.shots.get(old.shotId());
        Rational from = old.at(old.record().in() - change.head());
        Rational speed = old.speed();
        List<RetimeKey> retimeKeys = RetimeKey.shifted(old.retimeKeys(), change.head());
        if (namesShot(newer, shot)) {
            from = newer.origin().get().position();
            speed = newer.origin().get().slope();
            retimeKeys = newer.origin().get().retimeKeys();
        } else if (isTold(change, shot.anchor())) {
            ShotTime time = ShotTime.of(newer.cut().time(), edge, turnover.linkOf(n).orElse(null), shot.anchor());
            from = time.from();
            speed = time.speed();
            retimeKeys = time.retimeKeys();
        } else if (needsOwnCourse(change, newer, shot)) {
            from = Rational.of(from.floor());
            speed = Rational.ONE;
            retimeKeys = List.of();
        }
        return new Clip(old.id(), old.content(), edge, from, speed, retimeKeys, old.enabled(),
                Transitions.head(newer.cut().head(), edge.in()),
                Transitions.tail(newer.cut().tail(), newer.cut().record(), edge.out()));
    }

    /** Another source in the same shot: the camera stays, the frames now belong to the new source. */
    private void replace(Shot shot, CutClip clip, Rational from, FrameRange edge) {
        Shot.Anchor fresh = FirstMaster.anchor(clip, from.floor() - (edge.in() - clip.record().in()));
        replaced.put(shot.id(), new Shot(shot.id(), shot.code(), shot.cutRange(), shot.handles(),
                shot.actionOffset(), fresh));
    }

    private Clip newClip(int n) {
        CutClip cut = turnover.newer.get(n).cut();
        if (cut.isSlate()) {
            return FirstMaster.clip(cut);
        }
        Optional<Clip> again = turnover.newer.get(n).ownAgain();
        if (again.isPresent()) {
            return again.get().withTransitions(Transitions.head(cut.head(), cut.edge().in()), Transitions.tail(cut.tail(), cut.record(), cut.edge().out()));
        }
        newShots.add(cut);
        return FirstMaster.clip(-newShots.size(), cut, firstFrame);
    }

    private List<Clip> layOut(List<Entry> entries) {
        List<Clip> laid = new ArrayList<>();
        Entry before = null;
        long at = 0;
        for (Entry entry : entries) {
            long in = before == null ? firstIn(entry) : at + blackBefore(before, entry);
            Clip clip = entry.clip();
            laid.add(clip.shiftedBy(in - clip.record().in()));
            at = in + clip.record().length();
            before = entry;
        }
        return laid;
    }

    /**
     * Clips of nested masters that all stayed as they were are their nest again, wherever it lies now. A nest that was
     * changed inside is laid out here clip by clip; the nested master itself is not touched.
     */
    private List<Clip> nestsClosed(List<Entry> entries, List<Clip> laid) {
        List<Clip> closed = new ArrayList<>();
        for (int i = 0; i < laid.size(); i++) {
            int o = entries.get(i).oldIndex();
            if (o < 0 || !turnover.live.get(o).isNested()) {
                closed.add(laid.get(i));
                continue;
            }
            Clip nest = turnover.live.get(o).outer();
            int count = asNest(entries, laid, i, nest);
            if (count > 0) {
                closed.add(nest.shiftedBy(laid.get(i).record().in() - turnover.clips.get(o).record().in()));
                i += count - 1;
            } else {
                closed.add(laid.get(i).fresh());
            }
        }
        return closed;
    }

    /** How many clips from an index on are just those of a nest, in order and all by the same shift; 0 for not so. */
    private int asNest(List<Entry> entries, List<Clip> laid, int from, Clip nest) {
        List<Clip> inside = turnover.live.stream().filter(l -> l.outer().equals(nest))
                .map(LiveClips.Live::clip).toList();
        long shift = laid.get(from).record().in() - inside.get(0).record().in();
        for (int k = 0; k < inside.size(); k++) {
            boolean same = from + k < laid.size() && entries.get(from + k).oldIndex() >= 0
                    && turnover.live.get(entries.get(from + k).oldIndex()).outer().equals(nest)
                    && laid.get(from + k).equals(inside.get(k).shiftedBy(shift));
            if (!same) {
                return 0;
            }
        }
        return inside.size();
    }

    /** Where the first clip begins: as in the newer cut where it is the first there too, else as the master did. */
    private long firstIn(Entry entry) {
        boolean asThere = entry.asNew() && (entry.newIndex() == 0 || turnover.clips.isEmpty());
        return asThere ? turnover.newer.get(entry.newIndex()).cut().edge().in()
                : turnover.clips.get(0).record().in();
    }

    /** The black before a clip: as in the newer cut where both sides of it are as there, else as it was. */
    private long blackBefore(Entry before, Entry entry) {
        if (entry.asNew() && (before.asNew() && before.newIndex() == entry.newIndex() - 1 || isOwnEdit(entry))) {
            return gap(turnover.newer.get(entry.newIndex()).cut().edge().in(), entry.newIndex() == 0 ? null
                    : turnover.newer.get(entry.newIndex() - 1).cut().edge().out());
        }
        return entry.oldIndex() < 0 ? 0 : gap(turnover.clips.get(entry.oldIndex()).record().in(),
                entry.oldIndex() == 0 ? null : turnover.clips.get(entry.oldIndex() - 1).record().out());
    }

    private boolean isOwnEdit(Entry entry) {
        Integer own = changeOfNew.get(entry.newIndex());
        return own != null && !isPushed(turnover.changes().changes().get(own));
    }

    private static long gap(long in, Long outBefore) {
        return outBefore == null ? 0 : Math.max(0, in - outBefore);
    }

    private Map<Long, Shot> changedShots(List<Clip> laid) {
        Map<Long, Shot> changed = new LinkedHashMap<>(replaced);
        CutRanges.of(laid).forEach((id, range) -> {
            Shot shot = replaced.getOrDefault(id, turnover.shots.get(id));
            if (shot != null && !shot.cutRange().equals(range)) {
                changed.put(id, new Shot(id, shot.code(), range, shot.handles(), shot.actionOffset(), shot.anchor()));
            }
        });
        return changed;
    }
}
