package freshsplice.server.steps;

/**
 * Whoever asks for something to be written.
 *
 * @param name as their window says it
 * @param seen the project's number of edits that they had seen; null where nobody says
 */
public record Asker(String name, Long seen) {
    /** The application itself, or somebody whose window says no more. */
    public static Asker named(String name) {
        return new Asker(name, null);
    }
}
