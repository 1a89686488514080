package freshsplice.core.render;

import freshsplice.core.refusal.Refusal;

/**
 * One kind of files that a render is written into.
 *
 * @param on       whether it is written; one that is switched off keeps its settings
 * @param quality  1 to 100, seen by H.264 and JPEG alone
 * @param mostMb   that a movie may be large, in megabytes of 1 000 000 bytes, reached by two passes; null for no limit. H.264 alone
 * @param alpha    whether the sky is left out
 */
public record Output(OutputKind kind, boolean on, int quality, Integer mostMb, boolean alpha, FrameNumbers numbering) {
    public static final int USUAL_QUALITY = 80;

    public Output {
        if (quality < 1 || quality > 100) {
            throw new Refusal("Quality goes from 1 to 100, not " + quality);
        }
        if (mostMb != null && (mostMb < 1 || kind != OutputKind.H264)) {
            throw new Refusal(kind == OutputKind.H264 ? "A movie needs at least 1 MB" : kind.word() + " has no limit of size");
        }
        if (alpha && !kind.canLeaveSkyOut()) {
            throw new Refusal(kind.word() + " cannot leave the sky out");
        }
        numbering = numbering == null ? FrameNumbers.OWN : numbering;
    }

    public static Output of(OutputKind kind) {
        return new Output(kind, true, USUAL_QUALITY, null, false, FrameNumbers.OWN);
    }

    public Output switchedOff() {
        return new Output(kind, false, quality, mostMb, alpha, numbering);
    }
}
