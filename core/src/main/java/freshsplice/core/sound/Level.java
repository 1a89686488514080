package freshsplice.core.sound;

import freshsplice.core.refusal.Refusal;

/** Levels of sound. A level is in decibels of amplitude: 20·log10 of the factor; −6.02 dB is half (textbook). */
public final class Level {
    /** Louder than this is a slip of the hand. */
    public static final double LOUDEST = 12;
    /** From here down it is silence. */
    public static final double SILENT = -60;

    private Level() {
    }

    /** The factor of a level. */
    public static double factor(double decibels) {
        return decibels <= SILENT ? 0 : Math.pow(10, Math.min(LOUDEST, decibels) / 20);
    }

    /** @throws IllegalArgumentException if it is no level, or too loud */
    public static double checked(double decibels) {
        if (!(decibels <= LOUDEST) || decibels < -200) {
            throw new Refusal("A level is " + (int) SILENT + " (silence) to " + (int) LOUDEST
                    + " decibels, not " + decibels);
        }
        return decibels;
    }

    /**
     * What of a clip is heard.
     *
     * @param muted   its track is muted
     * @param solo    its track is heard alone
     * @param anySolo any track is: the others are then silent
     */
    public static double heard(boolean muted, boolean solo, boolean anySolo, double decibels) {
        return muted || anySolo && !solo ? 0 : factor(decibels);
    }
}
