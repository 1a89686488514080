package freshsplice.core.render;

import freshsplice.core.delivery.RenderRange;
import freshsplice.core.refusal.Refusal;

/**
 * How the pictures of a run are numbered.
 *
 * @param first  the first number; null for the shot's own
 * @param digits how many, filled up with zeros; null for enough
 */
public record FrameNumbers(Long first, Integer digits) {
    public static final FrameNumbers OWN = new FrameNumbers(null, null);
    private static final int MOST_DIGITS = 10;
    /** Three digits do up to 999, from 1000 on four (common practice). */
    private static final int FEWEST_DIGITS = 3;

    public FrameNumbers {
        if (first != null && first < 0) {
            throw new Refusal("Pictures are numbered from 0 on, not from " + first);
        }
        if (digits != null && (digits < 1 || digits > MOST_DIGITS)) {
            throw new Refusal("A number has 1 to " + MOST_DIGITS + " digits, not " + digits);
        }
    }

    /**
     * The numbers of a run.
     *
     * @param first  of its first picture
     * @param step   from one to the next
     * @param count  how many pictures
     * @param digits how many digits each has
     */
    public record Run(long first, long step, long count, int digits) {
        public long number(long frame) {
            return first + frame * step;
        }

        /** As it stands in a file's name. @param frame counted from 0 */
        public String text(long frame) {
            return String.format("%0" + digits + "d", number(frame));
        }
    }

    /**
     * Numbers for a render's frames. Where each shows a shot frame of its own, all by the same step later, they are the shot's frame
     * numbers; else they count on from the first as the movie's timecode does.
     *
     * @throws Refusal if a number is below 0, or has more digits than were asked for
     */
    public Run of(RenderRange range) {
        boolean ownNumbers = range.retimeKeys().isEmpty() && range.speed().isWhole() && range.speed().signum() > 0;
        long step = ownNumbers && first == null ? range.speed().floor() : 1;
        long from = first != null ? first : range.from().floor();
        long last = from + (range.frames() - 1) * step;
        if (from < 0) {
            throw new Refusal("The shot's frame " + from + " is no number for a file: choose a first number");
        }
        int needed = Math.max(FEWEST_DIGITS, String.valueOf(last).length());
        if (digits != null && String.valueOf(last).length() > digits) {
            throw new Refusal("Number " + last + " has more than " + (digits == 1 ? "1 digit" : digits + " digits"));
        }
        return new Run(from, step, range.frames(), digits == null ? needed : digits);
    }
}
