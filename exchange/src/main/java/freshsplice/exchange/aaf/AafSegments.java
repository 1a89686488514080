package freshsplice.exchange.aaf;

import java.util.List;

/** Questions about segments that need no clock. */
final class AafSegments {
    private static final int MAX_DEPTH = 100;

    private AafSegments() {
    }

    /** The segment inside sequences of one component. */
    static AafObject alone(AafObject segment) {
        AafObject at = segment;
        for (int i = 0; i < MAX_DEPTH && at != null && at.type == AafClass.SEQUENCE; i++) {
            List<AafObject> parts = at.objects(AafPid.COMPONENTS);
            if (parts.size() != 1) {
                return at;
            }
            at = parts.get(0);
        }
        return at;
    }

    /** Whether a segment shows nothing of its own: black, or what lies below it in its scope, however deep it says so. */
    static boolean isSeeThrough(AafObject segment) {
        return isSeeThrough(segment, 0);
    }

    private static boolean isSeeThrough(AafObject segment, int depth) {
        if (segment == null || depth > MAX_DEPTH) {
            return true;
        }
        return switch (segment.type) {
            case FILLER -> true;
            case SCOPE_REFERENCE -> segment.number(AafPid.RELATIVE_SLOT, 0) == 1;
            case TRANSITION -> true;
            case SEQUENCE -> all(segment.objects(AafPid.COMPONENTS), depth);
            case NESTED_SCOPE -> all(segment.objects(AafPid.SCOPE_SLOTS), depth);
            case OPERATION_GROUP -> segment.has(AafPid.INPUT_SEGMENTS) && all(segment.objects(AafPid.INPUT_SEGMENTS), depth);
            case SELECTOR -> isSeeThrough(segment.object(AafPid.SELECTED), depth + 1) && !segment.has(AafPid.ALTERNATES);
            default -> false;
        };
    }

    private static boolean all(List<AafObject> segments, int depth) {
        return segments.stream().allMatch(s -> isSeeThrough(s, depth + 1));
    }

    /** Whether a segment refers to what lies below it anywhere: black alone does not. */
    static boolean refersBelow(AafObject segment) {
        return refersBelow(segment, 0);
    }

    private static boolean refersBelow(AafObject segment, int depth) {
        if (segment == null || depth > MAX_DEPTH) {
            return false;
        }
        return segment.type == AafClass.SCOPE_REFERENCE || AafReferences.inside(segment).stream()
                .anyMatch(s -> refersBelow(s, depth + 1));
    }

    /** The first clip that a segment shows; null where it shows none. */
    static AafObject firstClip(AafObject segment) {
        return firstClip(segment, 0);
    }

    private static AafObject firstClip(AafObject segment, int depth) {
        if (segment == null || depth > MAX_DEPTH || segment.type == AafClass.SOURCE_CLIP) {
            return segment;
        }
        for (AafObject inner : AafReferences.inside(segment)) {
            AafObject found = firstClip(inner, depth + 1);
            if (found != null && found.type == AafClass.SOURCE_CLIP) {
                return found;
            }
        }
        return null;
    }
}
