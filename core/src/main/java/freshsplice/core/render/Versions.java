package freshsplice.core.render;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;

/**
 * Which version a new render gets. No name is given twice at one grade; a final takes the name of the newest draft of the same timing,
 * so that it slips in where that stands.
 */
public final class Versions {
    /** What a trial's name has before its version, so that it is never taken for the shot's render. */
    private static final String TRIAL = "_trial";

    /**
     * A render that was asked for.
     *
     * @param range    what it shows
     * @param finished whether it is whole
     */
    public record Entry(RenderName name, Grade grade, RenderRange range, boolean finished) {
    }

    private final Map<String, List<Entry>> byName = new HashMap<>();

    public Versions(Collection<Entry> known) {
        known.forEach(this::add);
    }

    private void add(Entry one) {
        byName.computeIfAbsent(key(one.name().of()), of -> new ArrayList<>()).add(one);
    }

    private static String key(String of) {
        return of.toLowerCase(Locale.ROOT);
    }

    /** A name for a new render, taken from now on. @param of the shot's code or the master's name */
    public RenderName take(String of, Grade grade, RenderRange range) {
        String whole = grade == Grade.TRIAL ? of + TRIAL : of;
        List<Entry> same = byName.getOrDefault(key(whole), List.of());
        int next = 1 + same.stream().mapToInt(k -> k.name().version()).max().orElse(0);
        int version = grade == Grade.FINAL ? same.stream().filter(k -> standsFor(k, range) && isFree(same, k.name().version()))
                .mapToInt(k -> k.name().version()).max().orElse(next) : next;
        RenderName name = new RenderName(whole, version);
        add(new Entry(name, grade, range, false));
        return name;
    }

    /** A name with a version of somebody's choice where that is free, else with the next. */
    public RenderName take(String of, int wanted, Grade grade, RenderRange range) {
        List<Entry> same = byName.getOrDefault(key(of), List.of());
        if (wanted < 1 || same.stream().anyMatch(k -> k.name().version() == wanted)) {
            return take(of, grade, range);
        }
        RenderName name = new RenderName(of, wanted);
        add(new Entry(name, grade, range, false));
        return name;
    }

    private static boolean standsFor(Entry known, RenderRange range) {
        return known.grade() == Grade.DRAFT && known.finished() && Objects.equals(known.range(), range);
    }

    private static boolean isFree(List<Entry> same, int version) {
        return same.stream().noneMatch(k -> k.grade() == Grade.FINAL && k.name().version() == version);
    }
}
