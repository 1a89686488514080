package freshsplice.exchange.aaf;

/** A place in the file contradicts itself. The reader turns it into a sentence with the file's name. */
final class AafDamage extends RuntimeException {
    private static final long serialVersionUID = 1L;

    AafDamage(String message) {
        super(message);
    }
}
