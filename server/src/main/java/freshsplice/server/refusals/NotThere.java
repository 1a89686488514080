package freshsplice.server.refusals;

/** What was asked for does not exist, or not any more. */
public class NotThere extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public NotThere(String message) {
        super(message);
    }
}
