package freshsplice.core.cut;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A numbered picture, or a name that stands for all pictures of a numbered run: {@code name.%04d.exr},
 * {@code name.####.exr}, {@code name.@@@@.exr} and {@code name.[0001-0240].exr} (common practice).
 *
 * @param prefix before the number, folders left aside
 * @param suffix after it, the dot and the ending
 * @param number the number where it names one picture, −1 where it stands for all
 */
public record ImageSequence(String prefix, String suffix, long number) {
    private static final Pattern RUN = Pattern.compile(
            "^(.*?)(?:%0?\\d{0,2}d|#{2,}|@{2,}|\\[\\d{1,9}(?:-|\\.\\.|,)\\d{1,9}\\])(\\.[A-Za-z0-9]{2,5})$");
    private static final Pattern ONE = Pattern.compile("^(.*?)(\\d{1,9})(\\.[A-Za-z0-9]{2,5})$");

    /** What a name says; empty where it holds no number. */
    public static Optional<ImageSequence> of(String path) {
        String base = base(path);
        Matcher run = RUN.matcher(base);
        if (run.matches()) {
            return Optional.of(new ImageSequence(run.group(1), run.group(2), -1));
        }
        Matcher one = ONE.matcher(base);
        return one.matches()
                ? Optional.of(new ImageSequence(one.group(1), one.group(3), Long.parseLong(one.group(2))))
                : Optional.empty();
    }

    private static String base(String path) {
        return path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1).strip();
    }

    /** Whether a name stands for a run of pictures. */
    public static boolean isRun(String path) {
        // asked of every clip of a long cut: most names have no sign of a run
        return path != null && path.chars().anyMatch(c -> "%#@[".indexOf(c) >= 0) && RUN.matcher(base(path)).matches();
    }

    /** Whether two names belong to one run. */
    public boolean sameRun(ImageSequence other) {
        return prefix.equalsIgnoreCase(other.prefix) && suffix.equalsIgnoreCase(other.suffix);
    }

    /** A name for the whole run. */
    public String run() {
        return prefix + "####" + suffix;
    }
}
