package freshsplice.exchange.edl;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Reel names as a list can carry them: without blanks, or of at most eight letters and digits for old readers.
 * Two reels never share a written name.
 */
final class EdlReels {
    private static final int SHORT = 8;

    private final boolean shortened;
    private final Map<String, String> writtenByReel = new HashMap<>();
    private final Set<String> taken = new HashSet<>(Set.of("BL", "AX"));
    private final Map<String, String> changed = new LinkedHashMap<>();

    EdlReels(boolean shortened) {
        this.shortened = shortened;
    }

    /** The written name; {@code AX} where there is no reel. */
    String written(String reel) {
        if (reel == null || reel.isBlank() || reel.equals("AX")) {
            return "AX";
        }
        return writtenByReel.computeIfAbsent(reel, this::choose);
    }

    /** Written name by full name, for those that differ. */
    Map<String, String> changed() {
        return changed;
    }

    private String choose(String reel) {
        String plain = shortened
                ? reel.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "")
                : reel.strip().replaceAll("[\\s\\p{Cntrl}]+", "_");
        if (plain.isEmpty()) {
            plain = "REEL";
        }
        String name = shortened && plain.length() > SHORT ? plain.substring(0, SHORT) : plain;
        for (int n = 2; !taken.add(name); n++) {
            String number = Integer.toString(n);
            String stem = shortened ? plain.substring(0, Math.min(plain.length(), SHORT - number.length())) : plain;
            name = stem + number;
        }
        if (!name.equals(reel)) {
            changed.put(reel, name);
        }
        return name;
    }
}
