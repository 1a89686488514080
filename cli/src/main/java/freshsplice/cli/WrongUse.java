package freshsplice.cli;

/** The command was called wrongly: the message says how it is called. */
final class WrongUse extends RuntimeException {
    private static final long serialVersionUID = 1L;

    WrongUse(String message) {
        super(message);
    }
}
