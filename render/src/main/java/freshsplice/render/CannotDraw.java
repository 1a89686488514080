package freshsplice.render;

/** Pictures cannot be made here: the message says what is missing and what to do. */
public final class CannotDraw extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public CannotDraw(String message) {
        super(message);
    }
}
