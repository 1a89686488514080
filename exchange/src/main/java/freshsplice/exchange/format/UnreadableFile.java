package freshsplice.exchange.format;

/** A file cannot be read or written: the message says where, why and what to do, in one line for people. */
public final class UnreadableFile extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public UnreadableFile(String message) {
        super(message);
    }
}
