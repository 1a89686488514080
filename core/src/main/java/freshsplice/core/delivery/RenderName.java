package freshsplice.core.delivery;

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
    private static final Pattern FORM = Pattern.compile("(.+)_v(\\d{3,6})(\\.[A-Za-z0-9]{1,5})?");

    /** Reads a clip name that an edit room gave back, in whatever case and with or without an ending. */
    public static Optional<RenderName> parse(String clipName) {
        Matcher m = FORM.matcher(clipName == null ? "" : clipName.strip());
        return m.matches()
                ? Optional.of(new RenderName(m.group(1).toLowerCase(Locale.ROOT), Integer.parseInt(m.group(2))))
                : Optional.empty();
    }

    /** A name for files made of anything people type: lower case, what is not allowed becomes _. */
    public static String fileSafe(String text) {
        String plain = java.text.Normalizer.normalize(text, java.text.Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9-]+", "_")
                .replaceAll("^_+|_+$", "");
        return plain.isEmpty() ? "unnamed" : plain.substring(0, Math.min(60, plain.length()));
    }

    @Override
    public String toString() {
        return String.format("%s_v%03d", of, version);
    }
}
