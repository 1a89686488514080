package freshsplice.exchange.compound;

/** The container contradicts itself. The message is part of a sentence. */
public final class CompoundDamage extends RuntimeException {
    private static final long serialVersionUID = 1L;

    CompoundDamage(String message) {
        super(message);
    }
}
