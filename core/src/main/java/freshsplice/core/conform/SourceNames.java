package freshsplice.core.conform;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Finds the file that a clip's name means: by its full name, then leaving aside its ending, then case, accents, blanks
 * and punctuation. Of several that fit equally the newest given wins.
 */
public final class SourceNames {
    /** How well a name fits, the best first. */
    public enum Fit {
        NAME("found by its name"), ENDING("found by name, ending left aside"),
        LOOSELY("found by name, spelling left aside");

        private final String words;

        Fit(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param id the file; @param fit how it was found */
    public record Found(long id, Fit fit) {
    }

    private final List<Map<String, Long>> byFit = new ArrayList<>();

    public SourceNames() {
        for (int i = 0; i < Fit.values().length; i++) {
            byFit.add(new HashMap<>());
        }
    }

    /** Makes a file known; files given later win. */
    public SourceNames add(long id, String fileName) {
        for (Fit fit : Fit.values()) {
            byFit.get(fit.ordinal()).put(key(fileName, fit), id);
        }
        return this;
    }

    /** The file for a clip; its names are asked in order, each for the best fit first. */
    public Optional<Found> find(List<String> names) {
        for (Fit fit : Fit.values()) {
            for (String name : names) {
                Long id = name == null || key(name, fit).isEmpty() ? null : byFit.get(fit.ordinal()).get(key(name, fit));
                if (id != null) {
                    return Optional.of(new Found(id, fit));
                }
            }
        }
        return Optional.empty();
    }

    private static String key(String name, Fit fit) {
        String base = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1).strip();
        if (fit == Fit.NAME) {
            return base;
        }
        String stem = base.replaceFirst("\\.[A-Za-z0-9]{1,5}$", "");
        if (fit == Fit.ENDING) {
            return stem.toLowerCase(Locale.ROOT);
        }
        return Normalizer.normalize(stem, Normalizer.Form.NFD).replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", "");
    }
}
