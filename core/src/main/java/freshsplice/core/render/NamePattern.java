package freshsplice.core.render;

import freshsplice.core.delivery.RenderName;
import freshsplice.core.refusal.Refusal;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A pattern of file names: letters as they are to stand, and words in braces for what is filled in. Lower-case letters, digits, _ and -
 * (common practice), and dots between parts.
 */
public final class NamePattern {
    private static final int MOST = 80;
    private static final int LONGEST_PART = 60;
    private static final int SHORTEST_PART = 8;
    /** Disks take 255 bytes of a name; its ending and what is added while it is written need some. */
    private static final int MOST_BYTES = 200;
    private static final Pattern WORD = Pattern.compile("\\{([^{}]*)}");
    private static final Pattern PLAIN = Pattern.compile("[a-z0-9_.-]*");

    /** What can be filled in. */
    public enum Part {
        PROJECT, SCENE, SHOT, VERSION, GRADE, CAMERA, RECIPE, FRAME;

        private String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private final String pattern;

    private NamePattern(String pattern) {
        this.pattern = pattern;
    }

    /** A pattern for one file. @throws Refusal if it cannot be one */
    public static NamePattern movie(String pattern) {
        NamePattern checked = checked(pattern);
        if (pattern.contains("{frame}")) {
            throw new Refusal("A movie is one file: take {frame} out of " + pattern);
        }
        return checked;
    }

    /** A pattern for a run of numbered pictures. @throws Refusal if all would have one name */
    public static NamePattern run(String pattern) {
        NamePattern checked = checked(pattern);
        if (!pattern.contains("{frame}")) {
            throw new Refusal("All pictures of a run would be called " + pattern + ": put {frame} into the name");
        }
        if (pattern.indexOf("{frame}") != pattern.lastIndexOf("{frame}")) {
            throw new Refusal("{frame} stands twice in " + pattern);
        }
        return checked;
    }

    private static NamePattern checked(String pattern) {
        if (pattern == null || pattern.isBlank() || pattern.length() > MOST) {
            throw new Refusal("A pattern for names has 1 to " + MOST + " letters");
        }
        if (pattern.contains("/") || pattern.contains("\\") || pattern.contains("..")) {
            throw new Refusal("A name is no path: take / and .. out of " + pattern);
        }
        Matcher words = WORD.matcher(pattern);
        while (words.find()) {
            part(words.group(1), pattern);
        }
        String rest = WORD.matcher(pattern).replaceAll("");
        if (!PLAIN.matcher(rest).matches() || rest.startsWith(".") && pattern.startsWith(".")) {
            throw new Refusal("A name has lower-case letters, digits, _ - and dots between them, and begins with no dot: " + pattern);
        }
        return new NamePattern(pattern);
    }

    private static Part part(String word, String pattern) {
        for (Part part : Part.values()) {
            if (part.word().equals(word)) {
                return part;
            }
        }
        throw new Refusal("There is no {" + word + "} to fill in " + pattern
                + ": project, scene, shot, version, grade, camera, recipe and frame are");
    }

    /** The name without its ending. @param values made fit for files; parts without one are filled with none */
    public String fill(Map<Part, String> values) {
        // what tells one file from another stays whole; names are shortened until a disk takes all of them
        for (int most = LONGEST_PART;; most = most * 2 / 3) {
            String name = fill(values, most);
            if (name.getBytes(StandardCharsets.UTF_8).length <= MOST_BYTES || most <= SHORTEST_PART) {
                return name;
            }
        }
    }

    private String fill(Map<Part, String> values, int most) {
        Map<Part, String> safe = new EnumMap<>(Part.class);
        values.forEach((part, value) -> safe.put(part, RenderName.fileSafe(value, part == Part.VERSION || part == Part.FRAME ? LONGEST_PART : most)));
        return WORD.matcher(pattern).replaceAll(word -> Matcher.quoteReplacement(safe.getOrDefault(part(word.group(1), pattern), "none")));
    }
}
