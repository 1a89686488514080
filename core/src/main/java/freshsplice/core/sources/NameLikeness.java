package freshsplice.core.sources;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * How much two names have in common: the Sørensen-Dice coefficient of their pairs of letters (L. R. Dice, Measures of the
 * Amount of Ecologic Association Between Species, Ecology 26, 1945). Folders, endings and case do not count.
 */
public final class NameLikeness {
    private NameLikeness() {
    }

    /** 0 where no pair of letters is shared, 1 where all are. */
    public static double of(String a, String b) {
        List<String> pairs = pairs(a);
        List<String> others = pairs(b);
        int all = pairs.size() + others.size();
        int shared = 0;
        for (String pair : pairs) {
            shared += others.remove(pair) ? 1 : 0;
        }
        return all == 0 ? 0 : 2.0 * shared / all;
    }

    /** Puts the names most like one first; equally like ones stay in their order. */
    public static Comparator<String> nearestTo(String name) {
        return Comparator.comparingDouble((String other) -> -of(name, other));
    }

    private static List<String> pairs(String path) {
        String name = path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1);
        int dot = name.lastIndexOf('.');
        String stem = (dot > 0 ? name.substring(0, dot) : name).toLowerCase(Locale.ROOT);
        List<String> pairs = new ArrayList<>();
        for (int i = 0; i + 1 < stem.length(); i++) {
            pairs.add(stem.substring(i, i + 2));
        }
        return pairs;
    }
}
