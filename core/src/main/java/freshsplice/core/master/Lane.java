package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;

/** A lane of a master: pieces in record order that never lie over each other. Immutable. */
public final class Lane {
    private final long id;
    private final String name;
    private final boolean enabled;
    private final boolean locked;
    private final Section[] sections;

    private Lane(long id, String name, boolean enabled, boolean locked, Section[] sections) {
        this.id = id;
        this.name = name;
        this.enabled = enabled;
        this.locked = locked;
        this.sections = sections;
    }

    /**
     * @param id       its id in the project; 0 while it is new
     * @param enabled  a lane that is switched off is kept and not seen
     * @param locked   no edit changes a locked lane
     * @param sections in any order
     * @throws IllegalArgumentException if two lie over each other
     */
    public static Lane of(long id, String name, boolean enabled, boolean locked, List<Section> sections) {
        return new Lane(id, name, enabled, locked, inOrder(name, sections.toArray(Section[]::new)));
    }

    /** A lane that is new, switched on and open. */
    public static Lane of(String name, List<Section> sections) {
        return of(0, name, true, false, sections);
    }

    private static Section[] inOrder(String name, Section[] sections) {
        boolean sorted = true;
        for (int i = 1; i < sections.length && sorted; i++) {
            sorted = sections[i - 1].record().in() <= sections[i].record().in();
        }
        if (!sorted) {
            Arrays.sort(sections, Comparator.comparingLong(s -> s.record().in()));
        }
        for (int i = 1; i < sections.length; i++) {
            check(name, sections[i - 1], sections[i]);
        }
        return sections;
    }

    private static void check(String name, Section before, Section after) {
        if (after.record().in() < before.record().out()) {
            throw new Refusal("Two pieces lie over each other on lane " + name + " at frame "
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
    public List<Section> sections() {
        return Collections.unmodifiableList(Arrays.asList(sections));
    }

    /** The same lane with other pieces, in any order. */
    public Lane with(List<Section> changed) {
        return of(id, name, enabled, locked, changed);
    }

    /**
     * The same lane with some pieces in the place of others. Only what they meet is looked at, so an edit among very
     * many pieces costs little.
     *
     * @param from index of the first that goes
     * @param to   index after the last that goes
     * @param come in record order
     */
    public Lane spliced(int from, int to, List<Section> come) {
        Section[] changed = new Section[sections.length - (to - from) + come.size()];
        System.arraycopy(sections, 0, changed, 0, from);
        for (int i = 0; i < come.size(); i++) {
            changed[from + i] = come.get(i);
        }
        int rest = from + come.size();
        System.arraycopy(sections, to, changed, rest, sections.length - to);
        for (int i = Math.max(1, from); i < changed.length && i <= rest; i++) {
            check(name, changed[i - 1], changed[i]);
        }
        return new Lane(id, name, enabled, locked, changed);
    }

    /** The same lane with all pieces from an index on moved by so many frames. */
    public Lane pushed(int from, long frames) {
        Section[] changed = sections.clone();
        for (int i = from; i < changed.length; i++) {
            changed[i] = changed[i].shiftedBy(frames);
        }
        if (from > 0 && from < changed.length) {
            check(name, changed[from - 1], changed[from]);
        }
        return new Lane(id, name, enabled, locked, changed);
    }

    /** Whether all pieces from an index on can be moved by so many frames without lying over the one before them. */
    public boolean hasRoomFor(int from, long frames) {
        return from == 0 || from >= sections.length
                || sections[from].record().in() + frames >= sections[from - 1].record().out();
    }

    public Lane renamed(String other) {
        return new Lane(id, other, enabled, locked, sections);
    }

    public Lane enabled(boolean on) {
        return new Lane(id, name, on, locked, sections);
    }

    public Lane locked(boolean on) {
        return new Lane(id, name, enabled, on, sections);
    }

    /** Index of the first piece that begins at a record frame or later; how many there are where none does. */
    public int firstFrom(long record) {
        int low = 0;
        int high = sections.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (sections[middle].record().in() >= record) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /** Index of the piece that a record frame lies in; −1 in a gap. */
    public int indexAt(long record) {
        int index = firstFrom(record + 1) - 1;
        return index >= 0 && sections[index].record().contains(record) ? index : -1;
    }

    /** Pieces of it that share a frame with a range. */
    public List<Section> within(FrameRange range) {
        List<Section> there = new ArrayList<>();
        for (int i = Math.max(0, firstFrom(range.in()) - 1); i < sections.length; i++) {
            if (sections[i].record().in() >= range.out()) {
                break;
            }
            if (sections[i].record().overlaps(range)) {
                there.add(sections[i]);
            }
        }
        return there;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Lane l && id == l.id && name.equals(l.name) && enabled == l.enabled && locked == l.locked
                && Arrays.equals(sections, l.sections);
    }

    @Override
    public int hashCode() {
        return Objects.hash(id, name, enabled, locked, Arrays.hashCode(sections));
    }

    @Override
    public String toString() {
        return "Lane " + name + (enabled ? "" : " off") + " " + Arrays.toString(sections);
    }
}
