package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;

/**
 * A frame and its label at a rate. Label → frame → label is the identity for every frame of a day.
 * Drop-frame counting skips labels, never frames (SMPTE ST 12-1): the first two of each minute but every tenth at
 * 30000/1001, the first four at 60000/1001.
 *
 * @param frame frames since 00:00:00:00, of any size; the label wraps after a day
 * @param rate  the rate counted at
 * @param drop  drop-frame counting
 */
public record Timecode(long frame, FrameRate rate, boolean drop) {
    /** Most digits of hours, minutes, seconds and frames. */
    private static final int USUAL_LENGTH = 11;
    private static final int[] DIGITS = {2, 2, 2, 3};

    public Timecode {
        if (drop && !rate.hasDropFrame()) {
            throw new Refusal(
                    "Drop-frame timecode exists at 30000/1001 and 60000/1001 frames/s only, not at " + rate);
        }
    }

    public static Timecode of(long frame, FrameRate rate, boolean drop) {
        return new Timecode(frame, rate, drop);
    }

    /** Whether the text has the form of a label, whatever its numbers. */
    public static boolean looksLikeLabel(String text) {
        return fields(text) != null;
    }

    /**
     * Hours, minutes, seconds and frames of a label; null where the text is none. Separators are colons, the last one
     * also a semicolon, comma or point. Long lists hold hundreds of thousands of labels: each is looked at once.
     */
    public static int[] fields(String text) {
        return text.length() == USUAL_LENGTH ? usualFields(text) : anyFields(text);
    }

    /** HH:MM:SS:FF with two digits each: nearly every label there is. */
    private static int[] usualFields(String text) {
        char last = text.charAt(8);
        if (text.charAt(2) != ':' || text.charAt(5) != ':' || last != ':' && last != ';' && last != '.' && last != ',') {
            return anyFields(text);
        }
        int hours = twoDigits(text, 0);
        int minutes = twoDigits(text, 3);
        int seconds = twoDigits(text, 6);
        int frames = twoDigits(text, 9);
        return (hours | minutes | seconds | frames) < 0 ? null : new int[] {hours, minutes, seconds, frames};
    }

    private static int twoDigits(String text, int at) {
        int tens = text.charAt(at) - '0';
        int ones = text.charAt(at + 1) - '0';
        return tens < 0 || tens > 9 || ones < 0 || ones > 9 ? -1 : tens * 10 + ones;
    }

    private static int[] anyFields(String text) {
        int[] fields = new int[4];
        int at = 0;
        for (int i = 0; i < 4; i++) {
            int from = at;
            while (at < text.length() && at - from < DIGITS[i] && isDigit(text.charAt(at))) {
                fields[i] = fields[i] * 10 + text.charAt(at++) - '0';
            }
            boolean separated = i == 3 ? at == text.length()
                    : at < text.length() && (text.charAt(at) == ':' || i == 2 && ";.,".indexOf(text.charAt(at)) >= 0);
            if (at == from || !separated) {
                return null;
            }
            at++;
        }
        return fields;
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }

    /** Whether the label is written in the drop-frame way, with a semicolon or comma before the frames. */
    public static boolean isWrittenDrop(String label) {
        return label.indexOf(';') >= 0 || label.indexOf(',') >= 0;
    }

    /** The number after the last separator, or −1 where the text is no label. */
    public static int frameField(String label) {
        int[] fields = fields(label);
        return fields == null ? -1 : fields[3];
    }

    /**
     * Reads a label. How it counts is given, not read from its separators: lists write drop-frame both ways.
     *
     * @throws IllegalArgumentException if the text is no label, a field is past its range, or drop-frame counting
     *                                  skips it; the message says which
     */
    public static Timecode parse(String label, FrameRate rate, boolean drop) {
        int[] fields = fields(label.strip());
        if (fields == null) {
            throw new Refusal("\"" + label + "\" is not a timecode (HH:MM:SS:FF)");
        }
        int hours = fields[0];
        int minutes = fields[1];
        int seconds = fields[2];
        int frames = fields[3];
        int base = rate.timecodeBase();
        if (hours > 24 || hours == 24 && (minutes | seconds | frames) != 0) {
            throw new Refusal(label + " is past the day: hours run from 00 to 23");
        }
        if (minutes > 59 || seconds > 59) {
            throw new Refusal(label + " is not a timecode: minutes and seconds run from 00 to 59");
        }
        if (frames >= base) {
            throw new Refusal(label + " is not a timecode at " + rate
                    + " frames/s: frames run from 00 to " + (base - 1));
        }
        long labelled = ((hours * 60L + minutes) * 60 + seconds) * base + frames;
        if (!drop) {
            return new Timecode(labelled, rate, false);
        }
        int skipped = skippedPerMinute(rate);
        if (minutes % 10 != 0 && seconds == 0 && frames < skipped) {
            throw new Refusal(label + " does not exist in drop-frame timecode: minute "
                    + two(minutes) + " begins at " + (skipped == 2 ? ";02" : ";04"));
        }
        long minutesInAll = hours * 60L + minutes;
        return new Timecode(labelled - skipped * (minutesInAll - minutesInAll / 10), rate, true);
    }

    /** Frames in 24 hours of labels: 2 589 408 at 30000/1001 drop-frame. */
    public static long framesPerDay(FrameRate rate, boolean drop) {
        long all = 24L * 3600 * rate.timecodeBase();
        return drop ? all - skippedPerMinute(rate) * (24L * 60 - 24 * 6) : all;
    }

    /** The label, {@code HH:MM:SS:FF}, or {@code HH:MM:SS;FF} in drop-frame. */
    public String label() {
        int base = rate.timecodeBase();
        long n = Math.floorMod(frame, framesPerDay(rate, drop));
        if (drop) {
            n += skippedLabelsBefore(n, base, skippedPerMinute(rate));
        }
        long seconds = n / base;
        return two(seconds / 3600) + ':' + two(seconds / 60 % 60) + ':' + two(seconds % 60) + (drop ? ';' : ':')
                + (base > 100 ? Long.toString(n % base) : two(n % base));
    }

    @Override
    public String toString() {
        return label();
    }

    private static long skippedLabelsBefore(long frame, int base, int skipped) {
        long perMinute = base * 60L - skipped;
        long perTenMinutes = base * 600L - 9L * skipped;
        long tens = frame / perTenMinutes;
        long rest = frame % perTenMinutes;
        long minutes = rest < base * 60L ? 0 : 1 + (rest - base * 60L) / perMinute;
        return skipped * (tens * 9 + minutes);
    }

    /** How many labels drop-frame counting leaves out of each minute but every tenth. */
    static int skippedPerMinute(FrameRate rate) {
        return rate.timecodeBase() / 15;
    }

    private static String two(long n) {
        return n < 10 ? "0" + n : Long.toString(n);
    }
}
