package freshsplice.core.master;

/** How the content of a clip goes on from one key of its speed to the next. */
public enum RetimeInterpolation {
    /** Evenly. */
    STRAIGHT,
    /** Slowly away and slowly in: 3t² − 2t³. */
    EASED,
    /** Holds its frame and jumps at the next key. */
    STEPPED
}
