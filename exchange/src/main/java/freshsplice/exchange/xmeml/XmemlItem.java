package freshsplice.exchange.xmeml;

import freshsplice.core.time.FrameRate;
import java.util.List;

/**
 * One item of a track as the file tells it.
 *
 * @param kind      clipitem, generatoritem or transitionitem
 * @param start     first record frame from the sequence's first, −1 where the edge is a transition's; null: not told
 * @param end       the record frame after the last, likewise
 * @param in        first source frame at {@code rate}, from the first of its media
 * @param out       the source frame after the last
 * @param rate      its own rate; null where it has none
 * @param fileId    the file it shows, told somewhere in the document; null where it names none
 * @param file      the file told inside the item without an id
 * @param nested    the sequence it shows
 * @param effect    name of the generator or of the transition's effect
 * @param category  the transition's category
 * @param alignment where the transition's cut lies: center, start, end, start-black, end-black
 * @param remap     the time-remap filter, where it is on; else null
 * @param still     one frame held
 * @param markers   its own markers, counted in source frames
 * @param comments  what people wrote about it
 * @param kept      the rest of it, as XML
 * @param sourceTrack which sound track of its source it plays, from 1; 0 where it does not say
 * @param words     what a generator writes into the picture; null where it tells none
 */
record XmemlItem(int line, String kind, String id, String name, boolean enabled, FrameRate rate, Long start, Long end,
                 Long in, Long out, String fileId, XmemlFile file, XmemlSequence nested, String effect,
                 String category, String alignment, XmlNode remap, boolean still, List<XmlNode> markers,
                 List<String> comments, String kept, int sourceTrack, String words) {
    boolean isTransition() {
        return kind.equals("transitionitem");
    }

    boolean isGenerator() {
        return kind.equals("generatoritem");
    }

    String place() {
        return kind + " " + (id.isEmpty() ? name : id) + ", line " + line;
    }
}
