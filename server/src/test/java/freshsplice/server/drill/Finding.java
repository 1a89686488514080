package freshsplice.server.drill;

/** Something that must not be. */
final class Finding extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** @param what must hold and does not, in a word: weeks that fail by the same word are taken for one fault */
    Finding(String what, String message) {
        super(what + ": " + message);
        this.what = what;
    }

    private final String what;

    String what() {
        return what;
    }
}
