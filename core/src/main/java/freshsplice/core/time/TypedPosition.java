package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;
import java.util.regex.Pattern;

/**
 * Positions as people type them, in the unit that the ruler shows. A timecode may be short: what is left out in front is
 * that of the beginning, so that 20:00 is 01:00:20:00 in a master that begins at 01:00:00:00; without separators digits are
 * filled from the right, so 2107 is 21:07. Or a way to go: {@code +12} frames, {@code -1:00}, in seconds {@code +1.5}.
 *
 * @param rate  of the record clock
 * @param drop  whether its labels drop frames
 * @param start first frame of the master: frames are counted from 1 there, seconds from 0
 * @param unit  what the ruler shows
 */
public record TypedPosition(FrameRate rate, boolean drop, long start, Unit unit) {
    /** What a ruler counts in. */
    public enum Unit { TIMECODE, FRAMES, SECONDS }

    private static final Pattern DIGITS = Pattern.compile("[0-9]{1,8}");
    private static final Pattern LABEL = Pattern.compile("[0-9]{1,2}([:;][0-9]{1,3}){1,3}|[0-9]{1,2}([:;.][0-9]{1,3}){2,3}");
    private static final Pattern SECONDS = Pattern.compile("[0-9]{1,7}([.,][0-9]{1,6})?");

    /**
     * @param from frame from which a way is gone
     * @return a frame
     * @throws Refusal if it is none of these; the message says what can be typed
     */
    public long read(String text, long from) {
        String typed = text.strip().replace('\u2212', '-');
        if (typed.startsWith("+") || typed.startsWith("-")) {
            long frames = way(typed.substring(1).strip(), text);
            return typed.startsWith("-") ? from - frames : from + frames;
        }
        if (LABEL.matcher(typed).matches()) {
            return Timecode.parse(filled(typed.split("[:;.]")), rate, drop).frame();
        }
        if (unit == Unit.TIMECODE && DIGITS.matcher(typed).matches()) {
            return Timecode.parse(filled(pairs(typed)), rate, drop).frame();
        }
        if (unit == Unit.FRAMES && DIGITS.matcher(typed).matches()) {
            return start + Long.parseLong(typed) - 1;
        }
        if (unit == Unit.SECONDS && SECONDS.matcher(typed).matches()) {
            return start + seconds(typed);
        }
        throw unreadable(text);
    }

    private long way(String typed, String text) {
        if (unit == Unit.SECONDS && SECONDS.matcher(typed).matches() || typed.matches("[0-9]{1,7}[.,][0-9]{1,6}")) {
            return seconds(typed);
        }
        if (DIGITS.matcher(typed).matches()) {
            return Long.parseLong(typed);
        }
        if (LABEL.matcher(typed).matches()) {
            String[] fields = {"00", "00", "00", "00"};
            String[] given = typed.split("[:;.]");
            System.arraycopy(given, 0, fields, 4 - given.length, given.length);
            return Timecode.parse(String.join(":", fields), rate, false).frame();
        }
        throw unreadable(text);
    }

    private long seconds(String typed) {
        return rate.fps().times(Rational.parse(typed.replace(',', '.'))).round();
    }

    private Refusal unreadable(String text) {
        String place = switch (unit) {
            case TIMECODE -> "a timecode (01:00:21:07, 21:07 or 2107)";
            case FRAMES -> "frames from the beginning (500), a timecode (21:07)";
            case SECONDS -> "seconds from the beginning (20.5), a timecode (21:07)";
        };
        return new Refusal("\"" + text + "\" is no position: type " + place + ", or a way to go (+12, -1:00, +1.5 seconds)");
    }

    /** Fields that were not typed are those of the beginning. */
    private String filled(String[] given) {
        String[] fields = Timecode.of(start, rate, drop).label().split("[:;]");
        System.arraycopy(given, 0, fields, 4 - given.length, given.length);
        return String.join(":", fields);
    }

    private static String[] pairs(String digits) {
        String even = digits.length() % 2 == 0 ? digits : "0" + digits;
        return even.split("(?<=\\G..)");
    }
}
