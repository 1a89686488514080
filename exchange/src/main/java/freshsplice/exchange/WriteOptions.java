package freshsplice.exchange;

/**
 * How a cut is to be written.
 *
 * @param lane       the one picture lane to write; null for the live picture of all
 * @param shortReels reel names of at most eight letters and digits, as old readers need
 */
public record WriteOptions(String lane, boolean shortReels) {
    public static final WriteOptions DEFAULT = new WriteOptions(null, false);
}
