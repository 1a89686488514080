package freshsplice.core.identity;

import freshsplice.core.cut.Source;
import freshsplice.core.sources.FileNames;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;

/**
 * The names of a source in the forms that formats write. Empty text where a name is not told: {@code AX} and {@code BL}
 * are no reels.
 *
 * @param clip     the clip's name
 * @param clipStem without the ending of a picture, movie or sound
 * @param file     the last part of the file's path
 * @param fileStem without its ending
 * @param reel     the reel
 * @param folder   what comes before the file's name
 */
record SourceNames(String clip, String clipStem, String file, String fileStem, String reel, String folder) {
    /** Old readers of lists take eight letters and digits of a reel. */
    private static final int SHORT = 8;

    static SourceNames of(Source source) {
        String clip = text(source.name());
        String path = text(source.file());
        String file = FileNames.base(path);
        String reel = text(source.reel());
        boolean none = reel.equalsIgnoreCase("AX") || reel.equalsIgnoreCase("BL");
        return new SourceNames(clip, FileNames.stem(clip), file, FileNames.stem(path), none ? "" : reel,
                path.substring(0, Math.max(0, path.length() - file.length())));
    }

    private static String text(String name) {
        return name == null ? "" : name.strip();
    }

    /** As old lists shorten a reel: capital letters and digits, the first eight. */
    static String shortened(String reel) {
        return reduced(reel, SHORT);
    }

    /** Whether lists shorten two reels to the same; of two that are told in full what comes after eight letters counts too. */
    static boolean areOneShortened(String a, String b) {
        String reduced = reduced(a, SHORT + 1);
        String other = reduced(b, SHORT + 1);
        boolean full = reduced.length() > SHORT && other.length() > SHORT;
        return full ? reduced(a, Integer.MAX_VALUE).equals(reduced(b, Integer.MAX_VALUE))
                : !reduced.isEmpty() && shortened(reduced).equals(shortened(other));
    }

    private static String reduced(String reel, int most) {
        // asked of every source of a long cut: a pattern would cost more than all else that is done with it
        StringBuilder plain = new StringBuilder(SHORT);
        String capitals = reel.toUpperCase(Locale.ROOT);
        for (int i = 0; i < capitals.length() && plain.length() < most; i++) {
            char c = capitals.charAt(i);
            if (c >= 'A' && c <= 'Z' || c >= '0' && c <= '9') {
                plain.append(c);
            }
        }
        return plain.toString();
    }

    static boolean isShort(String reel) {
        return reel.length() == SHORT && reel.equals(shortened(reel));
    }

    /** Whether a reel is as old lists write it, however short. */
    static boolean isReduced(String reel) {
        return !reel.isEmpty() && reel.equals(shortened(reel));
    }

    /** What another side's names may be looked up by. */
    Set<String> tokens() {
        Set<String> tokens = new LinkedHashSet<>();
        for (String name : new String[] {clipStem, fileStem, reel}) {
            if (!name.isEmpty()) {
                tokens.add("=" + name.toLowerCase(Locale.ROOT));
            }
        }
        for (String name : new String[] {reel, clipStem, fileStem}) {
            String shortened = shortened(name);
            if (!shortened.isEmpty()) {
                tokens.add("~" + shortened);
            }
        }
        return tokens;
    }
}
