package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;
import java.util.regex.Pattern;

/**
 * Positions as people type them: a timecode, one without separators (digits are filled from the right, so 2107 is
 * 00:00:21:07), or a way to go, {@code +12} frames or {@code -1:00}.
 */
public final class TypedPosition {
    private static final Pattern WAY = Pattern.compile("[+-][0-9:;.]{1,14}");
    private static final Pattern PLACE = Pattern.compile("[0-9]{1,8}|[0-9]{1,2}([:;.][0-9]{1,3}){1,3}");

    private TypedPosition() {
    }

    /**
     * @param from frame from which a way is gone
     * @return a frame
     * @throws IllegalArgumentException if it is none of these; the message says what can be typed
     */
    public static long read(String text, long from, FrameRate rate, boolean drop) {
        String typed = text.strip().replace('\u2212', '-');
        if (WAY.matcher(typed).matches()) {
            String way = typed.substring(1);
            long frames = way.chars().allMatch(Character::isDigit) && way.length() <= 8 ? Long.parseLong(way)
                    : Timecode.parse(filled(way), rate, false).frame();
            return typed.charAt(0) == '-' ? from - frames : from + frames;
        }
        if (PLACE.matcher(typed).matches()) {
            return Timecode.parse(filled(typed), rate, drop).frame();
        }
        throw new Refusal("\"" + text + "\" is no position: type a timecode (01:00:21:07 or 1002107), "
                + "or frames to go (+12, -1:00)");
    }

    private static String filled(String typed) {
        String[] fields = {"00", "00", "00", "00"};
        String[] given = typed.matches("[0-9]+") ? pairs(typed) : typed.split("[:;.]");
        System.arraycopy(given, 0, fields, 4 - given.length, given.length);
        return String.join(":", fields);
    }

    private static String[] pairs(String digits) {
        String even = digits.length() % 2 == 0 ? digits : "0" + digits;
        return even.split("(?<=\\G..)");
    }
}
