package freshsplice.core.cut;

/**
 * What a reader, a writer or a check has to say about one place.
 *
 * @param severity what it means for the picture
 * @param place    where: a line, an element, an object's id, a shot, a frame
 * @param text     what, and what to do, in a sentence
 * @param about    what it is about, where something else than reading it follows
 */
public record Remark(Severity severity, String place, String text, About about) {
    /** What a remark is about, so that nobody has to look for it in its words. */
    public enum About {
        /** The file does not say its rate: one was guessed. */
        GUESSED_RATE,
        /** Anything that is only to be read. */
        OTHER
    }

    public Remark(Severity severity, String place, String text) {
        this(severity, place, text, About.OTHER);
    }

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

    /** A file does not say its rate. @param text which was guessed, and why */
    public static Remark guessedRate(String place, String text) {
        return new Remark(Severity.DOUBT, place, text, About.GUESSED_RATE);
    }

    public static Remark loss(String place, String text) {
        return new Remark(Severity.LOSS, place, text);
    }
}
