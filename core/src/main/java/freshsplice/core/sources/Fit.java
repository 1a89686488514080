package freshsplice.core.sources;

/** How a file was found for a clip, the surest first. Each way by name leaves aside what the ways before it do, too. */
public enum Fit {
    CHOSEN("chosen by hand", false),
    PATH("by its full path", false),
    NAME("by its name", false),
    CASE("by name, case left aside", false),
    SPELLING("by name, accents and punctuation left aside", false),
    ENDING("by name, ending left aside", false),
    NUMBERING("by name, numbering left aside", true),
    VERSION("by name, version left aside", true),
    REEL_AND_TIME("by reel and timecode", false),
    CHECKSUM("by size and checksum", false),
    REEL("by reel alone", true);

    private final String words;
    private final boolean doubtful;

    Fit(String words, boolean doubtful) {
        this.words = words;
        this.doubtful = doubtful;
    }

    public String words() {
        return words;
    }

    /** Whether somebody should look at it. */
    public boolean isDoubtful() {
        return doubtful;
    }
}
