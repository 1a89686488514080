package freshsplice.exchange.edl;

import freshsplice.exchange.edl.EdlStatement.Edit;
import java.util.Locale;

/**
 * The transition column: {@code C}, {@code D nnn}, {@code Wxxx nnn}, {@code K B}, {@code K nnn}, {@code K O nnn}.
 *
 * @param kind     what it says
 * @param wipe     the wipe's number as written, else null
 * @param duration frames it lasts
 * @param first    index of its first column
 */
record EdlTransitionColumn(Edit kind, String wipe, int duration, int first) {
    /** Reads the transition that ends at column {@code last}, or null where none does. */
    static EdlTransitionColumn read(String[] columns, int last, int duration) {
        String text = columns[last].toUpperCase(Locale.ROOT);
        if (last > 0 && columns[last - 1].equalsIgnoreCase("K") && (text.equals("B") || text.equals("O"))) {
            return new EdlTransitionColumn(text.equals("B") ? Edit.KEY_BACKGROUND : Edit.KEY_OUT, null, duration,
                    last - 1);
        }
        return switch (text) {
            case "C" -> new EdlTransitionColumn(Edit.CUT, null, 0, last);
            case "KB" -> new EdlTransitionColumn(Edit.KEY_BACKGROUND, null, duration, last);
            case "K" -> new EdlTransitionColumn(Edit.KEY, null, duration, last);
            case "KO" -> new EdlTransitionColumn(Edit.KEY_OUT, null, duration, last);
            default -> lettered(text, last, duration);
        };
    }

    /** {@code D}, {@code D024} or {@code W001}. */
    private static EdlTransitionColumn lettered(String text, int last, int duration) {
        String digits = text.substring(1);
        if (!digits.chars().allMatch(Character::isDigit) || digits.length() > 4) {
            return null;
        }
        return switch (text.charAt(0)) {
            case 'D' -> new EdlTransitionColumn(Edit.DISSOLVE, null,
                    digits.isEmpty() ? duration : Integer.parseInt(digits), last);
            case 'W' -> new EdlTransitionColumn(Edit.WIPE, digits, duration, last);
            default -> null;
        };
    }
}
