package freshsplice.core.cut;

/**
 * What a reader, a writer or a check has to say about one place.
 *
 * @param severity what it means for the picture
 * @param place    where: a line, an element, an object's id, a shot, a frame
 * @param text     what, and what to do, in a sentence
 */
public record Remark(Severity severity, String place, String text) {
    public enum Severity {
        /** Nothing is lost for the picture. */
        NOTE,
        /** Read one of two possible ways: the text says which, and how to choose the other. */
        DOUBT,
        /** The picture would differ. */
        LOSS;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public static Remark note(String place, String text) {
        return new Remark(Severity.NOTE, place, text);
    }

    public static Remark doubt(String place, String text) {
        return new Remark(Severity.DOUBT, place, text);
    }

    public static Remark loss(String place, String text) {
        return new Remark(Severity.LOSS, place, text);
    }
}
