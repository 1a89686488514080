package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;

/** A track of a master: clips in record order that never lie over each other. Immutable. */
public final class Track {
    private final long id;
    private final String name;
    private final boolean enabled;
    private final boolean locked;
    private final Clip[] clips;

    private Track(long id, String name, boolean enabled, boolean locked, Clip[] clips) {
        this.id = id;
        this.name = name;
        this.enabled = enabled;
        this.locked = locked;
        this.clips = clips;
    }

    /**
     * @param id       its id in the project; 0 while it is new
     * @param enabled  a track that is switched off is kept and not seen
     * @param locked   no edit changes a locked track
     * @param clips in any order
     * @throws IllegalArgumentException if two lie over each other
     */
    public static Track of(long id, String name, boolean enabled, boolean locked, List<Clip> clips) {
        return new Track(id, name, enabled, locked, inOrder(name, clips.toArray(Clip[]::new)));
    }

    /** A track that is new, switched on and open. */
    public static Track of(String name, List<Clip> clips) {
        return of(0, name, true, false, clips);
    }

    private static Clip[] inOrder(String name, Clip[] clips) {
        boolean sorted = true;
        for (int i = 1; i < clips.length && sorted; i++) {
            sorted = clips[i - 1].record().in() <= clips[i].record().in();
        }
        if (!sorted) {
            Arrays.sort(clips, Comparator.comparingLong(s -> s.record().in()));
        }
        for (int i = 1; i < clips.length; i++) {
            check(name, clips[i - 1], clips[i]);
        }
        return clips;
    }

    private static void check(String name, Clip before, Clip after) {
        if (after.record().in() < before.record().out()) {
            throw new Refusal("Two clips lie over each other on track " + name + " at frame "
                    + after.record().in());
        }
    }

    public long id() {
        return id;
    }

    public String name() {
        return name;
    }

    public boolean enabled() {
        return enabled;
    }

    public boolean locked() {
        return locked;
    }

    /** In record order. */
    public List<Clip> clips() {
        return Collections.unmodifiableList(Arrays.asList(clips));
    }

    /** The same track with other clips, in any order. */
    public Track with(List<Clip> changed) {
        return of(id, name, enabled, locked, changed);
    }

    /**
     * The same track with some clips in the place of others. Only what they meet is looked at, so an edit among very
     * many clips costs little.
     *
     * @param from index of the first that goes
     * @param to   index after the last that goes
     * @param come in record order
     */
    public Track spliced(int from, int to, List<Clip> come) {
        Clip[] changed = new Clip[clips.length - (to - from) + come.size()];
        System.arraycopy(clips, 0, changed, 0, from);
        for (int i = 0; i < come.size(); i++) {
            changed[from + i] = come.get(i);
        }
        int rest = from + come.size();
        System.arraycopy(clips, to, changed, rest, clips.length - to);
        for (int i = Math.max(1, from); i < changed.length && i <= rest; i++) {
            check(name, changed[i - 1], changed[i]);
        }
        return new Track(id, name, enabled, locked, changed);
    }

    /** The same track with all clips from an index on moved by so many frames. */
    public Track pushed(int from, long frames) {
        Clip[] changed = clips.clone();
        for (int i = from; i < changed.length; i++) {
            changed[i] = changed[i].shiftedBy(frames);
        }
        if (from > 0 && from < changed.length) {
            check(name, changed[from - 1], changed[from]);
        }
        return new Track(id, name, enabled, locked, changed);
    }

    /** Whether all clips from an index on can be moved by so many frames without lying over the one before them. */
    public boolean hasRoomFor(int from, long frames) {
        return from == 0 || from >= clips.length
                || clips[from].record().in() + frames >= clips[from - 1].record().out();
    }

    public Track renamed(String other) {
        return new Track(id, other, enabled, locked, clips);
    }

    public Track enabled(boolean on) {
        return new Track(id, name, on, locked, clips);
    }

    public Track locked(boolean on) {
        return new Track(id, name, enabled, on, clips);
    }

    /** Index of the first clip that begins at a record frame or later; how many there are where none does. */
    public int firstFrom(long record) {
        int low = 0;
        int high = clips.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (clips[middle].record().in() >= record) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /** Index of the clip that a record frame lies in; −1 in a gap. */
    public int indexAt(long record) {
        int index = firstFrom(record + 1) - 1;
        return index >= 0 && clips[index].record().contains(record) ? index : -1;
    }

    /** Clips of it that share a frame with a range. */
    public List<Clip> within(FrameRange range) {
        List<Clip> there = new ArrayList<>();
        for (int i = Math.max(0, firstFrom(range.in()) - 1); i < clips.length; i++) {
            if (clips[i].record().in() >= range.out()) {
                break;
            }
            if (clips[i].record().overlaps(range)) {
                there.add(clips[i]);
            }
        }
        return there;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Track l && id == l.id && name.equals(l.name) && enabled == l.enabled && locked == l.locked
                && Arrays.equals(clips, l.clips);
    }

    @Override
    public int hashCode() {
        return Objects.hash(id, name, enabled, locked, Arrays.hashCode(clips));
    }

    @Override
    public String toString() {
        return "Track " + name + (enabled ? "" : " off") + " " + Arrays.toString(clips);
    }
}
