package freshsplice.core.conform;

import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How a code that the edit room already writes into clip names or markers is found there. The part in brackets is the code,
 * {@code #} stands for a digit, {@code *} for anything, all else for itself whatever its case:
 * {@code LW_[###]_*} finds 040 in LW_040_bicycle.
 */
public final class CodePattern {
    private static final int MOST = 100;
    private static final int MOST_STARS = 3;

    private final String text;
    private final Pattern pattern;

    private CodePattern(String text, Pattern pattern) {
        this.text = text;
        this.pattern = pattern;
    }

    /** @throws IllegalArgumentException if it has no part in brackets, over three stars, or over 100 letters */
    public static CodePattern of(String text) {
        String trimmed = text.strip();
        int open = trimmed.indexOf('[');
        int close = trimmed.indexOf(']');
        boolean once = open >= 0 && close > open + 1 && trimmed.indexOf('[', open + 1) < 0
                && trimmed.indexOf(']', close + 1) < 0;
        // each * may end at every letter: more of them would try a long name for hours
        long stars = trimmed.chars().filter(c -> c == '*').count();
        if (!once || trimmed.length() > MOST || stars > MOST_STARS) {
            throw new Refusal("Put the part of the name that is the code in brackets, once: # is a "
                    + "digit, * is anything (three at most), as in LW_[###]_*");
        }
        StringBuilder regex = new StringBuilder();
        for (char c : trimmed.toCharArray()) {
            switch (c) {
                case '[' -> regex.append('(');
                case ']' -> regex.append(')');
                case '#' -> regex.append("[0-9]");
                case '*' -> regex.append(".*?");
                default -> regex.append(Pattern.quote(String.valueOf(c)));
            }
        }
        return new CodePattern(trimmed, Pattern.compile(regex.toString(), Pattern.CASE_INSENSITIVE
                | Pattern.UNICODE_CASE | Pattern.DOTALL));
    }

    /** The code in a name, as it is written, with the project's prefix where it begins with a digit. */
    public Optional<String> in(String name, String prefix) {
        Matcher matcher = pattern.matcher(name.length() > 300 ? name.substring(0, 300) : name);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        String code = matcher.group(1).replaceAll("[^A-Za-z0-9_-]+", "_");
        if (code.isEmpty() || code.length() > 40) {
            return Optional.empty();
        }
        return Optional.of(Character.isDigit(code.charAt(0)) ? prefix + code : code);
    }

    /**
     * A code for each clip: the first in its names that is free, else a number of the project's own.
     *
     * @param names what stands on each clip, the likeliest first
     * @param used  codes that were ever given
     */
    public List<String> codes(List<List<String>> names, ShotNumbering numbering, Set<String> used) {
        // codes that differ in case alone would be one file
        Set<String> taken = new HashSet<>();
        used.forEach(code -> taken.add(code.toLowerCase(Locale.ROOT)));
        List<String> codes = new ArrayList<>();
        for (List<String> clip : names) {
            codes.add(clip.stream().flatMap(name -> in(name, numbering.prefix()).stream()).filter(c -> taken.add(c.toLowerCase(Locale.ROOT)))
                    .findFirst().orElse(null));
        }
        for (int i = 0; i < codes.size(); i++) {
            if (codes.get(i) == null) {
                String next = codes.subList(i + 1, codes.size()).stream().filter(c -> c != null).findFirst().orElse(null);
                String own = numbering.between(i == 0 ? null : codes.get(i - 1), next, taken);
                taken.add(own.toLowerCase(Locale.ROOT));
                codes.set(i, own);
            }
        }
        return codes;
    }

    @Override
    public String toString() {
        return text;
    }
}
