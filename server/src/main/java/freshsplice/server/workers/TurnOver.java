package freshsplice.server.workers;

/** A machine asks for what is not its own any more: it begins anew. */
public class TurnOver extends RuntimeException {
    private static final long serialVersionUID = 1;

    TurnOver(String message) {
        super(message);
    }
}
