package freshsplice.exchange.otio;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** One thing of a timeline as the file tells it, with what a cut needs; the rest is kept as JSON. */
final class OtioItem {
    /** @param range the marked frames in the item's own time */
    record OtioMarker(OtioTime.Range range, String name, String comment, String colour) {
    }

    /**
     * What a clip shows.
     *
     * @param schema external, image sequence, generator, missing, by the name of its schema
     * @param file   plain path or address; null where it has none
     * @param words  what a generator writes into the picture; null where it tells none
     */
    record Media(String schema, String name, String file, OtioTime.Range available, String generator, String words) {
    }

    /** Under this name a generator's parameters tell what it writes into the picture (ours; the format names none). */
    static final String TEXT = "text";

    String schema = "";
    int version;
    /** Where it is in the file. */
    String place = "";
    String name = "";
    boolean enabled = true;
    OtioTime.Range sourceRange;
    /** Product of its time warps; null where it has none. */
    Rational warp;
    boolean frozen;
    final List<OtioMarker> markers = new ArrayList<>();
    Media media;
    String reel;
    List<String> comments = List.of();
    OtioTime inOffset;
    OtioTime outOffset;
    String transitionType = "";
    String trackKind = "";
    List<OtioItem> children = List.of();
    /** A timeline's stack. */
    OtioItem tracks;
    OtioTime globalStart;
    /** What else is told of it, as JSON; null where nothing is. */
    String kept;

    boolean is(String name) {
        return schema.equals(name);
    }

    /** Whether it takes time of its own in a track. */
    boolean takesTime() {
        return is("Clip") || is("Gap") || is("Stack") || is("Track") || is("Timeline");
    }

    static String schemaName(Object written) {
        String text = String.valueOf(written);
        int dot = text.lastIndexOf('.');
        String name = dot > 0 ? text.substring(0, dot) : text;
        return switch (name) {
            case "Filler" -> "Gap";
            case "Sequence" -> "Track";
            case "SerializeableCollection" -> "SerializableCollection";
            default -> name;
        };
    }

    static int schemaVersion(Object written) {
        String text = String.valueOf(written);
        String digits = text.substring(text.lastIndexOf('.') + 1);
        return digits.matches("\\d{1,4}") ? Integer.parseInt(digits) : 0;
    }

    static String text(Map<String, Object> map, String key) {
        return map.get(key) instanceof String s ? s : "";
    }
}
