package freshsplice.exchange.xmeml;

/** Writes elements one below the other, indented. */
final class XmlText {
    private final StringBuilder out = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n"
            + "<!DOCTYPE xmeml>\n");
    private int depth;

    /** Opens an element, writes what is in it, closes it. */
    void element(String name, String attributes, Runnable inside) {
        indent().append('<').append(name).append(attributes).append(">\n");
        depth++;
        inside.run();
        depth--;
        indent().append("</").append(name).append(">\n");
    }

    void element(String name, Runnable inside) {
        element(name, "", inside);
    }

    /** An element that only refers to one told before. */
    void reference(String name, String id) {
        indent().append('<').append(name).append(id(id)).append("/>\n");
    }

    static String id(String id) {
        return " id=\"" + XmlNode.escaped(id) + "\"";
    }

    void text(String name, Object value) {
        indent().append('<').append(name).append('>').append(XmlNode.escaped(String.valueOf(value))).append("</")
                .append(name).append(">\n");
    }

    void flag(String name, boolean value) {
        text(name, value ? "TRUE" : "FALSE");
    }

    /** XML that was read and is written back untouched. */
    void raw(String xml) {
        indent().append(xml).append('\n');
    }

    private StringBuilder indent() {
        return out.append("\t".repeat(depth));
    }

    @Override
    public String toString() {
        return out.toString();
    }
}
