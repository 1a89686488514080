package freshsplice.exchange.xmeml;

import freshsplice.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;

/** A sequence as the file tells it, before files and nested sequences are looked up. */
final class XmemlSequence {
    /** One track with its items in the order of the file. */
    static final class Track {
        final boolean picture;
        boolean enabled = true;
        String name = "";
        final List<XmemlItem> items = new ArrayList<>();

        Track(boolean picture) {
            this.picture = picture;
        }
    }

    String id = "";
    int line;
    String name = "";
    FrameRate rate;
    Long duration;
    long start;
    boolean dropFrame;
    /** Named by its id only: told in full elsewhere. */
    boolean byId;
    final List<Track> tracks = new ArrayList<>();
    final List<XmlNode> markers = new ArrayList<>();

    String place() {
        return "sequence " + (id.isEmpty() ? name : id) + ", line " + line;
    }
}
