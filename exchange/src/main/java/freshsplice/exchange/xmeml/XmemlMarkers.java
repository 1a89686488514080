package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Marker;
import freshsplice.core.time.FrameRange;
import java.util.Locale;

/** Markers of sequences and of items. */
final class XmemlMarkers {
    private XmemlMarkers() {
    }

    /** @param zero record frame that the marker counts from; @return null where it says no frame */
    static Marker of(XmlNode node, long zero) {
        Long in = node.longOf("in");
        if (in == null || in < 0) {
            return null;
        }
        Long out = node.longOf("out");
        long last = out == null || out <= in ? in + 1 : out;
        return new Marker(FrameRange.of(zero + in, zero + last), node.textOf("name"), node.textOf("comment"),
                colour(node));
    }

    private static String colour(XmlNode node) {
        XmlNode colour = node.child("color");
        if (colour == null) {
            return "";
        }
        if (colour.children.isEmpty()) {
            return colour.text.strip();
        }
        return String.format(Locale.ROOT, "#%02x%02x%02x", part(colour, "red"), part(colour, "green"),
                part(colour, "blue"));
    }

    private static long part(XmlNode colour, String name) {
        Long value = colour.longOf(name);
        return value == null ? 0 : Math.max(0, Math.min(255, value));
    }
}
