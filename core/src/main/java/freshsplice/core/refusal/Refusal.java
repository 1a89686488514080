package freshsplice.core.refusal;

/**
 * What was asked for cannot be, and the message says to a person what, where and why. Anything else that is thrown is a
 * fault of the program.
 */
public class Refusal extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    /** @param message a sentence for whoever asked */
    public Refusal(String message) {
        super(message);
    }
}
