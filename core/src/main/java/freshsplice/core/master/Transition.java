package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;

/**
 * A dissolve or wipe around a cut.
 *
 * @param kind   dissolve or wipe
 * @param before frames before the cut
 * @param after  frames after it
 * @param curve  how the share of the incoming picture rises
 */
public record Transition(Kind kind, long before, long after, Curve curve) {
    /** How one picture gives way to the other. */
    public enum Kind { DISSOLVE, WIPE }

    /** How the share rises from nothing to all. */
    public enum Curve {
        /** In even steps. */
        EVEN,
        /** Slowly at both ends: 3t² − 2t³. */
        EASED,
        /** Slowly at first: t². */
        LATE,
        /** Quickly at first: 1 − (1 − t)². */
        EARLY;

        /** @param t 0 to 1; @return the share, 0 to 1 */
        double share(double t) {
            return switch (this) {
                case EVEN -> t;
                case EASED -> t * t * (3 - 2 * t);
                case LATE -> t * t;
                case EARLY -> t * (2 - t);
            };
        }
    }

    public Transition {
        if (before < 0 || after < 0 || before + after == 0) {
            throw new Refusal("A transition lasts at least one frame");
        }
    }

    /** One whose share rises in even steps. */
    public Transition(Kind kind, long before, long after) {
        this(kind, before, after, Curve.EVEN);
    }

    public long length() {
        return before + after;
    }

    /**
     * The share of the incoming picture at a frame of the transition. The steps begin and end just inside it, so that each
     * of its frames is a mixture: frame k of n stands at (k + 1) / (n + 1) of the curve.
     */
    public double share(long frame) {
        return curve.share((frame + 1.0) / (length() + 1.0));
    }
}
