package freshsplice.exchange.format;

/**
 * How much a reader takes from a hostile file before it refuses.
 *
 * @param maxBytes  size of the file
 * @param maxEvents events in all its cuts
 * @param maxDepth  levels of nesting
 */
public record Limits(long maxBytes, int maxEvents, int maxDepth) {
    public static final Limits DEFAULT = new Limits(512_000_000, 1_000_000, 64);
}
