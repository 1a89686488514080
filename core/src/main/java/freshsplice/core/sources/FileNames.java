package freshsplice.core.sources;

import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names of files as people write them: parts of paths, endings, copy marks, numbers and versions. */
public final class FileNames {
    private static final Pattern NO_LETTER = Pattern.compile("[^\\p{L}\\p{N}]+");
    private static final Pattern MARKS = Pattern.compile("\\p{M}");
    private static final Pattern SLASHES = Pattern.compile("/+");
    private static final Pattern SCHEME = Pattern.compile("(?i)^file:/*(?:localhost/+)?");
    private static final Pattern COPY = Pattern.compile("(?:[ _-]*\\(\\d{1,3}\\)|[ _-]+copy(?:[ _-]*\\d{1,3})?)$");
    private static final Pattern VERSION = Pattern.compile("(?:^|[ _.-])(?:v|ver|version)[ _.-]?(\\d{1,6})(?=$|[ _.-])");
    private static final Pattern ORDER = Pattern.compile("^\\d{1,6}[ _.-]+(?=.*\\p{L}{3})|(?<=\\p{L}{3}.{0,80})[ _.-]+\\d{1,6}$");
    private static final Pattern LEADING_ZEROS = Pattern.compile("(?<!\\d)0+(?=\\d)");

    private FileNames() {
    }

    /** How many folders two paths have in common, from their files' own outwards. */
    public static int sharedFolders(String a, String b) {
        List<String> one = parts(a);
        List<String> other = parts(b);
        return sharedEnd(one.subList(0, Math.max(0, one.size() - 1)), other.subList(0, Math.max(0, other.size() - 1)));
    }

    /** The last part of a path, whichever slashes it is written with. */
    public static String base(String path) {
        return path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1).strip();
    }

    /** The name without the ending of a picture, movie or sound; others stay: {@code scene.12} has a dot. */
    public static String stem(String path) {
        String base = base(path);
        int dot = base.lastIndexOf('.');
        return dot > 0 && MediaKind.of(base) != MediaKind.OTHER ? base.substring(0, dot) : base;
    }

    /** A path by its parts, without the scheme of an address; case is kept. */
    static List<String> parts(String path) {
        String plain = SCHEME.matcher(path.strip().replace('\\', '/')).replaceFirst("/");
        return SLASHES.splitAsStream(plain).filter(p -> !p.isEmpty() && !p.equals(".")).toList();
    }

    /** How many parts two paths share at their end, case left aside. */
    static int sharedEnd(List<String> a, List<String> b) {
        int n = 0;
        while (n < a.size() && n < b.size() && a.get(a.size() - 1 - n).equalsIgnoreCase(b.get(b.size() - 1 - n))) {
            n++;
        }
        return n;
    }

    /** Lower-case letters and digits only, without accents. */
    static String plain(String text) {
        return NO_LETTER.matcher(unaccented(text)).replaceAll("");
    }

    private static String unaccented(String text) {
        boolean plain = text.chars().allMatch(c -> c < 128);
        return (plain ? text : MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll(""))
                .toLowerCase(Locale.ROOT);
    }

    /** A stem without copy marks, its numbers without leading zeros. */
    static String withoutPadding(String stem) {
        return plain(LEADING_ZEROS.matcher(withoutCopy(unaccented(stem))).replaceAll(""));
    }

    /** A stem without copy marks and without the number it begins or ends with. */
    static String withoutOrder(String stem) {
        return plain(ORDER.matcher(withoutCopy(unaccented(stem))).replaceAll(""));
    }

    /** A stem without copy marks and versions. */
    static String withoutVersion(String stem) {
        return plain(LEADING_ZEROS.matcher(VERSION.matcher(withoutCopy(unaccented(stem))).replaceAll("")).replaceAll(""));
    }

    /** The version in a name; −1 without one. */
    static long version(String path) {
        Matcher matcher = VERSION.matcher(unaccented(stem(path)));
        long version = -1;
        while (matcher.find()) {
            version = Long.parseLong(matcher.group(1));
        }
        return version;
    }

    private static String withoutCopy(String stem) {
        return COPY.matcher(stem.strip()).replaceAll("");
    }
}
