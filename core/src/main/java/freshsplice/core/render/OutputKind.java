package freshsplice.core.render;

/** Kinds of files that a render is written into. */
public enum OutputKind {
    H264("H.264", "mp4", 8, false),
    PRORES("ProRes", "mov", 10, true),
    VC3("VC-3", "mov", 8, false),
    PNG8("PNG", "png", 8, true),
    PNG16("PNG 16 bit", "png", 16, true),
    JPEG("JPEG", "jpg", 8, false),
    TIFF("TIFF", "tif", 8, true),
    /** Scene-linear half floats, as OpenEXR has them. */
    EXR("EXR", "exr", 16, true);

    private final String word;
    private final String ending;
    private final int bits;
    private final boolean alpha;

    OutputKind(String word, String ending, int bits, boolean alpha) {
        this.word = word;
        this.ending = ending;
        this.bits = bits;
        this.alpha = alpha;
    }

    /** As people call it. */
    public String word() {
        return word;
    }

    /** Of its files, without the dot. */
    public String ending() {
        return ending;
    }

    /** Of each colour, that pictures are to be drawn with for it. */
    public int bits() {
        return bits > 10 ? 16 : 8;
    }

    /** Whether it is one movie; else a run of numbered pictures. */
    public boolean isMovie() {
        return this == H264 || this == PRORES || this == VC3;
    }

    /** Whether its pictures can leave the sky out. */
    public boolean canLeaveSkyOut() {
        return alpha;
    }

    /** Whether both its sides must be even, because it halves the colour in both; ProRes and VC-3 halve it in one. */
    public boolean wantsEvenHeight() {
        return this == H264;
    }

    /** Whether its width must be even. */
    public boolean wantsEvenWidth() {
        return isMovie();
    }
}
