package freshsplice.exchange.aaf;

import freshsplice.core.cut.Remark;
import java.util.ArrayList;
import java.util.List;

/**
 * Which inputs of an effect are pictures of their own. Inputs that only refer to the track below are what the effect lies
 * over; a second slot of the mob whose picture came before it is that picture's matte (common practice).
 *
 * @param inputs what is left, the lowest first
 * @param over   whether there were inputs that only refer to what is below
 */
record AafEffect(List<AafObject> inputs, boolean over) {
    /** @param all the effect's inputs in their order */
    static AafEffect of(List<AafObject> all, List<Remark> remarks, String place) {
        List<AafObject> kept = new ArrayList<>();
        boolean over = false;
        for (AafObject input : all) {
            if (AafSegments.isSeeThrough(input)) {
                over |= AafSegments.refersBelow(input);
            } else if (isMatte(input, kept)) {
                remarks.add(Remark.note(place, "A matte of the picture before it is not carried"));
            } else {
                kept.add(input);
            }
        }
        return new AafEffect(kept, over);
    }

    private static boolean isMatte(AafObject input, List<AafObject> before) {
        if (AafIds.MATTE.equals(input.definition(AafPid.DATA_DEFINITION))) {
            return true;
        }
        AafObject clip = AafSegments.firstClip(input);
        String mob = clip == null ? null : clip.mobId(AafPid.SOURCE_ID);
        if (mob == null || AafChains.isNone(mob)) {
            return false;
        }
        long slot = clip.number(AafPid.SOURCE_SLOT, 0);
        return before.stream().map(AafSegments::firstClip).anyMatch(c -> c != null
                && mob.equals(c.mobId(AafPid.SOURCE_ID)) && c.number(AafPid.SOURCE_SLOT, 0) != slot);
    }
}
