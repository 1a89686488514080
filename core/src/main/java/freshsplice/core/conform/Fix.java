package freshsplice.core.conform;

/** What can be done about a place that a remark points at, besides leaving it as the cut has it. */
public enum Fix {
    /** The frames of a flash are shown by the shot before it. */
    TO_BEFORE("give its frames to the shot before"),
    /** The frames of a flash are shown by the shot after it. */
    TO_AFTER("give its frames to the shot after"),
    /** The shot before a gap goes on over it. */
    HOLD("let the shot before go on over it"),
    /** Of two events that overlap the earlier is seen to its end. */
    EARLIER_WINS("show the earlier one to its end"),
    /** All shots of one board are filmed by one camera. */
    ONE_CAMERA("film them with one camera"),
    /** Shots are made of the lowest picture track alone. */
    LOWEST_TRACK("make shots of the lowest track alone");

    private final String words;

    Fix(String words) {
        this.words = words;
    }

    /** What it does, to stand on a button. */
    public String words() {
        return words;
    }
}
