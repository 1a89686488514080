package freshsplice.core.master;

import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;

/** Transitions of a cut as passages at the edges of a section. */
public final class Passages {
    private Passages() {
    }

    /** @param edgeIn the record frame of the cut into the section; @return null for a plain cut */
    public static Passage head(Transition transition, long edgeIn) {
        return transition == null ? null : around(transition, edgeIn);
    }

    /** Only the passage to black is a section's own tail: any other is the head of the section after. */
    public static Passage tail(Transition transition, FrameRange record, long edgeOut) {
        boolean toBlack = transition != null && edgeOut == record.out() && transition.record().out() == edgeOut;
        return toBlack ? around(transition, edgeOut) : null;
    }

    /** As a change names transitions: equal text, equal passage. */
    public static String describe(Passage passage) {
        return passage == null ? "" : passage.kind().name().toLowerCase(java.util.Locale.ROOT) + " "
                + passage.length() + " at " + passage.before();
    }

    private static Passage around(Transition transition, long cut) {
        Passage.Kind kind = transition.kind() == Transition.Kind.WIPE ? Passage.Kind.WIPE : Passage.Kind.DISSOLVE;
        return new Passage(kind, Math.max(0, cut - transition.record().in()),
                Math.max(0, transition.record().out() - cut));
    }
}
