package freshsplice.core.master;

import freshsplice.core.time.FrameRange;

/** Transitions of a cut as transitions at the edges of a clip. */
public final class Transitions {
    private Transitions() {
    }

    /** @param edgeIn the record frame of the cut into the clip; @return null for a plain cut */
    public static Transition head(freshsplice.core.cut.Transition transition, long edgeIn) {
        return transition == null ? null : around(transition, edgeIn);
    }

    /** Only the transition to black is a clip's own tail: any other is the head of the clip after. */
    public static Transition tail(freshsplice.core.cut.Transition transition, FrameRange record, long edgeOut) {
        boolean toBlack = transition != null && edgeOut == record.out() && transition.record().out() == edgeOut;
        return toBlack ? around(transition, edgeOut) : null;
    }

    /** As a change names transitions: equal text, equal transition. */
    public static String describe(Transition transition) {
        return transition == null ? "" : transition.kind().name().toLowerCase(java.util.Locale.ROOT) + " "
                + transition.length() + " at " + transition.before();
    }

    private static Transition around(freshsplice.core.cut.Transition transition, long cut) {
        Transition.Kind kind = transition.kind() == freshsplice.core.cut.Transition.Kind.WIPE ? Transition.Kind.WIPE : Transition.Kind.DISSOLVE;
        return new Transition(kind, Math.max(0, cut - transition.record().in()),
                Math.max(0, transition.record().out() - cut));
    }
}
