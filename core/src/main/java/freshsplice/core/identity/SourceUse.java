package freshsplice.core.identity;

import freshsplice.core.cut.Source;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A source and where a cut uses it.
 *
 * @param key    its identity within its cut
 * @param source its names; a key of which nothing more is known has what the key tells
 * @param still  positions in it mean nothing
 * @param shown  what clips show of it, in the cut's order
 */
public record SourceUse(String key, Source source, boolean still, List<ShownRange> shown) {
    /**
     * @param order which clip of the cut it is
     * @param low   lower end of what is seen, in source frames
     * @param high  upper end, above the lower
     */
    public record ShownRange(int order, Rational low, Rational high) {
    }

    /** Gathers the uses of each source, in the order in which sources first come. */
    public static final class Gathering {
        private final Map<String, SourceUse> uses = new LinkedHashMap<>();
        private int clips;

        /** The next clip of the cut. */
        public Gathering add(String key, Source source, boolean still, Rational low, Rational high) {
            uses.computeIfAbsent(key, k -> new SourceUse(k, source, still, new ArrayList<>()))
                    .shown.add(new ShownRange(clips++, low, high));
            return this;
        }

        public List<SourceUse> uses() {
            return List.copyOf(uses.values());
        }
    }
}
