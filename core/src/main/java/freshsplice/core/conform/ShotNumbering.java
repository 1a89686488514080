package freshsplice.core.conform;

import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How shots are numbered. Codes step by ten so that a new shot takes a number between; a number that was used is
 * never given to another shot (common practice).
 *
 * @param prefix     what stands before the number: letters, digits, _ and -; codes that differ in case alone are one
 * @param step       from one shot to the next, at least 1
 * @param digits     at least so many
 * @param firstFrame number of the first frame of the cut range
 */
public record ShotNumbering(String prefix, int step, int digits, int firstFrame) {
    public static final ShotNumbering DEFAULT = new ShotNumbering("sh", 10, 4, 1001);

    public ShotNumbering {
        if (!prefix.matches("[A-Za-z][A-Za-z0-9_-]{0,15}|")) {
            throw new Refusal("A shot's prefix begins with a letter and has letters, digits, _ and -, at most 16: \""
                    + prefix + "\"");
        }
        if (step < 1 || step > 1000 || digits < 1 || digits > 8 || firstFrame < 0 || firstFrame > 1_000_000) {
            throw new Refusal("Step is 1 to 1000, digits 1 to 8, the first frame 0 to 1000000");
        }
    }

    /** Codes for {@code count} shots in order, all after any used before; as many digits as the largest needs. */
    public List<String> codes(int count, Set<String> used) {
        return codes(count, used, 0);
    }

    /** The same from a first number on, where none that comes after it was used. @param first 0 for the step itself */
    public List<String> codes(int count, Set<String> used, long first) {
        long number = used.stream().mapToLong(this::numberOf).max().orElse(0);
        number = Math.max(number / step * step, first == 0 ? 0 : first - step);
        int width = Math.max(digits, Long.toString(number + (long) step * count).length());
        List<String> codes = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            number += step;
            codes.add(code(number, width));
        }
        return codes;
    }

    /**
     * A code for a shot between two others, never one that was used: the middle number if free, else the nearest free
     * one between, else the shot before with a letter.
     *
     * @param before code of the shot before, null at the head
     * @param after  code of the shot after, null at the end
     */
    public String between(String before, String after, Set<String> used) {
        long low = before == null ? 0 : numberOf(before);
        if (after == null) {
            return codes(1, used).get(0);
        }
        long high = numberOf(after);
        // from a thousand shots on codes are longer, and one number is one code however it is padded
        int width = Math.max(digits, Math.max(digitsOf(before), digitsOf(after)));
        OptionalLong free = freeBetween(low, high, used.stream().map(this::numberOf).collect(Collectors.toSet()));
        if (free.isPresent()) {
            return code(free.getAsLong(), width);
        }
        String stem = before == null ? code(0, width) : before;
        for (int n = 0; ; n++) {
            String letters = n < 26 ? "" + (char) ('a' + n) : "z" + n;
            if (used.stream().noneMatch((stem + letters)::equalsIgnoreCase)) {
                return stem + letters;
            }
        }
    }

    private OptionalLong freeBetween(long low, long high, Set<Long> used) {
        long middle = (low + high) / 2;
        for (long off = 0; off < high - low; off++) {
            for (long number : new long[] {middle + off, middle - off}) {
                if (number > low && number < high && !used.contains(number)) {
                    return OptionalLong.of(number);
                }
            }
        }
        return OptionalLong.empty();
    }

    private String code(long number, int width) {
        String text = Long.toString(number);
        return prefix + "0".repeat(Math.max(0, width - text.length())) + text;
    }

    /** How many digits the number of a code is written with. */
    private int digitsOf(String code) {
        String rest = code == null || !begins(code) ? "" : code.substring(prefix.length());
        return (int) rest.chars().takeWhile(Character::isDigit).count();
    }

    private boolean begins(String code) {
        return code.regionMatches(true, 0, prefix, 0, prefix.length());
    }

    /** The number in a code; 0 where it has none after the prefix. */
    private long numberOf(String code) {
        String digitsOnly = begins(code) ? code.substring(prefix.length()) : "";
        int end = 0;
        while (end < digitsOnly.length() && end < 17 && Character.isDigit(digitsOnly.charAt(end))) {
            end++;
        }
        return end == 0 ? 0 : Long.parseLong(digitsOnly.substring(0, end));
    }
}
