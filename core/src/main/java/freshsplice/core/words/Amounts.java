package freshsplice.core.words;

/** Numbers with their nouns, in sentences that people read. */
public final class Amounts {
    private Amounts() {
    }

    /** {@code 0 frames}, {@code 1 frame}, {@code 2 frames}. */
    public static String of(long count, String noun) {
        return of(count, noun, noun + "s");
    }

    /** @param many what stands with every other number than one */
    public static String of(long count, String one, String many) {
        return count + " " + (Math.abs(count) == 1 ? one : many);
    }

    public static String frames(long count) {
        return of(count, "frame");
    }
}
