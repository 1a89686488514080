package freshsplice.core.master.edit;

/** What an edit that changes a length does to all that follows on its track. */
public enum Following {
    /** It moves along by as many frames: a ripple. */
    MOVES_ALONG,
    /** It stays where it is: the edit takes from a gap, or leaves one. */
    STAYS;

    public static Following of(boolean ripple) {
        return ripple ? MOVES_ALONG : STAYS;
    }
}
