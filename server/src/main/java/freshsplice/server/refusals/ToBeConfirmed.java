package freshsplice.server.refusals;

/**
 * What was asked for does more than may be meant: the message says what, in a sentence for people. It is done when the same is asked
 * for again, confirmed.
 */
public class ToBeConfirmed extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public ToBeConfirmed(String message) {
        super(message);
    }
}
