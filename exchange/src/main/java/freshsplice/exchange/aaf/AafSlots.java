package freshsplice.exchange.aaf;

import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;

/** What slots say: their edit rate, origin and kind. */
final class AafSlots {
    private AafSlots() {
    }

    /** The rate that positions in a slot count at; null where it has none. */
    static FrameRate rate(AafObject slot) {
        int pid = slot.type == AafClass.EVENT_MOB_SLOT ? AafPid.EVENT_EDIT_RATE : AafPid.EDIT_RATE;
        Rational rate = slot.rational(pid);
        if (rate == null || rate.signum() <= 0 || rate.compareTo(Rational.of(1_000_000)) > 0) {
            return null;
        }
        return FrameRate.meant(rate);
    }

    static AafObject byId(AafObject mob, long id) {
        List<AafObject> slots = mob.objects(AafPid.SLOTS);
        return slots.stream().filter(s -> s.number(AafPid.SLOT_ID, -1) == id).findFirst().orElse(null);
    }

    /** The first timecode of a mob, and the rate of the slot that it is in; null where it has none. */
    static StartTimecode timecode(AafObject mob) {
        StartTimecode first = null;
        for (AafObject slot : mob.objects(AafPid.SLOTS)) {
            AafObject segment = slot.object(AafPid.SEGMENT);
            AafObject timecode = firstTimecode(segment, 0);
            FrameRate rate = rate(slot);
            if (timecode != null && rate != null) {
                StartTimecode coded = new StartTimecode(timecode.number(AafPid.TIMECODE_START, 0)
                        - slot.number(AafPid.ORIGIN, 0), timecode.number(AafPid.TIMECODE_FPS, 0),
                        timecode.flag(AafPid.TIMECODE_DROP), rate);
                if (slot.number(AafPid.PHYSICAL_TRACK, 0) == 1) {
                    return coded;
                }
                first = first == null ? coded : first;
            }
        }
        return first;
    }

    private static AafObject firstTimecode(AafObject segment, int depth) {
        if (segment == null || depth > 4) {
            return null;
        }
        if (segment.type == AafClass.TIMECODE) {
            return segment;
        }
        if (segment.type == AafClass.SEQUENCE) {
            for (AafObject component : segment.objects(AafPid.COMPONENTS)) {
                AafObject found = firstTimecode(component, depth + 1);
                if (found != null) {
                    return found;
                }
            }
        }
        return null;
    }

    /**
     * A timecode track.
     *
     * @param start frame of its slot's position 0
     * @param fps   frames in a labelled second
     * @param rate  edit rate of its slot
     */
    record StartTimecode(long start, long fps, boolean drop, FrameRate rate) {
    }
}
