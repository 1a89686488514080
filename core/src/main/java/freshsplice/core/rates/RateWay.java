package freshsplice.core.rates;

/** How frames of one rate are shown at another. */
public enum RateWay {
    /** A second stays a second: frames are left out or shown again. */
    REAL_TIME("by real time"),
    /** A frame stays a frame: all goes faster or slower. */
    FRAME_FOR_FRAME("frame for frame");

    private final String words;

    RateWay(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
