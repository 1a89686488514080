package freshsplice.exchange.aaf;

import freshsplice.core.cut.Marker;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** Remarks that the edit room left at frames: events with a position in the event slots of a mob. */
final class AafMarkers {
    /** Red, green and blue, each of two bytes. */
    private static final int RGB_BYTES = 6;

    private AafMarkers() {
    }

    /** @param start record frame of position 0 */
    static List<Marker> of(AafObject mob, FrameRate cutRate, long start) {
        List<Marker> markers = new ArrayList<>();
        for (AafObject slot : mob.objects(AafPid.SLOTS)) {
            FrameRate rate = slot.type == AafClass.EVENT_MOB_SLOT ? AafSlots.rate(slot) : null;
            AafObject segment = rate == null ? null : slot.object(AafPid.SEGMENT);
            if (segment == null) {
                continue;
            }
            List<AafObject> all = segment.type == AafClass.SEQUENCE ? segment.objects(AafPid.COMPONENTS)
                    : List.of(segment);
            all.stream().filter(m -> m.has(AafPid.POSITION))
                    .forEach(m -> markers.add(marker(m, rate.framesOf(cutRate), start)));
        }
        markers.sort(Comparator.comparingLong(m -> m.record().in()));
        return markers;
    }

    private static Marker marker(AafObject marker, Rational step, long start) {
        long at = start + step.times(marker.number(AafPid.POSITION, 0)).floor();
        long length = Math.max(1, step.times(Math.max(1, marker.number(AafPid.LENGTH, 1))).round());
        String comment = marker.text(AafPid.COMMENT);
        return new Marker(FrameRange.ofLength(at, length), "", comment == null ? "" : comment, colour(marker));
    }

    /**
     * The colour's name where any list of tags tells one, else its parts as {@code #rrggbb}; empty where neither is
     * told. Writers keep both in properties of their own, whose numbers differ from file to file.
     */
    private static String colour(AafObject marker) {
        for (AafObject tag : marker.tags()) {
            String name = String.valueOf(tag.text(AafPid.TAG_NAME)).toLowerCase(Locale.ROOT);
            if ((name.contains("color") || name.contains("colour"))
                    && tag.typed(AafPid.TAG_VALUE) instanceof String s && !s.isBlank()) {
                return s;
            }
        }
        int[] parts = marker.ownWords(RGB_BYTES);
        return parts == null ? "" : String.format("#%02x%02x%02x", parts[0] >> 8, parts[1] >> 8, parts[2] >> 8);
    }
}
