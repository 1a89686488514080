package freshsplice.server.drill;

import java.util.function.Supplier;

/** Something that must not be. */
final class Finding extends RuntimeException {
    private static final long serialVersionUID = 1;
    private static final int TRIES = 4;

    /** @param what must hold and does not, in a word: weeks that fail by the same word are taken for one fault */
    Finding(String what, String message) {
        super(what + ": " + message);
        this.what = what;
    }

    /**
     * Compares what is told twice, some times over: a render that ends between two questions changes what is told.
     *
     * @param difference where the two differ; empty where they do not
     * @throws Finding if they differ each time
     */
    static void unlessEqual(String what, Supplier<String> difference) {
        String found = "";
        for (int i = 0; i < TRIES; i++) {
            found = difference.get();
            if (found.isEmpty()) {
                return;
            }
        }
        throw new Finding(what, found);
    }

    private final String what;

    String what() {
        return what;
    }
}
