package freshsplice.core.motion;

/** How a channel goes from one key to the next. */
public enum Easing {
    /** Evenly. */
    STRAIGHT,
    /** Slowly away and slowly in: 3t² − 2t³. */
    EASED,
    /** Holds its value and jumps at the next key. */
    STEPPED;

    /** @param t 0 at this key, 1 at the next; @return the share of the way gone */
    double share(double t) {
        return switch (this) {
            case STRAIGHT -> t;
            case EASED -> t * t * (3 - 2 * t);
            case STEPPED -> t < 1 ? 0 : 1;
        };
    }
}
