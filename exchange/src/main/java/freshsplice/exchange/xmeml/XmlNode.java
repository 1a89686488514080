package freshsplice.exchange.xmeml;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** A small part of the file as a tree: one clip item, one marker, one rate. Never the whole. */
final class XmlNode {
    /** A thousand years at 30 frames/s. */
    private static final double MOST = 1e12;

    final String name;
    final int line;
    final Map<String, String> attributes = new TreeMap<>();
    final List<XmlNode> children = new ArrayList<>(4);
    String text = "";
    /** The sequence told inside this element, in full or by its id; else null. */
    XmemlSequence sequence;

    XmlNode(String name, int line) {
        this.name = name;
        this.line = line;
    }

    /** The first child of that name; null where there is none. */
    XmlNode child(String childName) {
        for (XmlNode child : children) {
            if (child.name.equals(childName)) {
                return child;
            }
        }
        return null;
    }

    /** The node at the end of the names; null where the way ends. */
    XmlNode at(String... names) {
        XmlNode node = this;
        for (String next : names) {
            node = node == null ? null : node.child(next);
        }
        return node;
    }

    List<XmlNode> all(String childName) {
        return children.stream().filter(c -> c.name.equals(childName)).toList();
    }

    /** The text of a child, without space around it; empty where there is none. */
    String textOf(String... names) {
        XmlNode node = at(names);
        return node == null ? "" : node.text.strip();
    }

    /**
     * A whole number, also where it is written with a decimal point; null where there is none, it is no number, or
     * more than any count of frames.
     */
    Long longOf(String... names) {
        String written = textOf(names);
        if (written.isEmpty() || written.length() > 40) {
            return null;
        }
        try {
            double value = Double.parseDouble(written);
            return Math.abs(value) < MOST ? (Long) Math.round(value) : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }

    /** @return what is written there; {@code otherwise} where nothing is */
    boolean flag(boolean otherwise, String... names) {
        String written = textOf(names);
        return written.isEmpty() ? otherwise : written.equalsIgnoreCase("TRUE") || written.equals("1");
    }

    /** This element as it would be written. */
    void write(StringBuilder out) {
        out.append('<').append(name);
        attributes.forEach((key, value) -> out.append(' ').append(key).append("=\"").append(escaped(value)).append('"'));
        if (children.isEmpty() && text.isBlank()) {
            out.append("/>");
            return;
        }
        out.append('>');
        if (children.isEmpty()) {
            out.append(escaped(text.strip()));
        }
        children.forEach(child -> child.write(out));
        out.append("</").append(name).append('>');
    }

    /** Text as it stands in a file; characters that XML cannot hold at all are left out. */
    static String escaped(String text) {
        StringBuilder out = new StringBuilder(text.length() + 8);
        text.codePoints().forEach(c -> {
            switch (c) {
                case '&' -> out.append("&amp;");
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '"' -> out.append("&quot;");
                default -> {
                    boolean legal = c == '\t' || c == '\n' || c >= 0x20 && c <= 0xD7FF || c >= 0xE000 && c <= 0xFFFD
                            || c >= 0x10000;
                    if (legal) {
                        out.appendCodePoint(c);
                    }
                }
            }
        });
        return out.toString();
    }
}
