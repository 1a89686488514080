package freshsplice.exchange.xmeml;

import freshsplice.core.time.FrameRate;
import freshsplice.exchange.format.FileAddress;

/**
 * A media file as the document tells it.
 *
 * @param name  its own name
 * @param path  plain path or address; null where it is not told
 * @param reel  reel name; null where it is not told
 * @param rate  its own rate; null where it is not told
 * @param start its timecode's first frame; null where it has no timecode
 * @param length its frames; null where they are not told
 * @param made   what the edit program makes it of (bars, black, a title, a leader) instead of reading a file; else null
 */
record XmemlFile(String name, String path, String reel, FrameRate rate, Long start, Long length, String made) {
    static XmemlFile of(XmlNode node, XmemlRates rates) {
        FrameRate rate = rates.of(node.child("rate"));
        XmlNode timecode = node.child("timecode");
        String path = node.textOf("pathurl");
        String madeOf = node.textOf("mediaSource");
        String reel = timecode == null ? "" : timecode.textOf("reel", "name");
        return new XmemlFile(node.textOf("name"), path.isEmpty() ? null : FileAddress.plain(path),
                reel.isEmpty() ? null : reel, rate, timecode == null ? null : rates.frameOf(timecode, rate),
                node.longOf("duration"), path.isEmpty() && !madeOf.isEmpty() ? madeOf : null);
    }
}
