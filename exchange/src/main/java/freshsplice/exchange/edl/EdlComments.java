package freshsplice.exchange.edl;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.Timecode;
import freshsplice.exchange.format.FileAddress;
import java.util.List;
import java.util.Locale;

/** What comment lines say about the event before them. Unknown ones are kept as written, with a note. */
final class EdlComments {
    private final EdlList list;
    private final List<Remark> remarks;

    EdlComments(EdlList list, List<Remark> remarks) {
        this.list = list;
        this.remarks = remarks;
    }

    /** @param text the line after its star; @param about the event it follows, null at the head of the list */
    void read(int line, String text, EdlStatement about) {
        int colon = text.indexOf(':');
        String key = colon < 0 ? "" : text.substring(0, colon).strip().toUpperCase(Locale.ROOT);
        String value = colon < 0 ? "" : text.substring(colon + 1).strip();
        if (key.equals("LOC")) {
            readLocator(line, value, text, about);
        } else if (about == null) {
            keep(line, text, null);
        } else if (readName(key, value, about)) {
            return;
        } else if (text.toUpperCase(Locale.ROOT).replace("*", "").strip().equals("FREEZE FRAME")) {
            about.freeze = true;
        } else {
            keep(line, text, about);
        }
    }

    private boolean readName(String key, String value, EdlStatement about) {
        switch (key) {
            case "FROM CLIP NAME" -> from(about).clipName = value;
            case "TO CLIP NAME", "KEY CLIP NAME" -> about.clipName = value;
            case "FROM CLIP", "FROM FILE" -> from(about).file = FileAddress.plain(value);
            case "TO CLIP", "TO FILE" -> about.file = FileAddress.plain(value);
            case "SOURCE FILE" -> sourceFile(FileAddress.plain(value), about);
            default -> {
                return false;
            }
        }
        return true;
    }

    /** The clip that "from" means: what a transition passes from, or the event itself where it is a cut. */
    private static EdlStatement from(EdlStatement about) {
        return about.outgoing == null ? about : about.outgoing;
    }

    /** Two files at a transition come in the order of its lines. */
    private static void sourceFile(String file, EdlStatement about) {
        EdlStatement outgoing = about.outgoing;
        if (outgoing != null && !outgoing.isBlack() && outgoing.file == null && about.file == null
                && about.clipName == null) {
            outgoing.file = file;
        } else {
            about.file = file;
        }
    }

    private void readLocator(int line, String value, String text, EdlStatement about) {
        String[] parts = value.split("[ \\t]+", 3);
        if (parts.length == 0 || !Timecode.looksLikeLabel(parts[0])) {
            keep(line, text, about);
            return;
        }
        list.locators.add(new EdlList.Locator(line, parts[0], parts.length > 1 ? parts[1] : "",
                parts.length > 2 ? parts[2].strip() : ""));
    }

    /** Keeps a line as it is, to be written back. */
    void keep(int line, String text, EdlStatement about) {
        if (about != null) {
            about.comments.add(text);
        }
        remarks.add(Remark.note("line " + line, "Kept as a comment: " + text));
    }
}
