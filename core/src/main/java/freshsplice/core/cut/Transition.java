package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;

/**
 * The transition from one event of a track to the next, or from or to black.
 *
 * @param kind   how it passes
 * @param record the record frames it lasts
 * @param cut    the record frame where the edit says the cut is; the middle, rounded down, where it does not say
 * @param wipe   the wipe's number as written ("001"), else null
 */
public record Transition(Kind kind, FrameRange record, long cut, String wipe) {
    public enum Kind {
        DISSOLVE, WIPE;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** A transition whose cut is not told. */
    public static Transition centred(Kind kind, FrameRange record, String wipe) {
        return new Transition(kind, record, record.in() + record.length() / 2, wipe);
    }
}
