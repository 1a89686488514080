package freshsplice.core.render;

import freshsplice.core.refusal.Refusal;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

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

    private static final int VC3_WIDTH = 256;
    private static final int VC3_HEIGHT = 120;
    /** Movies, the best for an edit room first. */
    private static final List<OutputKind> DELIVERED = List.of(PRORES, VC3, H264);

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

    /** Of the movies that a render was written into, the one that a list which is handed back points at; empty where none is a movie. */
    public static Optional<OutputKind> delivered(Collection<OutputKind> written) {
        return DELIVERED.stream().filter(written::contains).findFirst();
    }

    /** Whether its pictures can leave the sky out. */
    public boolean canLeaveSkyOut() {
        return alpha;
    }

    /**
     * ProRes and VC-3 halve the colour in one direction, H.264 in both: what is halved is even. ffmpeg's encoder of VC-3 takes no less
     * than 256 x 120 (its own error, seen).
     *
     * @throws Refusal if pictures of this size cannot be written into it, with one that can
     */
    public void check(int width, int height) {
        if (isMovie()) {
            even(width, "wide");
        }
        if (this == H264) {
            even(height, "high");
        }
        if (this == VC3 && (width < VC3_WIDTH || height < VC3_HEIGHT)) {
            throw new Refusal(word + " needs at least " + VC3_WIDTH + " x " + VC3_HEIGHT + " pixels, not " + width + " x " + height);
        }
    }

    private void even(int pixels, String side) {
        if (pixels % 2 != 0) {
            throw new Refusal(word + " needs an even number of pixels " + side + ": " + (pixels - 1) + " or " + (pixels + 1) + ", not " + pixels);
        }
    }
}
