package freshsplice.core.cut;

/**
 * What a file says about a thing and no field here carries, in the file's own form, so that a writer of the same
 * format can write it back untouched. Nothing else reads it.
 *
 * @param format the format's name, as its reader gives it
 * @param text   the format's own text
 */
public record FormatNote(String format, String text) {
    /** The text, where it is of this format; else null. */
    public static String of(FormatNote kept, String format) {
        return kept != null && kept.format.equals(format) ? kept.text : null;
    }
}
