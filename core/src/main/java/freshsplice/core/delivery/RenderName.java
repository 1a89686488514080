package freshsplice.core.delivery;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The name of a render: {@code sh0010_v003}. Lower-case letters, digits, _ and - (common practice).
 *
 * @param of      the shot's code or the master's name
 * @param version from 1
 */
public record RenderName(String of, int version) {
    private static final int MOST = 60;
    private static final Pattern MARKED_LATIN = Pattern.compile("(\\p{IsLatin})\\p{M}+");
    private static final Pattern FORM = Pattern.compile("(.+)_v(\\d{3,6})(\\.[A-Za-z0-9]{1,5})?");

    /** Reads a clip name that an edit room gave back, in whatever case and with or without an ending. */
    public static Optional<RenderName> parse(String clipName) {
        Matcher m = FORM.matcher(clipName == null ? "" : clipName.strip());
        return m.matches()
                ? Optional.of(new RenderName(m.group(1).toLowerCase(Locale.ROOT), Integer.parseInt(m.group(2))))
                : Optional.empty();
    }

    /**
     * A name for files made of anything people type: lower case, letters and digits of any script, Latin ones without their marks;
     * what is not allowed becomes _.
     */
    public static String fileSafe(String text) {
        return fileSafe(text, MOST);
    }

    /** @param most letters */
    public static String fileSafe(String text, int most) {
        String plain = MARKED_LATIN.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll("$1");
        String safe = Normalizer.normalize(plain, Normalizer.Form.NFC).toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{M}\\p{N}-]+", "_")
                .replaceAll("^_+|_+$", "");
        String cut = safe.codePointCount(0, safe.length()) <= most ? safe : safe.substring(0, safe.offsetByCodePoints(0, most));
        return cut.isEmpty() ? "unnamed" : cut;
    }

    @Override
    public String toString() {
        return String.format("%s_v%03d", of, version);
    }
}
