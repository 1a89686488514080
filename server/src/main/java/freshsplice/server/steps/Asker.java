package freshsplice.server.steps;

/**
 * Whoever asks for something to be written.
 *
 * @param name as their window says it
 * @param seen the project's number of edits that they had seen; null where nobody says
 * @param confirmed whether they were told what else it does, and want it all the same
 */
public record Asker(String name, Long seen, boolean confirmed) {
    /** The application itself, or somebody whose window says no more. */
    public static Asker named(String name) {
        return new Asker(name, null, false);
    }
}
