package freshsplice.core.delivery;

/** What a render is good for. From the least to the best. */
public enum Grade {
    /** A look before a long run: never counts as its shot's render. */
    TRIAL,
    /** Counts until the final of the same name and timing slips in where it stood. */
    DRAFT,
    FINAL;

    /** Whether it can stand as its shot's render. */
    public boolean counts() {
        return this != TRIAL;
    }
}
